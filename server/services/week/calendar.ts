import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator'
import type { PlannedSession } from '../../../contract/week'
import { USUAL_SITTING, type Placement } from '../../../core/plan/problem'
import { writtenSittings } from '../../../core/plan/sittings'
import { policyFor } from '../../../core/policy/policy'
import { DAY_MS, MINUTE_MS } from '../../../core/time'
import { speaker, type Say } from '../../../words/say'
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
import { plansSince, type KeptPlan } from '../../db/queries/week/plans'
import { notFound } from '../../faults'
import { newToken, readToken } from '../../signIn/secrets'
import { assertMay, type Caller } from '../../signIn/sessions'
import { loadFleetSnapshot, type FleetSnapshot } from '../fleet/fleet'
import { nextStep, presentKnife } from '../fleet/knifeView'
import { standingSessions } from '../fleet/standingSessions'
import { feedOf, wholeMinute, type FeedItem } from './calendarFeed'

/** Honing and checks stand in a calendar this long before their service, minutes (assumed). */
const ROUND_MINUTES = 15

/** One's own calendar, or anybody's for who manages the house. */
export function assertOwnOrManager(caller: Caller, personId: string | undefined): string {
  if (!personId) throw notFound('person')
  if (personId !== caller.person.id) assertMay(caller, 'manage-house')
  return personId
}

/** Older plans have nothing to say of days to come. */
const LOOK_BACK_MS = 30 * DAY_MS

/** What a calendar says of knives and benches. */
interface Known {
  readonly codes: ReadonlyMap<string, string>
  readonly benches: ReadonlyMap<string, string>
  /** knives that are checked before anything is ground */
  readonly checkFirst: ReadonlySet<string>
  /** knives that are honed each time they are drawn, by a rule of the house */
  readonly drawn: ReadonlySet<string>
}

/** What one plan puts into the calendar of a person. */
function itemsOf(
  plan: Pick<KeptPlan, 'sessions' | 'rounds'>,
  personId: string,
  known: Known,
  houseId: string,
  say: Say,
): FeedItem[] {
  const codesOf = (ids: readonly string[]): string =>
    ids
      .map((id) => known.codes.get(id) ?? '')
      .filter(Boolean)
      .sort()
      .join(', ')
  const line = (key: 'hone' | 'again' | 'check' | 'checkFirst' | 'after', ids: readonly string[]): string[] =>
    ids.length > 0 ? [say(`calendar.${key}`, { codes: codesOf(ids) })] : []
  const own = plan.sessions.filter((session) => session.personId === personId)
  const sittings = writtenSittings(own, USUAL_SITTING).map((sitting): FeedItem => ({
    uid: sittingUid(sitting, houseId),
    startMs: wholeMinute(sitting.startMs),
    endMs: wholeMinute(sitting.endMs),
    summary: say('calendar.sitting', {
      n: sitting.sessions.length,
      codes: sitting.sessions.map(({ knifeId }) => known.codes.get(knifeId) ?? '').join(', '),
    }),
    location: known.benches.get(sitting.benchId) ?? '',
    description: [
      say('calendar.sittingHint'),
      ...line(
        'checkFirst',
        sitting.sessions.map(({ knifeId }) => knifeId).filter((id) => known.checkFirst.has(id)),
      ),
    ].join('\n'),
  }))
  const rounds = plan.rounds
    .filter((round) => round.personId === personId)
    .map((round): FeedItem => {
      const endMs = wholeMinute(Date.parse(round.startsAt))
      return {
        uid: `round-${personId}-${Date.parse(round.startsAt)}@${houseId}`,
        startMs: endMs - ROUND_MINUTES * MINUTE_MS,
        endMs,
        summary: say(round.check.length > 0 ? 'calendar.roundWithCheck' : 'calendar.round', {
          service: round.service,
          hone: round.hone.length,
          check: round.check.length,
        }),
        location: '',
        description: [
          ...line('hone', round.hone),
          ...line(
            'again',
            round.hone.filter((id) => known.drawn.has(id)),
          ),
          ...line('check', round.check),
          // plans that were kept before there were rules have none
          ...line('after', round.after ?? []),
        ].join('\n'),
      }
    })
  return [...sittings, ...rounds]
}

