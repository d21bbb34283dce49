-- Up Migration

-- how long a first stone took to its burr, by session: what teaches a stone's rate in a person's hands
create table burr_times (
  house_id uuid not null,
  session_id uuid not null,
  stone_id uuid not null,
  person_id uuid not null,
  planned_minutes numeric(6, 2) not null,
  minutes numeric(6, 2) not null,
  primary key (house_id, session_id, stone_id),
  foreign key (house_id, session_id) references bench_sessions (house_id, id) on delete cascade,
  foreign key (house_id, stone_id) references gear (house_id, id) on delete cascade
);
create index burr_times_by_stone on burr_times (house_id, stone_id, person_id);

-- Down Migration

drop table burr_times;
