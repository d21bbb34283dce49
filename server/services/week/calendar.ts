import ical, { ICalCalendarMethod } from 'ical-generator'
import { MINUTE_MS } from '../../../core/time'
import type { Say } from '../../../words/say'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { findHouse, type StoredHouse } from '../../db/queries/house/houses'
import { findPerson } from '../../db/queries/house/people'
import {
  insertCalendarLink,
  personOfCalendar,
  revokeCalendarLinks,
  standingCalendarLinks,
} from '../../db/queries/week/calendarLinks'
import { listBenches } from '../../db/queries/week/crew'
import { currentPlan } from '../../db/queries/week/plans'
import { notFound } from '../../faults'
import { newToken, readToken } from '../../signIn/secrets'
import { assertMay, type Caller } from '../../signIn/sessions'
import { loadFleetSnapshot } from '../fleet/fleet'
import { standingSessions } from '../fleet/standingSessions'

/** Honing and checks stand in a calendar this long before their service, minutes (assumed). */
const ROUND_MINUTES = 15

/** One's own calendar, or anybody's for who manages the house. */
export function assertOwnOrManager(caller: Caller, personId: string | undefined): string {
  if (!personId) throw notFound('person')
  if (personId !== caller.person.id) assertMay(caller, 'manage-house')
  return personId
}

/** What a person still has to do of the accepted plan as iCalendar (RFC 5545), times in UTC. */
export async function calendarOf(
  db: Database,
  clock: Clock,
  house: StoredHouse,
  personId: string,
  say: Say,
): Promise<string> {
  const [person, plan] = [await findPerson(db, house.id, personId), await currentPlan(db, house.id)]
  if (!person) throw notFound('person')
  const snapshot = await loadFleetSnapshot(db, house, clock())
  const sessions = (await standingSessions(db, plan, snapshot)).filter((session) => session.personId === personId)
  const codes = new Map(snapshot.knives.map(({ id, code }) => [id, code]))
  const benches = new Map((await listBenches(db, house.id)).map(({ id, name }) => [id, name]))
  const codesOf = (ids: readonly string[]): string =>
    ids
      .map((id) => codes.get(id) ?? '')
      .filter(Boolean)
      .sort()
      .join(', ')
  const calendar = ical({
    name: say('calendar.name', { name: person.name, house: house.name }),
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Yorvik', product: 'Week', language: 'EN' },
    ttl: 60 * 60,
  })
  for (const session of sessions) {
    calendar.createEvent({
      id: `session-${session.jobId}@${house.id}`,
      stamp: new Date(plan?.acceptedAt ?? session.startsAt),
      sequence: plan?.version ?? 0,
      start: new Date(session.startsAt),
      end: new Date(session.endsAt),
      summary: say('calendar.session', { code: codes.get(session.knifeId) ?? '' }),
      location: benches.get(session.benchId) ?? '',
      description: say('calendar.sessionHint'),
    })
  }
  for (const round of plan?.rounds.filter((one) => one.personId === personId) ?? []) {
    const end = new Date(round.startsAt)
    calendar.createEvent({
      id: `round-${personId}-${end.getTime()}@${house.id}`,
      stamp: new Date(plan?.acceptedAt ?? round.startsAt),
      sequence: plan?.version ?? 0,
      start: new Date(end.getTime() - ROUND_MINUTES * MINUTE_MS),
      end,
      summary: say(round.check.length > 0 ? 'calendar.roundWithCheck' : 'calendar.round', {
        service: round.service,
        hone: round.hone.length,
        check: round.check.length,
      }),
      description: [
        say('calendar.hone', { codes: codesOf(round.hone) }),
        ...(round.check.length > 0 ? [say('calendar.check', { codes: codesOf(round.check) })] : []),
      ].join('\n'),
    })
  }
  return calendar.toString()
}

export async function standingLinks(db: Database, caller: Caller, personId: string): Promise<{ standing: number }> {
  return { standing: await standingCalendarLinks(db, caller.house.id, assertOwnOrManager(caller, personId)) }
}

/** Makes a private calendar address. It is shown once; whoever has it reads this person's calendar and nothing else. */
export async function makeLink(
  db: Database,
  clock: Clock,
  caller: Caller,
  personId: string,
): Promise<{ path: string }> {
  const whose = assertOwnOrManager(caller, personId)
  if (!(await findPerson(db, caller.house.id, whose))) throw notFound('person')
  const token = newToken(caller.house.id)
  await changeHouse(db, caller.house.id, async (change) => {
    await revokeCalendarLinks(change, caller.house.id, whose, clock())
    await insertCalendarLink(change, caller.house.id, whose, token.hash)
  })
  return { path: `/api/calendar/${token.text}.ics` }
}

export async function revokeLink(
  db: Database,
  clock: Clock,
  caller: Caller,
  personId: string,
): Promise<{ standing: number }> {
  const whose = assertOwnOrManager(caller, personId)
  await changeHouse(db, caller.house.id, (change) => revokeCalendarLinks(change, caller.house.id, whose, clock()))
  return await standingLinks(db, caller, personId)
}

/** The calendar behind a private address. @throws Fault when the address has ended, or never was */
export async function calendarAt(db: Database, clock: Clock, text: string, say: Say): Promise<string> {
  const token = readToken(text)
  const personId = token && (await personOfCalendar(db, token.houseId, token.hash))
  const house = token && (await findHouse(db, token.houseId))
  if (!personId || !house) throw notFound('calendar')
  return await calendarOf(db, clock, house, personId, say)
}