/** What has to be known of a person's knives for their calendar. */
function knownOf(
  snapshot: FleetSnapshot,
  standing: readonly PlannedSession[],
  benches: readonly { readonly id: string; readonly name: string }[],
): Known {
  const own = new Set(standing.map(({ knifeId }) => knifeId))
  const stored = snapshot.knives.flatMap((knife) => {
    const state = snapshot.states.get(knife.id)
    return state ? [{ knife, state }] : []
  })
  return {
    codes: new Map(snapshot.knives.map(({ id, code }) => [id, code])),
    benches: new Map(benches.map(({ id, name }) => [id, name])),
    checkFirst: new Set(
      stored
        .filter(({ knife }) => own.has(knife.id))
        .filter(
          ({ knife, state }) =>
            nextStep(presentKnife(knife, state, snapshot, 'until-dull'), snapshot.nowMs).action === 'check',
        )
        .map(({ knife }) => knife.id),
    ),
    drawn: new Set(
      stored
        .filter(
          ({ knife: { type }, state }) =>
            policyFor(snapshot.house.policies, { type, stationId: state.stationId, holderId: state.holderId })
              .honing === 'when-drawn',
        )
        .map(({ knife }) => knife.id),
    ),
  }
}
/** A sitting is the same one as long as it is in the same window, at the same bench, in the same hands. */
const sittingUid = ({ windowId, benchId, personId }: Omit<Placement, 'jobId'>, houseId: string): string =>
  `sitting-${windowId}-${benchId}-${personId}@${houseId}`

/** What a person still has to do of the accepted plan, and what was called off, as iCalendar (RFC 5545), times in UTC. */
export async function calendarOf(db: Database, clock: Clock, house: StoredHouse, personId: string): Promise<string> {
  const person = await findPerson(db, house.id, personId)
  if (!person) throw notFound('person')
  const spoken = person.language ?? house.language
  const say = speaker(spoken)
  const nowMs = clock().getTime()
  const plans = await plansSince(db, house.id, new Date(nowMs - LOOK_BACK_MS))
  const plan = plans.at(-1) ?? null
  const snapshot = await loadFleetSnapshot(db, house, clock())
  const left = await standingSessions(db, plan, snapshot)
  const standing = new Set(left.map((one) => sittingUid(one, house.id)))
  const known = knownOf(
    snapshot,
    left.filter((one) => one.personId === personId),
    await listBenches(db, house.id),
  )
  const calendar = ical({
    name: say('calendar.name', { name: person.name, house: house.name }),
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Yorvik', product: 'Week', language: spoken.toUpperCase() },
    ttl: 60 * 60,
  })
  const entries = feedOf(
    plans.map((one) => ({
      version: one.version,
      acceptedMs: Date.parse(one.acceptedAt),
      items: itemsOf(one, personId, known, house.id, say),
    })),
    (uid) => uid.startsWith('round-') || standing.has(uid),
    nowMs,
  )
  for (const entry of entries)
    calendar.createEvent({
      id: entry.uid,
      stamp: new Date(entry.stampMs),
      sequence: entry.sequence,
      start: new Date(entry.startMs),
      end: new Date(entry.endMs),
      summary: entry.summary,
      location: entry.location,
      description: entry.description,
      ...(entry.cancelled ? { status: ICalEventStatus.CANCELLED } : {}),
    })
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
export async function calendarAt(db: Database, clock: Clock, text: string): Promise<string> {
  const token = readToken(text)
  const personId = token && (await personOfCalendar(db, token.houseId, token.hash))
  const house = token && (await findHouse(db, token.houseId))
  if (!personId || !house) throw notFound('calendar')
  return await calendarOf(db, clock, house, personId)
}
