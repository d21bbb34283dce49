-- Up Migration

create table knives (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  code text not null check (code ~ '^[A-Z0-9][A-Z0-9-]{0,11}$'),
  name text not null default '' check (length(name) <= 80),
  type text not null,
  length_mm numeric(6, 2) not null check (length_mm between 40 and 600),
  -- null where nobody has measured: the type's usual figure stands in
  heel_height_mm numeric(6, 2) check (heel_height_mm between 5 and 200),
  spine_mm numeric(5, 2) check (spine_mm between 0.5 and 12),
  bte_mm numeric(5, 3) check (bte_mm between 0.05 and 3),
  bte_new_mm numeric(5, 3) check (bte_new_mm between 0.05 and 3),
  dps_left numeric(4, 1) check (dps_left between 0 and 45),
  dps_right numeric(4, 1) check (dps_right between 0 and 45),
  grind text not null check (grind in ('flat', 'convex', 'hollow', 'wide-bevel', 'single', 'boning-shoulder')),
  ratio_right smallint not null check (ratio_right between 0 and 100),
  serrated boolean not null,
  steel_en text,
  hrc numeric(4, 1) check (hrc between 40 and 70),
  reactive boolean not null default false,
  price numeric(9, 2) check (price >= 0),
  bought_on date,
  created_at timestamptz not null default now(),
  primary key (house_id, id)
);
create unique index knives_code on knives (house_id, code);

create table events (
  house_id uuid not null,
  id uuid not null,
  knife_id uuid not null,
  kind text not null check (kind in (
    'added', 'used', 'checked', 'honed', 'sharpened', 'measured', 'moved', 'quarantined', 'released', 'retired', 'voided'
  )),
  at timestamptz not null,
  recorded_at timestamptz not null default now(),
  person_id uuid,
  device_id uuid,
  payload jsonb not null,
  -- set on a voiding: the event it takes back
  voids_id uuid,
  primary key (house_id, id),
  foreign key (house_id, knife_id) references knives (house_id, id) on delete cascade,
  foreign key (house_id, person_id) references people (house_id, id),
  foreign key (house_id, device_id) references devices (house_id, id),
  foreign key (house_id, voids_id) references events (house_id, id),
  check ((kind = 'voided') = (voids_id is not null))
);
-- folding one knife's log and paging its timeline
create index events_by_knife on events (house_id, knife_id, at, id);
-- an event can be taken back once
create unique index events_voids on events (house_id, voids_id) where voids_id is not null;

create function refuse_event_change() returns trigger language plpgsql as $$
begin
  raise exception 'events are append-only';
end
$$;
create trigger events_append_only before update on events
  for each row execute function refuse_event_change();

-- derived from events; can be dropped and rebuilt
create table knife_states (
  house_id uuid not null,
  knife_id uuid not null,
  state jsonb not null,
  primary key (house_id, knife_id),
  foreign key (house_id, knife_id) references knives (house_id, id) on delete cascade
);

-- what each event did to the worst zone; derived like the state, and kept so that a page of history needs no fold
create table event_effects (
  house_id uuid not null,
  event_id uuid not null,
  knife_id uuid not null,
  before_gf smallint not null,
  after_gf smallint not null,
  primary key (house_id, event_id),
  foreign key (house_id, knife_id) references knives (house_id, id) on delete cascade
);
create index event_effects_by_knife on event_effects (house_id, knife_id);

-- Down Migration

drop table event_effects, knife_states, events, knives;
drop function refuse_event_change;
