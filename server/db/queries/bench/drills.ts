import { NewDrill } from '../../../../contract/practice'
import type { LessonId } from '../../../../core/course/lessons'
import type { Queryable } from '../../database'

/** A person's practice is read as a whole: some a week, over some years. */
const DRILLS_READ = 500

/** A drill as its row keeps it: hand and angle beside it, what was told as one document. */
function asRow(drill: NewDrill): { hand: string | null; wantedDps: number | null; told: unknown } {
  switch (drill.kind) {
    case 'hold':
      return { hand: drill.hand, wantedDps: drill.wantedDps, told: drill.strokes }
    case 'press':
      return { hand: drill.hand, wantedDps: null, told: drill.strokes }
    case 'burr':
    case 'read':
      return { hand: null, wantedDps: null, told: drill.edges }
    case 'dry': {
      const { perMinute, silentStrokes, tappedMs } = drill
      return { hand: drill.hand, wantedDps: null, told: { perMinute, silentStrokes, tappedMs } }
    }
  }
}

/** Keeps a drill. @returns false where one of that id was kept before */
export async function insertDrill(db: Queryable, houseId: string, personId: string, drill: NewDrill): Promise<boolean> {
  const { hand, wantedDps, told } = asRow(drill)
  const { rowCount } = await db.query(
    `insert into drills (house_id, id, person_id, at, kind, hand, wanted_dps, told)
     values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict (house_id, id) do nothing`,
    [houseId, drill.id, personId, drill.at, drill.kind, hand, wantedDps, JSON.stringify(told)],
  )
  return rowCount === 1
}

/** The latest drills of a person, oldest first. */
export async function listDrills(db: Queryable, houseId: string, personId: string): Promise<NewDrill[]> {
  const { rows } = await db.query<{
    id: string
    at: Date
    kind: NewDrill['kind']
    hand: string | null
    wanted_dps: number | null
    told: object
  }>(
    `select id, at, kind, hand, wanted_dps, told
     from drills
     where house_id = $1 and person_id = $2
     order by at desc, id desc
     limit $3`,
    [houseId, personId, DRILLS_READ],
  )
  return rows
    .map(({ id, at, kind, hand, wanted_dps: wantedDps, told }) =>
      NewDrill.parse({ id, at: at.toISOString(), kind, hand, wantedDps, strokes: told, edges: told, ...told }),
    )
    .reverse()
}

/** @returns false when there is no such drill of this person */
export async function deleteDrill(db: Queryable, houseId: string, personId: string, drillId: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from drills where house_id = $1 and person_id = $2 and id = $3', [
    houseId,
    personId,
    drillId,
  ])
  return rowCount === 1
}

export interface DoneLesson {
  readonly lesson: LessonId
  readonly at: string
}

export async function saveLesson(
  db: Queryable,
  houseId: string,
  personId: string,
  lesson: LessonId,
  at: Date,
): Promise<void> {
  await db.query(
    `insert into lessons_done (house_id, person_id, lesson, at)
     values ($1, $2, $3, $4)
     on conflict (house_id, person_id, lesson) do nothing`,
    [houseId, personId, lesson, at],
  )
}

/** Lessons somebody has gone through, in the order in which they did. */
export async function listLessons(db: Queryable, houseId: string, personId: string): Promise<DoneLesson[]> {
  const { rows } = await db.query<{ lesson: LessonId; at: Date }>(
    'select lesson, at from lessons_done where house_id = $1 and person_id = $2 order by at, lesson',
    [houseId, personId],
  )
  return rows.map(({ lesson, at }) => ({ lesson, at: at.toISOString() }))
}

/** What somebody practised and learned goes when they leave. */
export async function deletePracticeOf(db: Queryable, houseId: string, personId: string): Promise<void> {
  await db.query('delete from drills where house_id = $1 and person_id = $2', [houseId, personId])
  await db.query('delete from lessons_done where house_id = $1 and person_id = $2', [houseId, personId])
}
