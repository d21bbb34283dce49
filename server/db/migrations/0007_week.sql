-- Up Migration

-- how much a dull service at this station counts against another
alter table stations add column weight numeric(3, 1) not null default 1 check (weight between 0 and 5);

create table benches (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  name text not null check (length(name) between 1 and 80),
  active boolean not null default true,
  primary key (house_id, id)
);
create unique index benches_name on benches (house_id, lower(name));
-- a house that is there already has the one bench it always worked at
insert into benches (house_id, id, name) select id, gen_random_uuid(), 'Bench' from houses;

-- the bench a stone stays at; null for one that goes where it is wanted
alter table gear add column bench_id uuid;
alter table gear add foreign key (house_id, bench_id) references benches (house_id, id);

create table shifts (
  house_id uuid not null,
  id uuid not null,
  person_id uuid not null,
  weekday smallint not null check (weekday between 1 and 7),
  starts time not null,
  ends time not null check (ends <> starts),
  primary key (house_id, id),
  foreign key (house_id, person_id) references people (house_id, id) on delete cascade
);
create index shifts_person on shifts (house_id, person_id);

-- one day of one person in place of the pattern; no times: not in the house
create table shift_days (
  house_id uuid not null,
  id uuid not null,
  person_id uuid not null,
  day date not null,
  starts time,
  ends time,
  note text not null default '' check (length(note) <= 80),
  primary key (house_id, id),
  foreign key (house_id, person_id) references people (house_id, id) on delete cascade,
  check ((starts is null) = (ends is null)),
  check (ends <> starts)
);
create index shift_days_person on shift_days (house_id, person_id, day);

create table person_skills (
  house_id uuid not null,
  person_id uuid not null,
  skill text not null check (skill in ('hone', 'maintenance', 'full', 'serrated', 'asymmetric', 'thinning', 'machine')),
  signed_by uuid,
  signed_at timestamptz not null,
  primary key (house_id, person_id, skill),
  foreign key (house_id, person_id) references people (house_id, id) on delete cascade
);

-- a day of the house that is not like its weekday: its spans stand in place of the week's
create table special_days (
  house_id uuid not null references houses (id) on delete cascade,
  day date not null,
  name text not null check (length(name) between 1 and 80),
  primary key (house_id, day)
);
create table special_spans (
  house_id uuid not null,
  id uuid not null,
  day date not null,
  kind text not null check (kind in ('service', 'quiet')),
  name text not null check (length(name) between 1 and 80),
  starts time not null,
  ends time not null check (ends <> starts),
  primary key (house_id, id),
  foreign key (house_id, day) references special_days (house_id, day) on delete cascade
);

-- accepted plans, each a version on the one before; the last one holds
create table plans (
  house_id uuid not null references houses (id) on delete cascade,
  version integer not null,
  accepted_by uuid,
  accepted_at timestamptz not null,
  plan jsonb not null,
  primary key (house_id, version)
);

-- what long work was asked and what it found
alter table jobs add column input jsonb;
alter table jobs add column output jsonb;
alter table jobs drop constraint jobs_kind_check;
alter table jobs add check (kind in ('rebuild', 'improve-plan'));

-- private addresses under which a person's calendar can be subscribed to
create table calendar_links (
  house_id uuid not null,
  person_id uuid not null,
  token_hash bytea not null,
  created_at timestamptz not null default now(),
  revoked_at timestamptz,
  primary key (house_id, token_hash),
  foreign key (house_id, person_id) references people (house_id, id) on delete cascade
);

-- Down Migration

drop table calendar_links, plans, special_spans, special_days, person_skills, shift_days, shifts;
alter table jobs drop column input, drop column output;
alter table gear drop column bench_id;
drop table benches;
alter table stations drop column weight;
