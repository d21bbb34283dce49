-- Up Migration

-- What a session asked of whoever began it, so that it asks the same of whoever takes it over or ends it; null for honing.
alter table bench_sessions add column skill text check (length(skill) between 1 and 40);

-- Down Migration

alter table bench_sessions drop column skill;
