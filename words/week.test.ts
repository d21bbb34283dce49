import { describe, expect, it } from 'vitest'
import { EVEN_WEIGHTS, type PlanProblem } from '../core/plan/problem'
import { formats } from './format'
import { speaker } from './say'
import { changeWords, comparisonWords, movedWords, planReasonWords, windowName, type PlanNames } from './week'

const say = speaker()
const format = formats('en-GB', 'Europe/Dublin', 'mm')
const startMs = Date.parse('2026-11-26T15:00:00Z')
const WINDOW = `span@${startMs}`
const problem: PlanProblem = {
  windows: [
    { id: WINDOW, name: 'afternoon', startMs, endMs: startMs + 7_200_000, soakFromMs: startMs, overlapsService: false },
  ],
  people: [],
  benches: [{ id: 'b', name: 'Window bench' }],
  stones: [{ id: 's', name: 'Middle 1000', micron: 11.5, soakMinutes: 20, flattenMinutes: 4, knivesBetween: 3 }],
  jobs: [],
  weights: EVEN_WEIGHTS,
  sitting: { beforeMinutes: 0, afterMinutes: 0 },
  locks: [],
}
const names: PlanNames = { problem, knife: () => 'CH-07', person: () => 'Teun Aalders' }
const reason = (
  code: Parameters<typeof planReasonWords>[0]['code'],
  values: Record<string, number | string> = {},
): string => planReasonWords({ code, values }, names, say, format)

describe('a plan in sentences', () => {
  it('names windows by day and name, also one that is gone', () => {
    expect(windowName(problem, WINDOW, say, format)).toBe('Thursday afternoon')
    expect(windowName(problem, `gone@${startMs}`, say, format)).toBe('Thursday 15:00')
  })

  it('says why, what stopped it, and what would free it', () => {
    expect(reason('before-dull', { service: 'dinner', atMs: startMs })).toBe(
      'Before it is likely dull: dinner on Thursday.',
    )
    expect(reason('no-skill', { skill: 'thinning' })).toBe(
      'Nobody is signed off for thinning. Sign somebody off in Crew, or send it out.',
    )
    expect(reason('no-skill', { skill: 'thinning', personId: 't' })).toBe(
      'Teun Aalders is not signed off for thinning.',
    )
    expect(reason('too-long', { minutes: 40, longest: 30 })).toBe(
      'It takes 40 min; the longest stay at a bench is 30 min. A longer window would free it.',
    )
    expect(reason('no-room', { limit: 'stone', id: 's', windowId: WINDOW, minutes: 7 })).toBe(
      'Middle 1000 is in use on Thursday afternoon: 7 min more would do, or a second one.',
    )
    expect(reason('no-room', { limit: 'person', id: 't', windowId: WINDOW, minutes: 7 })).toBe(
      'Teun Aalders is busy on Thursday afternoon: 7 min more would do, or other hands.',
    )
    expect(reason('no-room', { limit: 'bench', id: 'b', windowId: WINDOW, minutes: 7 })).toContain(
      'Window bench is full on Thursday afternoon',
    )
  })

  it('leaves no placeholder in any reason', () => {
    for (const code of [
      'locked',
      'already-dull',
      'stands',
      'same-hands',
      'only-hands',
      'saves',
      'no-hands-then',
      'no-window',
      'not-yet',
      'send-out',
      'no-stones',
    ] as const) {
      const told = reason(code, {
        service: 'lunch',
        atMs: startMs,
        kind: 'thin',
        skill: 'full',
        personId: 't',
        minutes: 3,
        percent: 12,
      })
      expect(told).not.toMatch(/[{}]|week\./)
    }
    for (const limit of ['window', 'plate', 'away'])
      expect(reason('no-room', { limit, id: 'x', windowId: WINDOW, minutes: 3 })).not.toMatch(/[{}]|week\./)
  })

  it('lists what changes, and what fell away under a plan', () => {
    const placement = { jobId: 'k', windowId: WINDOW, benchId: 'b', personId: 't' }
    expect(
      changeWords({ jobId: 'k', before: placement, after: null, why: 'no-longer-wanted' }, names, say, format),
    ).toBe(
      'CH-07: off the plan, was Thursday afternoon, Teun Aalders, Window bench. It does not need the bench any more.',
    )
    expect(changeWords({ jobId: 'k', before: null, after: placement, why: 'new-work' }, names, say, format)).toMatch(
      /^CH-07: new, Thursday afternoon/,
    )
    expect(
      movedWords(
        { gone: [`there t ${WINDOW}`, 'stone s', `there t ${WINDOW}`], fresh: ['job k stone'] },
        names,
        say,
        format,
      ),
    ).toEqual(['Teun Aalders is not there on Thursday afternoon.', 'A stone is gone.', 'CH-07 needs the bench now.'])
  })

  it('sets the plan against custom in one sentence', () => {
    const totals = (
      dullHours: number,
      minutes: number,
    ): {
      dullHours: number
      minutes: number
      wastedUm: number
      otherHands: number
      unfairMinutes: number
      sittings: number
    } => ({ dullHours, minutes, wastedUm: 0, otherHands: 0, unfairMinutes: 0, sittings: 0 })
    expect(
      comparisonWords(
        { plan: totals(4, 300), everyWeeks: totals(20, 280), worstFirst: totals(9, 310), none: totals(60, 0) },
        2,
        say,
        format,
      ),
    ).toBe(
      'This plan leaves 4 h of dull service for 300 min at the bench; everything every 2 weeks leaves 20 h for 280 min, worst first 9 h for 310 min.',
    )
  })
})
