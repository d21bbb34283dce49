-- Up Migration

-- the recipe a house prefers for a kind of knife: its school of honing and of stone work
create table house_schools (
  house_id uuid not null references houses (id) on delete cascade,
  role text not null check (role in ('fine', 'general', 'butchery', 'bread')),
  work text not null check (work in ('hone', 'stone')),
  recipe_id text not null,
  primary key (house_id, role, work)
);

-- Down Migration

drop table house_schools;
