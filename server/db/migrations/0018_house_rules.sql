-- Up Migration

-- How often the house sharpens which knives, and who may: rules in the order they were made.
alter table houses add column policies jsonb not null default '[]' check (jsonb_typeof(policies) = 'array');

-- Down Migration

alter table houses drop column policies;
