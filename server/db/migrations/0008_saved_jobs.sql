-- Up Migration

-- workshop work somebody has worked out for a knife and left for its time at the bench
create table saved_jobs (
  house_id uuid not null,
  knife_id uuid not null,
  operation jsonb not null,
  saved_by uuid,
  saved_at timestamptz not null,
  primary key (house_id, knife_id),
  foreign key (house_id, knife_id) references knives (house_id, id) on delete cascade
);

-- Down Migration

drop table saved_jobs;
