-- Up Migration

-- the order in which this house writes the parts of a day
alter table houses add column day_order text not null default 'dmy' check (day_order in ('dmy', 'mdy', 'ymd'));

-- what this house's own spreadsheets call things: a column by its title (said_of is empty), or a text in a column
create table file_meanings (
  house_id uuid not null references houses (id) on delete cascade,
  table_name text not null check (table_name in ('fleet', 'people', 'gear', 'shifts', 'readings', 'events')),
  said_of text not null default '',
  said text not null check (said <> ''),
  means text not null,
  primary key (house_id, table_name, said_of, said)
);

-- bringing in a long file says how far it has come, and can be stopped
alter table jobs drop constraint jobs_kind_check;
alter table jobs add constraint jobs_kind_check check (kind in ('rebuild', 'improve-plan', 'import'));

-- Down Migration

delete from jobs where kind = 'import';
alter table jobs drop constraint jobs_kind_check;
alter table jobs add constraint jobs_kind_check check (kind in ('rebuild', 'improve-plan'));
drop table file_meanings;
alter table houses drop column day_order;
