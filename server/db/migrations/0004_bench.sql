-- Up Migration

create table gear (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  name text not null check (length(name) between 1 and 80),
  kind text not null check (kind in (
    'soaking-stone', 'splash-stone', 'oil-stone', 'diamond-plate', 'diamond-resin', 'ceramic-rod', 'diamond-rod',
    'smooth-steel', 'grooved-steel', 'polished-steel', 'strop', 'paste', 'flattening-plate'
  )),
  scale text check (scale in ('JIS', 'FEPA-F', 'FEPA-P', 'micron')),
  grit numeric(7, 2) check (grit > 0),
  two_sided_with uuid,
  soak_minutes smallint not null default 0 check (soak_minutes between 0 and 120),
  bath text not null default 'none' check (bath in ('none', 'coarse', 'fine')),
  thickness_mm numeric(5, 1) check (thickness_mm between 0 and 120),
  dish_mm numeric(4, 2) check (dish_mm between 0 and 10),
  flattened_at timestamptz,
  knives_since smallint not null default 0 check (knives_since >= 0),
  compound text not null default '' check (length(compound) <= 80),
  active boolean not null default true,
  primary key (house_id, id),
  check ((scale is null) = (grit is null))
);
create unique index gear_name on gear (house_id, lower(name));

-- coins, cards and shims that may go under a spine
create table stack_pieces (
  house_id uuid not null references houses (id) on delete cascade,
  position smallint not null,
  name text not null check (length(name) between 1 and 40),
  mm numeric(5, 2) not null check (mm between 0.05 and 30),
  count smallint not null check (count between 1 and 50),
  primary key (house_id, position)
);

-- recipes a house has made its own; the others are the ones every house starts with
create table recipes (
  house_id uuid not null references houses (id) on delete cascade,
  id text not null check (id ~ '^[a-z0-9][a-z0-9-]{0,39}$'),
  recipe jsonb not null,
  primary key (house_id, id)
);

create table bench_sessions (
  house_id uuid not null,
  id uuid not null,
  knife_id uuid not null,
  started_by uuid not null,
  started_at timestamptz not null,
  plan jsonb not null,
  ended_at timestamptz,
  outcome text check (outcome in ('finished', 'abandoned')),
  primary key (house_id, id),
  foreign key (house_id, knife_id) references knives (house_id, id) on delete cascade,
  foreign key (house_id, started_by) references people (house_id, id),
  check ((ended_at is null) = (outcome is null))
);
-- a knife is on one bench at a time
create unique index bench_sessions_open on bench_sessions (house_id, knife_id) where ended_at is null;
create index bench_sessions_by_knife on bench_sessions (house_id, knife_id, started_at);

-- what was done, as it was done; the state of a session is folded from these
create table bench_actions (
  house_id uuid not null,
  session_id uuid not null,
  id uuid not null,
  at timestamptz not null,
  person_id uuid,
  device_id uuid,
  action jsonb not null,
  primary key (house_id, id),
  foreign key (house_id, session_id) references bench_sessions (house_id, id) on delete cascade
);
create index bench_actions_by_session on bench_actions (house_id, session_id, at, id);

-- Down Migration

drop table bench_actions, bench_sessions, recipes, stack_pieces, gear;
