import type { Person } from '../../../contract/house'
import type { SignedOn, SignOff } from '../../../contract/signOff'
import { JUDGED_FROM_HOURS, JUDGED_UNTIL_HOURS, OFF_STONE_HOURS } from '../../../core/edge/log/judgeHand'
import { hoursOfService } from '../../../core/edge/log/usage'
import { evidenceOf, missingFor, proposalFor, type DoneSession } from '../../../core/hands/signOff'
import { hasRight } from '../../../core/house/rights'
import { SKILLS, worksAlone, type Skill, type SkillLevel } from '../../../core/house/skills'
import { TYPE_TEMPLATES } from '../../../core/knife/knifeTypes'
import { DAY_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { listDoneSessions, type SessionDone } from '../../db/queries/bench/doneSessions'
import { listKnives } from '../../db/queries/fleet/knives'
import { listStates } from '../../db/queries/fleet/states'
import { listPeople } from '../../db/queries/house/people'
import { listLevels, saveLevel, type StoredLevel } from '../../db/queries/week/crew'
import { Fault, notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { loadPractice } from '../bench/drills'
import { loadHouseContext, usageContext } from '../log/usageContext'

/** Sessions longer ago say nothing of a hand today. */
const REMEMBERED_MS = 400 * DAY_MS

/** Turns finished sessions into what their edges showed: off the stone, and after the hours at which a sharpening is judged. */
async function judgeSessions(
  db: Queryable,
  caller: Caller,
  sessions: readonly SessionDone[],
  now: Date,
): Promise<Map<SessionDone, DoneSession>> {
  const houseId = caller.house.id
  const context = usageContext(
    await loadHouseContext(db, caller.house),
    now.getTime() - REMEMBERED_MS,
    now.getTime() + DAY_MS,
  )
  const states = await listStates(db, houseId)
  const knives = new Map((await listKnives(db, houseId)).map((knife) => [knife.id, knife]))
  const judge = (session: SessionDone): DoneSession => {
    const endedAtMs = session.endedAt.getTime()
    const periods = context.stations.get(states.get(session.knifeId)?.stationId ?? '') ?? []
    const dullest = (fromHours: number, untilHours: number): number | null => {
      const forces = session.checks
        .filter(({ at }) => {
          const hours = hoursOfService(periods, context.services, endedAtMs, Date.parse(at))
          return hours >= fromHours && hours <= untilHours
        })
        .flatMap(({ readings }) => readings)
        .map(({ forcesGf }) => forcesGf.reduce((sum, force) => sum + force, 0) / Math.max(1, forcesGf.length))
      return forces.length === 0 ? null : Math.max(...forces)
    }
    const knife = knives.get(session.knifeId)
    return {
      endedAtMs,
      beside: session.beside,
      freshGf: dullest(0, OFF_STONE_HOURS),
      usedGf: dullest(JUDGED_FROM_HOURS, JUDGED_UNTIL_HOURS),
      limitGf: knife ? caller.house.serviceLimits[TYPE_TEMPLATES[knife.type].role] : Infinity,
    }
  }
  return new Map(sessions.map((session) => [session, judge(session)]))
}

const mayManage = ({ person }: Caller): boolean => hasRight(person.role, 'manage-house')

/** What can be said of some people at every skill, from what they did, practised and went through. */
async function standingOf(
  db: Queryable,
  caller: Caller,
  personIds: readonly string[],
  levels: readonly StoredLevel[],
  now: Date,
): Promise<SignOff[]> {
  const houseId = caller.house.id
  const sessions = await listDoneSessions(db, houseId, new Date(now.getTime() - REMEMBERED_MS))
  const judged = await judgeSessions(db, caller, sessions, now)
  const found: SignOff[] = []
  for (const personId of personIds) {
    const { drills, lessons } = await loadPractice(db, houseId, personId, now.getTime())
    const steadyDrills = drills.filter(({ verdict }) => verdict.advice === 'steady').length
    for (const skill of SKILLS) {
      const own = sessions
        .filter((one) => one.personId === personId && one.skill === skill)
        .flatMap((one) => judged.get(one) ?? [])
      const evidence = evidenceOf(own)
      const here: SignedOn = {
        ...evidence,
        drills: drills.length,
        steadyDrills,
        lessons: lessons.length,
        missing: missingFor(skill, evidence),
      }
      const said = levels.find((one) => one.personId === personId && one.skill === skill)
      found.push({
        personId,
        skill,
        level: said?.level ?? null,
        signedBy: said?.signedBy ?? null,
        signedAt: said?.signedAt ?? null,
        signedOn: said?.evidence ?? null,
        now: here,
        proposal: said
          ? proposalFor({ skill, level: said.level, signedAtMs: Date.parse(said.signedAt) }, own, now.getTime())
          : null,
      })
    }
  }
  return found
}

/** How far people have come: everybody for the chef, themselves for all others. */
export async function signOffs(db: Queryable, clock: Clock, caller: Caller): Promise<SignOff[]> {
  const people = (await listPeople(db, caller.house.id)).filter(({ active }) => active)
  const levels = await listLevels(db, caller.house.id)
  const ids = mayManage(caller) ? people.map(({ id }) => id) : [caller.person.id]
  return await standingOf(db, caller, ids, levels, clock())
}

/** Whoever teaches a skill may say so much of others; the rest is the chef's. */
const TEACHERS_WORD: readonly (SkillLevel | null)[] = ['shown', 'supervised']

/**
 * Says how far somebody has come with a skill, and keeps what it was said on. Nobody says so of themself, unless nobody
 * else in the house could.
 *
 * @throws Fault `signs-self`; `not-allowed` for whoever neither manages the house nor teaches the skill, and for a
 * teacher who goes further than beside, or back from alone
 */
export async function signOff(
  db: Database,
  clock: Clock,
  caller: Caller,
  { id: personId, skill }: { readonly id: string; readonly skill: Skill },
  level: SkillLevel | null,
): Promise<SignOff[]> {
  const houseId = caller.house.id
  const now = clock()
  await changeHouse(db, houseId, async (change) => {
    const people = (await listPeople(change, houseId)).filter(({ active }) => active)
    if (!people.some(({ id }) => id === personId)) throw notFound('person')
    const levels = await listLevels(change, houseId)
    const levelOf = (id: string): SkillLevel | null =>
      levels.find((one) => one.personId === id && one.skill === skill)?.level ?? null
    assertNotOwn(caller, personId, people)
    if (!mayManage(caller)) {
      const had = levelOf(personId)
      const teaches = levelOf(caller.person.id) === 'teaches'
      if (!teaches || !TEACHERS_WORD.includes(level) || (had !== null && worksAlone(had)))
        throw new Fault('not-allowed', 'not-teacher', { skill })
    }
    const standing = await standingOf(change, caller, [personId], levels, now)
    const evidence = standing.find((one) => one.skill === skill)?.now
    await saveLevel(
      change,
      houseId,
      { personId, skill },
      level === null || !evidence ? null : { level, signedBy: caller.person.id, at: now, evidence },
    )
  })
  return await signOffs(db, clock, caller)
}

/** @throws Fault `signs-self` where another manager could say it */
export function assertNotOwn(
  caller: Caller,
  personId: string,
  people: readonly Pick<Person, 'id' | 'name' | 'role' | 'active'>[],
): void {
  const other = people.find(
    ({ id, role, active }) => active && id !== caller.person.id && hasRight(role, 'manage-house'),
  )
  if (personId === caller.person.id && (other || !mayManage(caller)))
    throw new Fault('not-allowed', 'signs-self', { name: other?.name ?? '' })
}
