import { describe, expect, it } from 'vitest'
import { followVerdicts, type FollowedKnife } from '../../../synthetic/verdictHouse'
import { thicknessLimitMm } from '../../knife/limits'
import { DAY_MS } from '../../time'
import { steelAhead } from '../forecast/steelAhead'

/** Three months of a house that does what it is told, held against how often the trade does it (common practice). */
const DAYS = 90
const MONTH_DAYS = 30
const LUCKS = [0.75, 0.87, 1, 1.15, 1.35]

interface Rhythm {
  readonly honedShare: number
  readonly daysBetweenStones: number
  readonly checkedShare: number
  readonly changedShare: number
}

function rhythmOf(knife: Omit<FollowedKnife, 'days' | 'seed' | 'wears'>): Rhythm {
  const runs = LUCKS.map((wears, at) => followVerdicts({ ...knife, days: DAYS, wears, seed: 10 + at }))
  const sum = (of: (run: (typeof runs)[number]) => number | undefined): number =>
    runs.reduce((total, run) => total + (of(run) ?? 0), 0)
  const services = sum((run) => run.services)
  const stones = sum(({ done }) => (done.stone ?? 0) + (done['touch-up'] ?? 0))
  return {
    honedShare: sum(({ done }) => done.hone) / services,
    daysBetweenStones: (DAYS * LUCKS.length) / Math.max(1, stones),
    checkedShare: sum(({ done }) => done.check) / services,
    changedShare:
      sum((run) => run.checksThatChanged) /
      Math.max(
        1,
        sum(({ done }) => done.check),
      ),
  }
}

const heavyChef = { type: 'chef', board: 'soft-plastic', product: 'mixed', hoursPerService: 2 } as const

describe('how often a kitchen does what, when it follows the verdicts', () => {
  // Hone every time the knife is drawn; chef’s knife to the stone weekly to fortnightly, sooner in heavy use; butcher after the job; bread knives hardly ever (common practice).
  it.each([
    ['chef’s, heavy use', heavyChef, 0.75, 4, 14],
    [
      'chef’s, light use',
      { ...heavyChef, board: 'edge-grain', product: 'vegetables', hoursPerService: 1 },
      0.75,
      7,
      21,
    ],
    ['slicer on fish', { type: 'slicer', board: 'rubber', product: 'fish', hoursPerService: 1 }, 0.6, 3, 14],
    ['petty', { type: 'petty', board: 'soft-plastic', product: 'vegetables', hoursPerService: 1 }, 0.75, 7, 28],
    [
      'boning, after the job',
      { type: 'boning-stiff', board: 'soft-plastic', product: 'meat-on-bone', hoursPerService: 2 },
      0.6,
      1,
      6,
    ],
    ['bread', { type: 'bread', board: 'edge-grain', product: 'bread', hoursPerService: 0.7 }, 0, 45, Infinity],
  ] as const)('%s', (_name, knife, leastHoned, mostOften, leastOften) => {
    const { honedShare, daysBetweenStones } = rhythmOf(knife)
    expect(honedShare).toBeGreaterThanOrEqual(leastHoned)
    expect(daysBetweenStones).toBeGreaterThanOrEqual(mostOften)
    expect(daysBetweenStones).toBeLessThanOrEqual(leastOften)
  })

  // Thinning once or twice a year for a knife that is sharpened often (common practice); touching up spares it.
  it('thins a chef’s knife in heavy use once or twice a year where it only meets whole sessions, later where it is touched up', () => {
    const months = (touchesUp: boolean): number => {
      const { state, blade } = followVerdicts({ ...heavyChef, touchesUp, days: DAYS, wears: 1, seed: 3 })
      const thickestMm = Math.min(thicknessLimitMm('chef'), blade.measures.bteNewMm * 1.5)
      const { thinningDue } = steelAhead(state, blade.spec, blade.geometry, thickestMm)
      return ((thinningDue?.middleMs ?? NaN) - state.atMs) / DAY_MS / MONTH_DAYS
    }
    expect(months(false)).toBeGreaterThan(4)
    expect(months(false)).toBeLessThan(18)
    expect(months(true)).toBeGreaterThan(2 * months(false))
  })

  it('asks for a check in fewer than a tenth of services, and most of them change what is done', () => {
    for (const knife of [heavyChef, { ...heavyChef, touchesUp: false }]) {
      const { checkedShare, changedShare } = rhythmOf(knife)
      expect(checkedShare).toBeGreaterThan(0)
      expect(checkedShare).toBeLessThan(0.1)
      expect(changedShare).toBeGreaterThanOrEqual(2 / 3)
    }
  })

  // Model: a 62 HRC blade stropped before every service for 90 days is asked to the stone at least once.
  it('sends even a hard blade that is stropped before every service to the stone', () => {
    const { done } = followVerdicts({ ...heavyChef, days: DAYS, wears: 1, seed: 5, steelEn: '1.1545', hrc: 62 })
    expect((done.stone ?? 0) + (done['touch-up'] ?? 0)).toBeGreaterThanOrEqual(1)
    expect(done.hone).toBeGreaterThan(100)
  })
})
