-- Up Migration

-- Since when somebody's records are no longer taken from a device that others are signed in on: they signed out everywhere.
alter table people add column marks_since timestamptz not null default '-infinity';
drop trigger trail on people;
create trigger trail after insert or update or delete on people for each row execute function keep_trail('id', 'marks_since');

-- Down Migration

drop trigger trail on people;
create trigger trail after insert or update or delete on people for each row execute function keep_trail('id', '');
alter table people drop column marks_since;
