import type { Drill, NewDrill, Practice } from '../../../contract/practice'
import { drillVerdict } from '../../../core/course/drillVerdict'
import { LESSONS, type LessonId } from '../../../core/course/lessons'
import { nextPractice, type PastDrill } from '../../../core/course/nextPractice'
import { slippedAt } from '../../../core/hands/holdScore'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { deleteDrill, insertDrill, listDrills, listLessons, saveLesson } from '../../db/queries/bench/drills'
import { findPerson } from '../../db/queries/house/people'
import { Fault, notFound } from '../../faults'
import { assertMay, type Caller } from '../../signIn/sessions'
import { CLOCK_SLACK_MS } from '../log/recordEvents'

const judged = (drill: NewDrill): Drill => ({ drill, verdict: drillVerdict(drill) })

const asPast = ({ drill, verdict }: Drill): PastDrill => ({
  kind: drill.kind,
  hand: 'hand' in drill ? drill.hand : null,
  atMs: Date.parse(drill.at),
  steady: verdict.advice === 'steady',
  progress: verdict.progress,
})

/**
 * Keeps a drill of whoever sends it, once. What an instrument told after it slipped says nothing of a hand.
 *
 * @throws Fault `slipped` with the stroke, and for a drill that has yet to come
 */
export async function recordDrill(db: Database, clock: Clock, caller: Caller, drill: NewDrill): Promise<Drill> {
  if (Date.parse(drill.at) > clock().getTime() + CLOCK_SLACK_MS)
    throw new Fault('invalid', 'future-event', { at: drill.at })
  const slipped = drill.kind === 'hold' ? slippedAt(drill.strokes) : null
  if (slipped !== null) throw new Fault('invalid', 'slipped', { stroke: slipped + 1 })
  const verdict = judged(drill)
  const houseId = caller.house.id
  await changeHouse(db, houseId, async (change) => {
    await insertDrill(change, houseId, caller.person.id, drill)
    change.nothingNew()
  })
  return verdict
}

/** Drills and lessons of somebody, for whoever may see them already. */
export async function loadPractice(db: Queryable, houseId: string, personId: string, nowMs: number): Promise<Practice> {
  const drills = (await listDrills(db, houseId, personId)).map(judged)
  const lessons = await listLessons(db, houseId, personId)
  const done = lessons.map(({ lesson }) => lesson)
  return { drills, lessons, next: nextPractice(done, drills.map(asPast), nowMs) }
}

/** What somebody practised and learned. @throws Fault for anybody else's, unless the caller manages the house */
export async function practiceOf(db: Database, clock: Clock, caller: Caller, personId: string): Promise<Practice> {
  if (personId !== caller.person.id) assertMay(caller, 'manage-house')
  if (!(await findPerson(db, caller.house.id, personId))) throw notFound('person')
  return await loadPractice(db, caller.house.id, personId, clock().getTime())
}

/** @throws Fault when there is no such drill of the caller's own */
export async function takeBackDrill(db: Database, caller: Caller, drillId: string): Promise<Record<string, never>> {
  await changeHouse(db, caller.house.id, async (change) => {
    if (!(await deleteDrill(change, caller.house.id, caller.person.id, drillId))) throw notFound('drill')
    change.nothingNew()
  })
  return {}
}

/** Ends a lesson by its question. A wrong answer changes nothing and may be followed by another. */
export async function answerLesson(
  db: Database,
  clock: Clock,
  caller: Caller,
  lesson: LessonId,
  answer: number,
): Promise<{ right: boolean }> {
  if (answer !== LESSONS[lesson].answer) return { right: false }
  await changeHouse(db, caller.house.id, async (change) => {
    await saveLesson(change, caller.house.id, caller.person.id, lesson, clock())
    change.nothingNew()
  })
  return { right: true }
}
