-- Up Migration

-- a server that works on a job says so until when; after that another may take it up
alter table jobs add column claimed_until timestamptz;

-- one rebuild at a time in a house; improvements of the plan are told apart by what they were asked
drop index jobs_open;
create unique index jobs_open_rebuild on jobs (house_id) where kind = 'rebuild' and status in ('waiting', 'running');
create index jobs_ended on jobs (ended_at) where ended_at is not null;

-- what has expired is swept away
create index attempts_expiry on attempts (expire);

-- Down Migration

drop index attempts_expiry;
drop index jobs_ended;
drop index jobs_open_rebuild;
create unique index jobs_open on jobs (house_id, kind) where status in ('waiting', 'running');
alter table jobs drop column claimed_until;
