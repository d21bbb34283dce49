-- Up Migration

-- how the house does things where the trade disagrees, and where a person does otherwise
create table ways (
  house_id uuid not null references houses (id) on delete cascade,
  person_id uuid,
  way text not null check (way ~ '^[a-z-]{1,20}$'),
  option text not null check (option ~ '^[a-z-]{1,40}$'),
  foreign key (house_id, person_id) references people (house_id, id) on delete cascade
);
create unique index ways_of_house on ways (house_id, way) where person_id is null;
create unique index ways_of_person on ways (house_id, person_id, way) where person_id is not null;

-- somebody signed off who stands beside a learner
alter table bench_sessions add column beside_id uuid;
alter table bench_sessions add foreign key (house_id, beside_id) references people (house_id, id);

-- what a session left for a later one: it stays with the knife until somebody ticks it off
create table carry_overs (
  house_id uuid not null,
  id uuid not null,
  knife_id uuid not null,
  session_id uuid not null,
  zone text not null check (zone in ('heel', 'belly', 'tip')),
  what text not null check (what <> ''),
  left_by uuid,
  left_at timestamptz not null,
  done_by uuid,
  done_at timestamptz,
  primary key (house_id, id),
  foreign key (house_id, knife_id) references knives (house_id, id) on delete cascade,
  foreign key (house_id, session_id) references bench_sessions (house_id, id) on delete cascade,
  check ((done_at is null) = (done_by is null))
);
create index carry_overs_open on carry_overs (house_id, knife_id) where done_at is null;

-- what the last finished session of each knife left is still open
insert into carry_overs (house_id, id, knife_id, session_id, zone, what, left_by, left_at)
select a.house_id, a.id, s.knife_id, s.id, a.action ->> 'zone', a.action ->> 'what', a.person_id, a.at
from bench_actions a
join (
  select distinct on (house_id, knife_id) house_id, knife_id, id
  from bench_sessions
  where outcome = 'finished'
  order by house_id, knife_id, started_at desc
) s on s.house_id = a.house_id and s.id = a.session_id
where a.action ->> 'kind' = 'carry-over';

-- pictures of an edge: small, stripped of everything but the picture
create table session_photos (
  house_id uuid not null,
  id uuid not null,
  session_id uuid not null,
  person_id uuid,
  at timestamptz not null,
  bytes bytea not null check (octet_length(bytes) <= 400000),
  primary key (house_id, id),
  foreign key (house_id, session_id) references bench_sessions (house_id, id) on delete cascade
);
create index session_photos_by_session on session_photos (house_id, session_id);

-- what each side took in somebody's hands: strokes and minutes until its burr stood, against the plan's
create table side_times (
  house_id uuid not null,
  session_id uuid not null,
  person_id uuid not null,
  hand text not null check (hand in ('left', 'right')),
  strokes integer not null,
  planned_minutes numeric(6, 2) not null,
  minutes numeric(6, 2) not null,
  primary key (house_id, session_id, hand),
  foreign key (house_id, session_id) references bench_sessions (house_id, id) on delete cascade
);
create index side_times_by_person on side_times (house_id, person_id);

-- height and thickness are debited by the one removal model now: states are reckoned anew from the log when the server starts
delete from knife_states;
delete from event_effects;

-- Down Migration

drop table side_times, session_photos, carry_overs, ways;
alter table bench_sessions drop column beside_id;
