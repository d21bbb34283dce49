-- Up Migration

-- the rest of work done in parts waits for the knife's next session; work saved by somebody is planned as soon as it fits
alter table saved_jobs add column waits boolean not null default false;

-- a chip is ground out over one, two or three sessions; until now it was all or half
update saved_jobs
set operation = (operation - 'half') || jsonb_build_object('sessions', case when (operation ->> 'half')::boolean then 2 else 1 end)
where operation ->> 'kind' = 'chip' and operation ? 'half';

update bench_sessions
set plan = jsonb_set(plan, '{workshop,operation}',
  ((plan #> '{workshop,operation}') - 'half')
  || jsonb_build_object('sessions', case when (plan #>> '{workshop,operation,half}')::boolean then 2 else 1 end))
where plan #>> '{workshop,operation,kind}' = 'chip' and (plan #> '{workshop,operation}') ? 'half';

-- what waits of one kind of work is not lost when work of another kind is saved or done
alter table saved_jobs add column kind text generated always as (operation ->> 'kind') stored;
alter table saved_jobs drop constraint saved_jobs_pkey;
alter table saved_jobs add primary key (house_id, knife_id, kind);

-- Down Migration

delete from saved_jobs job
using saved_jobs other
where other.house_id = job.house_id and other.knife_id = job.knife_id and (other.waits, other.kind) < (job.waits, job.kind);
alter table saved_jobs drop constraint saved_jobs_pkey;
alter table saved_jobs add primary key (house_id, knife_id);
alter table saved_jobs drop column kind;
alter table saved_jobs drop column waits;
