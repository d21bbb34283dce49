-- Up Migration

-- The two tables that grow without end are parted by house: a house's rows lie together, and what looks after tables (vacuum,
-- a new index, moving some houses to another disk) meets a sixteenth at a time.
alter table events rename to events_whole;
create table events (like events_whole including defaults including constraints) partition by hash (house_id);
alter table bench_actions rename to bench_actions_whole;
create table bench_actions (like bench_actions_whole including defaults including constraints) partition by hash (house_id);
do $$
declare
  parts constant integer := 16;
begin
  for part in 0 .. parts - 1 loop
    execute format(
      'create table events_%s partition of events for values with (modulus %s, remainder %s)',
      to_char(part, 'FM00'), parts, part
    );
    execute format(
      'create table bench_actions_%s partition of bench_actions for values with (modulus %s, remainder %s)',
      to_char(part, 'FM00'), parts, part
    );
  end loop;
end
$$;
insert into events select * from events_whole;
insert into bench_actions select * from bench_actions_whole;
drop table events_whole;
drop table bench_actions_whole;

alter table events
  add primary key (house_id, id),
  add foreign key (house_id, knife_id) references knives (house_id, id) on delete cascade,
  add foreign key (house_id, person_id) references people (house_id, id),
  add foreign key (house_id, device_id) references devices (house_id, id),
  add foreign key (house_id, voids_id) references events (house_id, id);
create index events_by_knife on events (house_id, knife_id, at, id);
create index events_by_time on events (house_id, at, id);
create unique index events_voids on events (house_id, voids_id) where voids_id is not null;
create trigger events_append_only before update on events
  for each row execute function refuse_event_change();

alter table bench_actions
  add primary key (house_id, id),
  add foreign key (house_id, session_id) references bench_sessions (house_id, id) on delete cascade;
create index bench_actions_by_session on bench_actions (house_id, session_id, at, id);

-- Down Migration

alter table events rename to events_parted;
create table events (like events_parted including defaults including constraints);
insert into events select * from events_parted;
drop table events_parted;
alter table events
  add primary key (house_id, id),
  add foreign key (house_id, knife_id) references knives (house_id, id) on delete cascade,
  add foreign key (house_id, person_id) references people (house_id, id),
  add foreign key (house_id, device_id) references devices (house_id, id),
  add foreign key (house_id, voids_id) references events (house_id, id);
create index events_by_knife on events (house_id, knife_id, at, id);
create index events_by_time on events (house_id, at, id);
create unique index events_voids on events (house_id, voids_id) where voids_id is not null;
create trigger events_append_only before update on events
  for each row execute function refuse_event_change();
alter table bench_actions rename to bench_actions_parted;
create table bench_actions (like bench_actions_parted including defaults including constraints);
insert into bench_actions select * from bench_actions_parted;
drop table bench_actions_parted;
alter table bench_actions
  add primary key (house_id, id),
  add foreign key (house_id, session_id) references bench_sessions (house_id, id) on delete cascade;
create index bench_actions_by_session on bench_actions (house_id, session_id, at, id);
