-- Up Migration

-- How far somebody has come with a skill, and what that was said on; what was signed off before, is done alone.
alter table person_skills
  add column level text not null default 'alone' check (level in ('shown', 'supervised', 'alone', 'teaches')),
  add column evidence jsonb;

-- Drills of other kinds than a held angle: what each told is its own.
alter table drills drop constraint drills_kind_check;
alter table drills add constraint drills_kind_check check (kind in ('hold', 'press', 'burr', 'read', 'dry'));
alter table drills alter column hand drop not null;
alter table drills alter column wanted_dps drop not null;
alter table drills rename column strokes to told;

-- Lessons somebody has gone through: theirs and the chef's to see, and gone when they leave.
create table lessons_done (
  house_id uuid not null,
  person_id uuid not null,
  lesson text not null check (length(lesson) <= 40),
  at timestamptz not null,
  primary key (house_id, person_id, lesson),
  foreign key (house_id, person_id) references people (house_id, id) on delete cascade
);

-- Accidents and near misses, so that the kitchen learns: no column says who it happened to.
create table incidents (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  at timestamptz not null,
  what text not null check (what in ('cut', 'near-miss', 'blade-hurt')),
  place text not null check (place in ('bench', 'sink', 'board', 'rack', 'carrying', 'wheel')),
  step text not null check (length(step) <= 40),
  note text not null default '' check (length(note) <= 300),
  primary key (house_id, id)
);
create index incidents_by_time on incidents (house_id, at desc);

-- what somebody's eye is worth is learned from the log: states are reckoned again
delete from knife_states;

-- Down Migration

drop table incidents;
drop table lessons_done;
delete from drills where kind <> 'hold';
alter table drills rename column told to strokes;
alter table drills alter column wanted_dps set not null;
alter table drills alter column hand set not null;
alter table drills drop constraint drills_kind_check;
alter table drills add constraint drills_kind_check check (kind in ('hold'));
delete from person_skills where level not in ('alone', 'teaches');
alter table person_skills drop column evidence, drop column level;
