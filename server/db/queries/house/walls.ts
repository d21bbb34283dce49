import type { Queryable } from '../../database'

/**
 * Makes the role in which whoever acts for a house reads and writes, where there is none, and lets this server take it. It
 * is the database server's, not one database's. Needs the right to create roles once; whoever runs their own PostgreSQL may
 * have made it before: `create role yorvik_house nologin; grant yorvik_house to …`.
 */
export async function makeHouseRole(db: Queryable): Promise<void> {
  await db.query(`
    do $$
    begin
      if not exists (select from pg_roles where rolname = 'yorvik_house') then
        create role yorvik_house nologin;
      end if;
    exception
      -- another database of the same server was quicker
      when duplicate_object or unique_violation then null;
    end
    $$`)
  await db.query(`
    do $$
    begin
      if not pg_has_role(current_user, 'yorvik_house', 'member') then
        execute format('grant yorvik_house to %I', current_user);
      end if;
    end
    $$`)
}

/** Keeps every table with rows of houses behind the wall between them, those of the newest step too. */
export async function putUpWalls(db: Queryable): Promise<void> {
  const { is } = await db.one<{ is: boolean }>(`select to_regprocedure('put_up_walls()') is not null as is`)
  if (is) await db.query('select put_up_walls()')
}
