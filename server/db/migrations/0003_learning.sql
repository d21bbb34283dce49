-- Up Migration

-- the angle a person really works at, degrees per side, where somebody has measured it
alter table people add column working_dps numeric(4, 1) check (working_dps between 3 and 45);

-- states learned to hold beliefs: what was derived before is reckoned anew from the log when the server starts
delete from knife_states;
delete from event_effects;

-- long work of a house, its progress, and whether somebody asked it to stop
create table jobs (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  kind text not null check (kind in ('rebuild')),
  status text not null default 'waiting' check (status in ('waiting', 'running', 'done', 'cancelled', 'failed')),
  done integer not null default 0,
  total integer not null default 0,
  asked_by uuid,
  asked_at timestamptz not null default now(),
  ended_at timestamptz,
  cancel_asked boolean not null default false,
  primary key (house_id, id)
);
-- one of a kind at a time in a house
create unique index jobs_open on jobs (house_id, kind) where status in ('waiting', 'running');

-- Down Migration

drop table jobs;
alter table people drop column working_dps;
