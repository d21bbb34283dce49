import { MINUTE_MS } from '../time'
import { readyMs } from './filling'
import type { Builder } from './placingColumns'
import type { PlanProblem, PlanStone, PlanWindow } from './problem'

/** Time on something that serves one at a time, minutes from the opening of the window. */
export interface Task {
  readonly column: number
  readonly jobId: string
  readonly minutes: number
  /** not before */
  readonly ready: number
  /** done by */
  readonly due: number
}

/** When a stone can be touched first: somebody has sat down, and it has been under water. */
export const soonestMinute = ({ sitting }: PlanProblem, window: PlanWindow, stone: PlanStone): number =>
  Math.max(sitting.beforeMinutes, (readyMs(window, stone) - window.startMs) / MINUTE_MS)

/** What a task cannot help spending between two moments, however it is put. */
export const leastWithin = (
  { minutes, ready, due }: Omit<Task, 'column' | 'jobId'>,
  from: number,
  to: number,
): number => Math.max(0, Math.min(minutes, to - from, ready + minutes - from, to - (due - minutes)))

/** Stretches worth looking at: whole, and from or to where later and earlier ones begin and end. */
const SHARES = [0, 1 / 3, 2 / 3] as const

const quantiles = (values: readonly number[], shares: readonly number[]): number[] => {
  const sorted = [...values].sort((a, b) => a - b)
  return [...new Set(shares.map((share) => sorted[Math.round(share * (sorted.length - 1))] ?? 0))]
}

/**
 * Rows that hold in every order: between any two moments no more can be done on one thing than there is time, and each
 * task spends there at least what its soonest and latest leave no choice about (energetic reasoning, Erschler and Lopez 1990).
 */
export function energyRows(name: string, tasks: readonly Task[], builder: Builder): void {
  const froms = quantiles(
    tasks.map(({ ready }) => ready),
    SHARES,
  )
  const tos = quantiles(
    tasks.map(({ due }) => due),
    SHARES.map((share) => 1 - share),
  )
  for (const from of froms) {
    for (const to of tos) {
      if (to <= from) continue
      const entries = tasks.map((task) => [task.column, leastWithin(task, from, to)] as const)
      const most = new Map<string, number>()
      for (const task of tasks) most.set(task.jobId, Math.max(most.get(task.jobId) ?? 0, leastWithin(task, from, to)))
      const all = [...most.values()].reduce((sum, one) => sum + one, 0)
      // a row that all of them together cannot break says nothing
      if (all > to - from)
        builder.row(
          `energy_${name}_${from.toFixed(2)}_${to.toFixed(2)}`,
          to - from,
          entries.filter(([, least]) => least > 0),
        )
    }
  }
}
