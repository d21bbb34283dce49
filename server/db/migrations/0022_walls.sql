-- Up Migration

-- Whoever acts for a house reads and writes in the role yorvik_house (made before the first step), which sees the rows of
-- that house and no other: a second wall behind the condition that every query carries. The server's own work (signing
-- in, sweeping, backups) stays in the role that owns the tables.

-- Puts up the wall around every table that has none; asked again after each step of the schema and each restoring.
create function put_up_walls() returns void language plpgsql as $$
declare
  found record;
  -- what is no house's is the server's alone, but for tries at a door and the steps of the schema
  shared constant text[] := array['attempts', 'migrations'];
begin
  perform pg_advisory_xact_lock(hashtext('yorvik walls'));
  execute format('grant usage on schema %I to yorvik_house', current_schema());
  for found in
    select tables.oid, tables.oid::regclass as name, tables.relrowsecurity as walled,
           coalesce(house.attname, case when tables.relname = 'houses' then 'id' end) as key
    from pg_class tables
    left join pg_attribute house
      on house.attrelid = tables.oid and house.attname = 'house_id' and not house.attisdropped
    where tables.relnamespace = current_schema()::regnamespace
      and tables.relkind in ('r', 'p')
      -- parts of a table are reached through it alone
      and not tables.relispartition
      and (house.attname is not null or tables.relname = 'houses' or tables.relname = any (shared))
  loop
    if not has_table_privilege('yorvik_house', found.oid, 'select') then
      execute format('grant select, insert, update, delete on %s to yorvik_house', found.name);
    end if;
    if found.key is not null and not found.walled then
      execute format('alter table %s enable row level security', found.name);
      execute format(
        'create policy own_house on %s to yorvik_house using (%I = nullif(current_setting(''yorvik.house'', true), '''')::uuid)',
        found.name,
        found.key
      );
    end if;
  end loop;
end
$$;

-- Down Migration

do $$
declare
  found record;
begin
  for found in select policies.polrelid::regclass as name from pg_policy policies where policies.polname = 'own_house' loop
    execute format('drop policy own_house on %s', found.name);
    execute format('alter table %s disable row level security', found.name);
  end loop;
end
$$;
drop function put_up_walls;
drop owned by yorvik_house;
