import { v4 as newId } from 'uuid'
import type { BenchPlace, Crew, PersonDays, PersonShifts, SpecialDay } from '../../../contract/week'
import type { Wire } from '../../../contract/wire'
import { overlappingShifts } from '../../../core/house/rota'
import { startOfDay } from '../../../core/house/serviceClock'
import type { Skill } from '../../../core/house/skills'
import { DAY_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import { changeHouse, type HouseChange } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { findPerson, listPeople } from '../../db/queries/house/people'
import {
  deleteSpecialDay,
  listSkills,
  listSpecialDays,
  replaceShiftDays,
  replaceShifts,
  replaceSkills,
  saveBench,
  saveSpecialDay,
} from '../../db/queries/week/crew'
import type { WriteValues } from '../../db/violations'
import { Fault, notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { houseOccurrences, loadHouseContext, specialDays } from '../log/usageContext'
import { loadCrew } from './crewAhead'
import { assertNotOwn } from './signOffs'

/** Day of the house an instant falls on, YYYY-MM-DD. */
export const dayOf = (at: Date, zone: string): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(at)

/** Who is in the house when, and what each may do. */
export async function crewOf(db: Database, clock: Clock, caller: Caller): Promise<Crew> {
  const crew = await loadCrew(db, caller.house.id, dayOf(clock(), caller.house.zone))
  return {
    shifts: crew.shifts,
    days: crew.days,
    skills: crew.skills,
    benches: crew.benches,
    special: await listSpecialDays(db, caller.house.id),
    paces: [...crew.paces].map(([personId, pace]) => ({ personId, ...pace })),
  }
}

/** One change of the crew; the crew as it is then. */
async function changeCrew(
  db: Database,
  clock: Clock,
  caller: Caller,
  work: (change: HouseChange) => Promise<void>,
  values: WriteValues = {},
): Promise<Crew> {
  await changeHouse(db, caller.house.id, work, values)
  return await crewOf(db, clock, caller)
}

async function assertPerson(db: Queryable, caller: Caller, personId: string): Promise<string> {
  const person = await findPerson(db, caller.house.id, personId)
  if (!person) throw notFound('person')
  return person.name
}

/** @throws Fault `shifts-overlap` when two of the shifts want the same person at the same time */
export async function setShifts(
  db: Database,
  clock: Clock,
  caller: Caller,
  personId: string,
  shifts: Wire<typeof PersonShifts>,
): Promise<Crew> {
  return await changeCrew(db, clock, caller, async (change) => {
    const name = await assertPerson(change, caller, personId)
    const clash = overlappingShifts(shifts)
    if (clash)
      throw new Fault('conflict', 'shifts-overlap', {
        name,
        weekday: clash[0].weekday,
        first: `${clash[0].starts}–${clash[0].ends}`,
        second: `${clash[1].starts}–${clash[1].ends}`,
      })
    await replaceShifts(
      change,
      caller.house.id,
      personId,
      shifts.map((shift) => ({ ...shift, id: newId(), personId })),
    )
  })
}

/** Puts single days of a person in the pattern's place; days named without times are days off, `days` without entries go back to the pattern. */
export async function setShiftDays(
  db: Database,
  clock: Clock,
  caller: Caller,
  personId: string,
  input: { readonly days: readonly string[]; readonly entries: Wire<typeof PersonDays> },
): Promise<Crew> {
  return await changeCrew(db, clock, caller, async (change) => {
    const name = await assertPerson(change, caller, personId)
    const byDay = new Map<string, { weekday: number; starts: string; ends: string }[]>()
    for (const { day, starts, ends } of input.entries) {
      if (starts !== null && ends !== null) byDay.set(day, [...(byDay.get(day) ?? []), { weekday: 1, starts, ends }])
    }
    for (const [day, own] of byDay) {
      const clash = overlappingShifts(own)
      if (clash) throw new Fault('conflict', 'day-shifts-overlap', { name, day })
    }
    const days = [...new Set([...input.days, ...input.entries.map(({ day }) => day)])]
    await replaceShiftDays(
      change,
      caller.house.id,
      personId,
      days,
      input.entries.map((entry) => ({ ...entry, id: newId(), personId })),
    )
  })
}

/**
 * Leaves a person alone with just these skills, by whoever says so, now; skills that were there keep their date.
 *
 * @throws Fault `signs-self` for a skill of one's own that another manager could sign off
 */
export async function setSkills(
  db: Database,
  clock: Clock,
  caller: Caller,
  personId: string,
  skills: readonly Skill[],
): Promise<Crew> {
  return await changeCrew(db, clock, caller, async (change) => {
    await assertPerson(change, caller, personId)
    const had = new Set(
      (await listSkills(change, caller.house.id)).filter((one) => one.personId === personId).map((one) => one.skill),
    )
    if (skills.some((skill) => !had.has(skill)))
      assertNotOwn(caller, personId, await listPeople(change, caller.house.id))
    await replaceSkills(change, caller.house.id, personId, [...new Set(skills)], caller.person.id, clock())
  })
}

/** @throws Fault when another bench has the name */
export async function setBench(db: Database, clock: Clock, caller: Caller, bench: BenchPlace): Promise<Crew> {
  return await changeCrew(db, clock, caller, (change) => saveBench(change, caller.house.id, bench), {
    name: bench.name,
  })
}

/**
 * Makes a day unlike its weekday, or, with null, like it again. Services that have begun happened: wear is
 * reckoned from them, and they cannot be planned away.
 *
 * @throws Fault `day-passed` when that would change a service that has begun
 */
export async function setSpecialDay(
  db: Database,
  clock: Clock,
  caller: Caller,
  day: string,
  special: SpecialDay | null,
): Promise<Crew> {
  const endless = special?.spans.find((span) => span.starts === span.ends)
  if (endless) throw new Fault('invalid', 'span-empty', { name: endless.name })
  return await changeCrew(db, clock, caller, async (change) => {
    const now = clock().getTime()
    const begun = async (): Promise<string> => {
      const context = {
        ...(await loadHouseContext(change, caller.house)),
        special: await specialDays(change, caller.house.id),
      }
      const from = startOfDay(Date.parse(`${day}T12:00:00Z`), caller.house.zone)
      return JSON.stringify(
        houseOccurrences(context, 'service', from, Math.min(now, from + 2 * DAY_MS)).map(({ startMs, endMs }) => [
          startMs,
          endMs,
        ]),
      )
    }
    const before = await begun()
    if (special) await saveSpecialDay(change, caller.house.id, special)
    else await deleteSpecialDay(change, caller.house.id, day)
    if ((await begun()) !== before) throw new Fault('conflict', 'day-passed')
  })
}
