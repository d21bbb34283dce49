import type { SignedOn } from '../../../../contract/signOff'
import type { BenchPlace, PersonSkill, Shift, ShiftDay, SpecialDay } from '../../../../contract/week'
import { ALONE_LEVELS, worksAlone, type SkillLevel } from '../../../../core/house/skills'
import type { Queryable } from '../../database'

const CLOCK = (column: string): string => `to_char(${column}, 'HH24:MI') as ${column}`

export async function listShifts(db: Queryable, houseId: string): Promise<Shift[]> {
  const { rows } = await db.query<Shift>(
    `select id, person_id as "personId", weekday, ${CLOCK('starts')}, ${CLOCK('ends')}
     from shifts
     where house_id = $1
     order by weekday, starts, id`,
    [houseId],
  )
  return rows
}

export async function replaceShifts(
  db: Queryable,
  houseId: string,
  personId: string,
  shifts: readonly Shift[],
): Promise<void> {
  await db.query('delete from shifts where house_id = $1 and person_id = $2', [houseId, personId])
  await db.query(
    `insert into shifts (house_id, id, person_id, weekday, starts, ends)
     select $1, shift.id, $2, shift.weekday, shift.starts, shift.ends
     from jsonb_to_recordset($3::jsonb) as shift (id uuid, weekday smallint, starts time, ends time)`,
    [houseId, personId, JSON.stringify(shifts)],
  )
}

/** Single days from one day on. */
export async function listShiftDays(db: Queryable, houseId: string, from: string): Promise<ShiftDay[]> {
  const { rows } = await db.query<ShiftDay>(
    `select id, person_id as "personId", to_char(day, 'YYYY-MM-DD') as day, ${CLOCK('starts')}, ${CLOCK('ends')}, note
     from shift_days
     where house_id = $1 and day >= $2
     order by day, starts, id`,
    [houseId, from],
  )
  return rows
}

/** Replaces what a person does on the days named; other days stay. */
export async function replaceShiftDays(
  db: Queryable,
  houseId: string,
  personId: string,
  days: readonly string[],
  entries: readonly ShiftDay[],
): Promise<void> {
  await db.query('delete from shift_days where house_id = $1 and person_id = $2 and day = any($3::date[])', [
    houseId,
    personId,
    days,
  ])
  await db.query(
    `insert into shift_days (house_id, id, person_id, day, starts, ends, note)
     select $1, entry.id, $2, entry.day, entry.starts, entry.ends, entry.note
     from jsonb_to_recordset($3::jsonb) as entry (id uuid, day date, starts time, ends time, note text)`,
    [houseId, personId, JSON.stringify(entries)],
  )
}

/** Skills that people may be left alone with. */
export async function listSkills(db: Queryable, houseId: string): Promise<PersonSkill[]> {
  return (await listLevels(db, houseId))
    .filter(({ level }) => worksAlone(level))
    .map(({ evidence: _, ...skill }) => skill)
}

/** A level as it is stored, with what it was said on. */
export type StoredLevel = PersonSkill & { readonly evidence: SignedOn | null }

export async function listLevels(db: Queryable, houseId: string): Promise<StoredLevel[]> {
  const { rows } = await db.query<Omit<StoredLevel, 'signedAt'> & { signed_at: Date }>(
    `select person_id as "personId", skill, level, signed_by as "signedBy", signed_at, evidence
     from person_skills
     where house_id = $1
     order by person_id, skill`,
    [houseId],
  )
  return rows.map(({ signed_at, ...skill }) => ({ ...skill, signedAt: signed_at.toISOString() }))
}

