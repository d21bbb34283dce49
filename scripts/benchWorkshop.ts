import { areaOf, grind, section, type Section, type SectionBlade } from '../core/geometry/section'
import { wearBudget } from '../core/workshop/budget'
import { planWorkshop } from '../core/workshop/plan'

const BLADE: SectionBlade = {
  heelHeightMm: 45,
  spineMm: 2.2,
  bteMm: 0.42,
  dpsLeft: 17,
  dpsRight: 17,
  grind: 'convex',
  ratioRight: 50,
}
const STONES = [63, 40, 30, 11.5, 4, 2].map((micron) => ({ id: String(micron), micron }))
const POINTS = 400
const STAGES = 12
const RUNS = 200

/** The same faces with so many points on them. */
function finely({ outline }: Section, points: number): Section {
  const each = Math.ceil(points / outline.length)
  return {
    outline: outline.flatMap((point, at) => {
      const next = outline[(at + 1) % outline.length] ?? point
      return Array.from({ length: each }, (_, step) => ({
        x: point.x + (step / each) * (next.x - point.x),
        y: point.y + (step / each) * (next.y - point.y),
      }))
    }),
  }
}

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0
function timed(work: () => void): number {
  const spent = Array.from({ length: RUNS }, () => {
    const began = performance.now()
    work()
    return performance.now() - began
  })
  return median(spent)
}

/** Time of a plan while an angle is dragged, and of a whole life. */
export function benchWorkshop(note: (what: string, measured: string, limit?: string) => void): void {
  const fine = finely(section(BLADE), POINTS)
  const stages = timed(() => {
    let one = fine
    for (let stage = 0; stage < STAGES; stage++) {
      for (const side of ['left', 'right'] as const)
        one = grind(one, {
          side,
          dps: 2 + 0.4 * stage,
          through: { x: (side === 'right' ? 1 : -1) * (0.2 - 0.002 * stage), y: 0.5 },
        })
      areaOf(one)
    }
  })
  note(
    `${STAGES} stages ground into a section of ${fine.outline.length} points, median`,
    `${stages.toFixed(2)} ms`,
    '16 ms',
  )
  note(
    'A full convex planned with its stones, median',
    `${timed(() => {
      planWorkshop({
        blade: BLADE,
        type: 'chef',
        operation: { kind: 'full-convex', targetBteMm: 0.3 },
        lengthMm: 240,
        hrc: 58,
        stones: STONES,
        finishMicron: 4,
      })
    }).toFixed(2)} ms`,
    '16 ms',
  )
  const life = {
    heelHeightMm: 45,
    minimumHeightMm: 36,
    lengthMm: 240,
    lengthPerHeight: 1.5,
    spineMm: 2.2,
    bteMm: 0.35,
    dps: 17,
    thickestMm: 0.45,
    thinToMm: 0.32,
    perSessionMm: { low: 0.02, middle: 0.03, high: 0.05 },
    sessionsPerYear: 40,
    price: 80,
  }
  note(
    `A life of ${wearBudget(life).sessions} sessions with its band, median`,
    `${timed(() => {
      wearBudget(life)
    }).toFixed(2)} ms`,
    '100 ms',
  )
}
