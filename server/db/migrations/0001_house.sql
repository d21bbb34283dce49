-- Up Migration

create table houses (
  id uuid primary key,
  name text not null check (length(name) between 1 and 80),
  zone text not null,
  units text not null default 'mm' check (units in ('mm', 'in')),
  service_limits jsonb not null,
  is_demo boolean not null default false,
  -- counts every write of the house, so that readers know whether what they hold is still true
  revision bigint not null default 0,
  created_at timestamptz not null default now()
);

create table people (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  name text not null check (length(name) between 1 and 80),
  role text not null check (role in ('chef', 'sharpener', 'cook', 'apprentice')),
  sign_in_name text,
  password_hash text,
  pin_hash text,
  active boolean not null default true,
  created_at timestamptz not null default now(),
  primary key (house_id, id),
  check ((sign_in_name is null) = (password_hash is null))
);
create unique index people_name on people (house_id, lower(name));
-- signing in by password starts without knowing the house
create unique index people_sign_in_name on people (lower(sign_in_name)) where sign_in_name is not null;

create table devices (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  kind text not null check (kind in ('tablet', 'instrument')),
  name text not null check (length(name) between 1 and 80),
  token_hash bytea not null,
  enrolled_at timestamptz not null default now(),
  revoked_at timestamptz,
  primary key (house_id, id)
);
create unique index devices_token on devices (house_id, token_hash);

create table sessions (
  house_id uuid not null,
  token_hash bytea not null,
  person_id uuid not null,
  device_id uuid,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null,
  primary key (house_id, token_hash),
  foreign key (house_id, person_id) references people (house_id, id) on delete cascade,
  foreign key (house_id, device_id) references devices (house_id, id) on delete cascade
);
create index sessions_expiry on sessions (expires_at);

create table stations (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  name text not null check (length(name) between 1 and 80),
  board text not null check (board in ('end-grain', 'rubber', 'edge-grain', 'soft-plastic', 'hard-plastic', 'plate')),
  product text not null check (product in ('fish', 'vegetables', 'meat', 'mixed', 'bread', 'meat-on-bone')),
  hours_per_service numeric(4, 2) not null check (hours_per_service between 0 and 24),
  active boolean not null default true,
  primary key (house_id, id)
);
create unique index stations_name on stations (house_id, lower(name));

-- how a station used its knives from an instant on: a new board today must not rewrite last month
create table station_work (
  house_id uuid not null,
  station_id uuid not null,
  from_at timestamptz not null,
  board text not null,
  product text not null,
  hours_per_service numeric(4, 2) not null,
  primary key (house_id, station_id, from_at),
  foreign key (house_id, station_id) references stations (house_id, id) on delete cascade
);

create table weekly_spans (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  kind text not null check (kind in ('service', 'quiet')),
  weekday smallint not null check (weekday between 1 and 7),
  name text not null check (length(name) between 1 and 80),
  starts time not null,
  ends time not null check (ends <> starts),
  -- the weeks in which this span was part of the house's week
  from_at timestamptz not null default '1970-01-01T00:00:00Z',
  until_at timestamptz,
  primary key (house_id, id)
);

create table attempts (
  key varchar(255) primary key,
  points integer not null default 0,
  expire bigint
);

-- Down Migration

drop table attempts, weekly_spans, station_work, stations, sessions, devices, people, houses;
