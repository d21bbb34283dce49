-- Up Migration

-- a recipe says itself what it records and what it works on; until now the code went by its id
update recipes
set recipe = recipe || jsonb_build_object(
  'records', case
    when id = 'strop' then '{"kind": "honed", "tool": "strop"}'::jsonb
    when id = 'rod-ladder' then '{"kind": "honed", "tool": "diamond-rod"}'::jsonb
    when recipe ->> 'stones' = 'none' and id not like 'serrated%' then '{"kind": "honed", "tool": "smooth-steel"}'::jsonb
    else '{"kind": "sharpened"}'::jsonb
  end,
  'worksOn', case when id = 'thin' then 'face' when id like 'serrated%' then 'teeth' else 'edge' end
);

update bench_sessions
set plan = plan || jsonb_build_object(
  'recipeName', null,
  'records', case
    when plan ->> 'recipeId' = 'strop' then '{"kind": "honed", "tool": "strop"}'::jsonb
    when plan ->> 'recipeId' = 'rod-ladder' then '{"kind": "honed", "tool": "diamond-rod"}'::jsonb
    when jsonb_array_length(plan -> 'stages') = 0 and plan ->> 'recipeId' not like 'serrated%'
      then '{"kind": "honed", "tool": "smooth-steel"}'::jsonb
    else '{"kind": "sharpened"}'::jsonb
  end
);

-- Down Migration

update bench_sessions set plan = plan - 'recipeName' - 'records';
update recipes set recipe = recipe - 'name' - 'records' - 'worksOn';
