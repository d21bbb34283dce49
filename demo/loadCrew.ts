import { startOfDay } from '../core/house/serviceClock'
import { DAY_MS } from '../core/time'
import type { Queryable } from '../server/db/database'
import { insertWalks } from '../server/db/queries/house/walks'
import { replaceShiftDays, replaceShifts, replaceSkills, saveSpecialDay } from '../server/db/queries/week/crew'
import { BANQUET, DAYS_OFF, SHIFTS, SKILLS_OF } from './crew'
import { HOUSE_ZONE, PEOPLE, WALKS } from './house'
import { id, personId, SAMPLE_HOUSE_ID, WEEKS } from './ids'
import type { OwnWord } from './words'

/** What the chef saw on walks through the kitchen. */
export async function loadWalks(db: Queryable, nowMs: number): Promise<void> {
  const walks = WALKS.flatMap(({ daysAgo, inOrder, not }) =>
    [...inOrder.map((name) => ({ name, inOrder: true })), ...not.map((name) => ({ name, inOrder: false }))].map(
      (seen) => ({
        id: id('walk', daysAgo, seen.name),
        personId: personId(seen.name),
        at: new Date(nowMs - daysAgo * DAY_MS).toISOString(),
        inOrder: seen.inOrder,
      }),
    ),
  )
  await insertWalks(db, SAMPLE_HOUSE_ID, personId('Maren Voss'), walks)
}

const dayAfter = (nowMs: number, days: number): string =>
  new Date(startOfDay(nowMs, HOUSE_ZONE) + (days + 0.5) * DAY_MS).toISOString().slice(0, 10)

/** Shifts, skills and days unlike others. */
export async function loadCrew(db: Queryable, nowMs: number, own: OwnWord): Promise<void> {
  for (const { name } of PEOPLE) {
    const shifts = (SHIFTS[name] ?? []).flatMap(({ weekdays, starts, ends }) =>
      weekdays.map((weekday) => ({
        id: id('shift', name, weekday, starts),
        personId: personId(name),
        weekday,
        starts,
        ends,
      })),
    )
    await replaceShifts(db, SAMPLE_HOUSE_ID, personId(name), shifts)
    await replaceSkills(
      db,
      SAMPLE_HOUSE_ID,
      personId(name),
      SKILLS_OF[name] ?? ['hone'],
      personId('Maren Voss'),
      new Date(nowMs - 7 * WEEKS * DAY_MS),
    )
  }
  for (const { name, inDays, note } of DAYS_OFF) {
    const day = dayAfter(nowMs, inDays)
    await replaceShiftDays(
      db,
      SAMPLE_HOUSE_ID,
      personId(name),
      [day],
      [{ id: id('day off', name), personId: personId(name), day, starts: null, ends: null, note: own(note) }],
    )
  }
  await saveSpecialDay(db, SAMPLE_HOUSE_ID, {
    day: dayAfter(nowMs, BANQUET.inDays),
    name: own(BANQUET.name),
    spans: BANQUET.spans.map((span) => ({ ...span, name: own(span.name) })),
  })
}
