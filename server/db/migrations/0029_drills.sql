-- Up Migration

-- What somebody practised, and what the instrument told: theirs and the chef's to see, and gone when they leave.
create table drills (
  house_id uuid not null,
  id uuid not null,
  person_id uuid not null,
  at timestamptz not null,
  kind text not null check (kind in ('hold')),
  hand text not null check (hand in ('left', 'right')),
  wanted_dps numeric(4, 1) not null check (wanted_dps between 5 and 40),
  -- edge angles of each stroke, heel to tip, degrees per side
  strokes jsonb not null,
  primary key (house_id, id),
  foreign key (house_id, person_id) references people (house_id, id) on delete cascade
);
create index drills_by_person on drills (house_id, person_id, at desc);

-- Down Migration

drop table drills;
