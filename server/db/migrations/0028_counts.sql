-- Up Migration

alter table events drop constraint events_kind_check;
alter table events add constraint events_kind_check check (kind in (
  'added', 'used', 'checked', 'honed', 'came-back', 'sharpened', 'measured', 'moved', 'quarantined', 'released', 'retired',
  'missing', 'found', 'voided'
));

-- Who counted what, when, and how long it took.
create table counts (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  counted_by uuid not null,
  started_at timestamptz not null,
  ended_at timestamptz not null check (ended_at >= started_at),
  -- whose knives: all, those of a station, or of a person
  of text not null check (of in ('all', 'station', 'person')),
  of_id uuid check ((of_id is null) = (of = 'all')),
  present uuid[] not null,
  missing uuid[] not null,
  primary key (house_id, id),
  foreign key (house_id, counted_by) references people (house_id, id)
);
create index counts_by_time on counts (house_id, ended_at desc);

-- Down Migration

drop table counts;
delete from events where kind in ('missing', 'found');
alter table events drop constraint events_kind_check;
alter table events add constraint events_kind_check check (kind in (
  'added', 'used', 'checked', 'honed', 'came-back', 'sharpened', 'measured', 'moved', 'quarantined', 'released', 'retired', 'voided'
));
