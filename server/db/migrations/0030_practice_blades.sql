-- Up Migration

alter table events drop constraint events_kind_check;
alter table events add constraint events_kind_check check (kind in (
  'added', 'used', 'checked', 'honed', 'came-back', 'sharpened', 'measured', 'moved', 'quarantined', 'released', 'retired',
  'missing', 'found', 'practice', 'voided'
));

-- Down Migration

delete from events where kind = 'practice';
alter table events drop constraint events_kind_check;
alter table events add constraint events_kind_check check (kind in (
  'added', 'used', 'checked', 'honed', 'came-back', 'sharpened', 'measured', 'moved', 'quarantined', 'released', 'retired',
  'missing', 'found', 'voided'
));
