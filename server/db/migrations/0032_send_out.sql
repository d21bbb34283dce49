-- Up Migration

alter table events drop constraint events_kind_check;
alter table events add constraint events_kind_check check (kind in (
  'added', 'used', 'checked', 'honed', 'came-back', 'sharpened', 'measured', 'moved', 'quarantined', 'released', 'retired',
  'missing', 'found', 'practice', 'sent-out', 'returned', 'voided'
));

-- What the house says of its money: currency, labour by role, what grinding outside costs, and the chef's own figures.
alter table houses add column money jsonb;

-- Down Migration

alter table houses drop column money;
delete from events where kind in ('sent-out', 'returned');
alter table events drop constraint events_kind_check;
alter table events add constraint events_kind_check check (kind in (
  'added', 'used', 'checked', 'honed', 'came-back', 'sharpened', 'measured', 'moved', 'quarantined', 'released', 'retired',
  'missing', 'found', 'practice', 'voided'
));
