-- Up Migration

-- Counts changes of a house that are more than something noted of one knife: those leave what is known of the others as it was
-- a moment ago, and only that knife is reckoned again.
alter table houses add column settings_revision integer not null default 0;
drop trigger trail on houses;
create trigger trail after insert or update or delete on houses for each row
  execute function keep_trail('id', 'revision,settings_revision');

-- Down Migration

drop trigger trail on houses;
create trigger trail after insert or update or delete on houses for each row execute function keep_trail('id', 'revision');
alter table houses drop column settings_revision;
