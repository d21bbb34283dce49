import { NO_DEFECTS } from '../core/edge/model/events'
import { HOUR_MS, MINUTE_MS } from '../core/time'
import type { Story } from './house'
import type { LifeEvent } from './life'
import type { OwnWord } from './words'

const DAY = 24 * HOUR_MS

interface Telling {
  readonly nowMs: number
  readonly holderId: string | null
  readonly chefId: string
  readonly limitGf: number
  readonly own: OwnWord
}

/** How long before now a story's knife is left alone by the ordinary round of checks, ms. */
export const UNTENDED_MS: Readonly<Record<Story, number>> = {
  'past-honing': 12 * DAY,
  'overdue-thinning': 0,
  chip: 2 * DAY,
  quarantine: 3 * DAY,
  'worn-out': 2 * DAY,
  'never-read': 365 * DAY,
  nobody: 20 * DAY,
  retired: 10 * DAY,
  straddles: 4.5 * DAY,
}

/** The last chapter of a planted story. */
export function lastChapter(story: Story, { nowMs, holderId, chefId, limitGf, own }: Telling): LifeEvent[] {
  const at = (before: number): number => nowMs - before
  const check = (before: number, heel: number, belly: number, tip: number): LifeEvent => ({
    kind: 'checked',
    atMs: at(before),
    personId: holderId,
    payload: {
      readings: [
        { zone: 'heel', forcesGf: [heel] },
        { zone: 'belly', forcesGf: [belly] },
        { zone: 'tip', forcesGf: [tip] },
      ],
      ladder: [],
    },
  })
  switch (story) {
    case 'past-honing':
      return [
        {
          kind: 'honed',
          atMs: at(26 * HOUR_MS),
          personId: holderId,
          payload: { tool: 'smooth-steel', strokesPerSide: 10, cameBack: 'not' },
        },
        check(26 * HOUR_MS - 5 * MINUTE_MS, 301, 372, 412),
        check(95 * MINUTE_MS, 312, 381, 418),
      ]
    case 'chip':
      return [
        {
          kind: 'checked',
          atMs: at(20 * HOUR_MS),
          personId: holderId,
          payload: {
            readings: [{ zone: 'belly', forcesGf: [232] }],
            ladder: [],
            defects: { ...NO_DEFECTS, chip: { zone: 'heel', depthMm: 0.4 } },
          },
        },
      ]
    case 'quarantine':
      return [
        {
          kind: 'checked',
          atMs: at(44 * HOUR_MS),
          personId: holderId,
          payload: { readings: [], ladder: [], defects: { ...NO_DEFECTS, tipGone: true } },
        },
        {
          kind: 'quarantined',
          atMs: at(44 * HOUR_MS - 3 * MINUTE_MS),
          personId: holderId,
          payload: { reason: own('Tip gone') },
        },
      ]
    case 'retired':
      return [
        {
          kind: 'retired',
          atMs: at(9 * DAY),
          personId: chefId,
          payload: { reason: own('Too narrow to break a side of beef') },
        },
      ]
    case 'straddles':
      return [check(4 * DAY + 6 * HOUR_MS, limitGf * 0.7, limitGf * 0.86, limitGf * 0.78)]
    case 'overdue-thinning':
      return [{ kind: 'measured', atMs: at(5 * DAY), personId: holderId, payload: { bteMm: 0.52 } }]
    case 'worn-out':
      return [
        {
          kind: 'sharpened',
          atMs: at(27 * HOUR_MS),
          personId: holderId,
          payload: { startGrit: 1000, finishMicron: 4, minutes: 12 },
        },
        check(27 * HOUR_MS - 3 * MINUTE_MS, limitGf * 0.58, limitGf * 0.58, limitGf * 0.6),
        {
          kind: 'measured',
          atMs: at(27 * HOUR_MS - 6 * MINUTE_MS),
          personId: holderId,
          payload: { heelHeightMm: 26.5 },
        },
      ]
    case 'never-read':
    case 'nobody':
      return []
  }
}
