-- Up Migration

-- the words of the code and the screen: a work order is saved for a knife, a house prefers recipes
alter table saved_jobs rename to work_orders;
alter table house_schools rename to recipe_preferences;

-- Down Migration

alter table recipe_preferences rename to house_schools;
alter table work_orders rename to saved_jobs;
