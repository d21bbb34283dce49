-- Up Migration

-- how the house says its knives are honed, and where a person differs from it; what each hones with
alter table houses add column honing_habit text check (honing_habit in ('each-time', 'most-days', 'now-and-then', 'hardly-ever'));
alter table people add column honing_habit text check (honing_habit in ('each-time', 'most-days', 'now-and-then', 'hardly-ever'));
alter table people add column hone_tool text check (hone_tool in (
  'smooth-steel', 'grooved-steel', 'ceramic-rod', 'diamond-rod', 'strop'
));

-- what the chef saw on a walk through the kitchen: steel out, knives in order
create table honing_walks (
  house_id uuid not null references houses (id) on delete cascade,
  id uuid not null,
  person_id uuid not null,
  at timestamptz not null,
  in_order boolean not null,
  walked_by uuid,
  primary key (house_id, id),
  foreign key (house_id, person_id) references people (house_id, id)
);
create index honing_walks_by_person on honing_walks (house_id, person_id, at);

-- what somebody said of the last honing, a moment after it
alter table events drop constraint events_kind_check;
alter table events add check (kind in (
  'added', 'used', 'checked', 'honed', 'came-back', 'sharpened', 'measured', 'moved', 'quarantined', 'released', 'retired', 'voided'
));

-- food on which a thin edge chips
alter table stations drop constraint stations_product_check;
alter table stations add check (product in (
  'fish', 'vegetables', 'meat', 'mixed', 'bread', 'meat-on-bone', 'frozen'
));

-- states learned of habits: what was derived before is reckoned anew from the log when the server starts
delete from knife_states;
delete from event_effects;

-- Down Migration

delete from events where kind = 'came-back';
alter table events drop constraint events_kind_check;
alter table events add check (kind in (
  'added', 'used', 'checked', 'honed', 'sharpened', 'measured', 'moved', 'quarantined', 'released', 'retired', 'voided'
));
drop table honing_walks;
update stations set product = 'mixed' where product = 'frozen';
alter table stations drop constraint stations_product_check;
alter table stations add check (product in ('fish', 'vegetables', 'meat', 'mixed', 'bread', 'meat-on-bone'));
alter table people drop column hone_tool, drop column honing_habit;
alter table houses drop column honing_habit;
