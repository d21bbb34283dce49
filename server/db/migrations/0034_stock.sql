-- Up Migration

-- What the house keeps a stock of beside knives and stones, and what each look at it found.
create table supplies (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  name text not null check (length(name) between 1 and 80),
  kind text not null check (kind in ('paste', 'oil', 'label', 'test-line', 'other')),
  -- what it is counted in, in the house's own word
  unit text not null check (length(unit) between 1 and 20),
  price numeric(9, 2) check (price >= 0),
  -- how many uses one unit lasts; null where nobody has said
  uses_each numeric(9, 2) check (uses_each > 0),
  active boolean not null default true,
  primary key (house_id, id)
);
create unique index supplies_by_name on supplies (house_id, lower(name)) where active;

create table supply_counts (
  house_id uuid not null,
  id uuid not null,
  supply_id uuid not null,
  at timestamptz not null,
  remaining numeric(9, 2) not null check (remaining >= 0),
  added numeric(9, 2) not null check (added >= 0),
  primary key (house_id, id),
  foreign key (house_id, supply_id) references supplies (house_id, id) on delete cascade
);
create index supply_counts_by_time on supply_counts (house_id, supply_id, at);

-- How thick a stone was, each time that somebody measured it.
create table stone_measures (
  house_id uuid not null,
  gear_id uuid not null,
  at timestamptz not null,
  mm numeric(5, 2) not null check (mm > 0),
  primary key (house_id, gear_id, at),
  foreign key (house_id, gear_id) references gear (house_id, id) on delete cascade
);
insert into stone_measures (house_id, gear_id, at, mm)
select house_id, id, now(), thickness_mm from gear where thickness_mm > 0;

-- What one of the old currency was worth in the new, each time that the house changed it: invoices stay as they were
-- written, and are read at the rates since.
create table currency_changes (
  house_id uuid not null references houses (id) on delete cascade,
  at timestamptz not null,
  rate numeric(14, 6) not null check (rate > 0),
  primary key (house_id, at)
);

-- Down Migration

drop table currency_changes, stone_measures, supply_counts, supplies;