/** Says how far a person has come with a skill, or, with null, nothing any more. */
export async function saveLevel(
  db: Queryable,
  houseId: string,
  { personId, skill }: Pick<StoredLevel, 'personId' | 'skill'>,
  said: {
    readonly level: SkillLevel
    readonly signedBy: string
    readonly at: Date
    readonly evidence: SignedOn
  } | null,
): Promise<void> {
  if (said === null) {
    await db.query('delete from person_skills where house_id = $1 and person_id = $2 and skill = $3', [
      houseId,
      personId,
      skill,
    ])
    return
  }
  await db.query(
    `insert into person_skills (house_id, person_id, skill, level, signed_by, signed_at, evidence)
     values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (house_id, person_id, skill) do update
     set level = excluded.level, signed_by = excluded.signed_by, signed_at = excluded.signed_at, evidence = excluded.evidence`,
    [houseId, personId, skill, said.level, said.signedBy, said.at, JSON.stringify(said.evidence)],
  )
}

/** Leaves a person alone with just these skills, keeping who signed those they had; what they only learn is kept. */
export async function replaceSkills(
  db: Queryable,
  houseId: string,
  personId: string,
  skills: readonly string[],
  signedBy: string | null,
  at: Date,
): Promise<void> {
  await db.query(
    'delete from person_skills where house_id = $1 and person_id = $2 and not skill = any($3) and level = any($4)',
    [houseId, personId, skills, ALONE_LEVELS],
  )
  await db.query(
    `insert into person_skills (house_id, person_id, skill, signed_by, signed_at)
     select $1, $2, skill, $4, $5
     from unnest($3::text[]) as skill
     on conflict (house_id, person_id, skill) do update
     set level = excluded.level, signed_by = excluded.signed_by, signed_at = excluded.signed_at, evidence = null
     where not person_skills.level = any($6)`,
    [houseId, personId, skills, signedBy, at, ALONE_LEVELS],
  )
}

export async function listBenches(db: Queryable, houseId: string): Promise<BenchPlace[]> {
  const { rows } = await db.query<BenchPlace>(
    'select id, name, active from benches where house_id = $1 order by lower(name)',
    [houseId],
  )
  return rows
}

export async function saveBench(db: Queryable, houseId: string, bench: BenchPlace): Promise<void> {
  await db.query(
    `insert into benches (house_id, id, name, active)
     values ($1, $2, $3, $4)
     on conflict (house_id, id) do update set name = excluded.name, active = excluded.active`,
    [houseId, bench.id, bench.name, bench.active],
  )
}

export async function listSpecialDays(db: Queryable, houseId: string): Promise<SpecialDay[]> {
  const { rows } = await db.query<SpecialDay>(
    `select to_char(special.day, 'YYYY-MM-DD') as day, special.name,
            coalesce(
              jsonb_agg(jsonb_build_object(
                'kind', span.kind, 'name', span.name, 'starts', to_char(span.starts, 'HH24:MI'), 'ends', to_char(span.ends, 'HH24:MI')
              ) order by span.starts) filter (where span.id is not null),
              '[]'
            ) as spans
     from special_days special
     left join special_spans span on span.house_id = special.house_id and span.day = special.day
     where special.house_id = $1
     group by special.day, special.name
     order by special.day`,
    [houseId],
  )
  return rows
}

export async function saveSpecialDay(db: Queryable, houseId: string, special: SpecialDay): Promise<void> {
  await deleteSpecialDay(db, houseId, special.day)
  await db.query('insert into special_days (house_id, day, name) values ($1, $2, $3)', [
    houseId,
    special.day,
    special.name,
  ])
  await db.query(
    `insert into special_spans (house_id, id, day, kind, name, starts, ends)
     select $1, gen_random_uuid(), $2, span.kind, span.name, span.starts, span.ends
     from jsonb_to_recordset($3::jsonb) as span (kind text, name text, starts time, ends time)`,
    [houseId, special.day, JSON.stringify(special.spans)],
  )
}

export async function deleteSpecialDay(db: Queryable, houseId: string, day: string): Promise<void> {
  await db.query('delete from special_days where house_id = $1 and day = $2', [houseId, day])
}
