import { MINUTE_MS } from '../time'
import type { Place } from './benchPlaces'
import { energyRows, soonestMinute, type Task } from './energyRows'
import type { Builder, Chosen, Entry, SittingChoice } from './placingColumns'
import { sittingMinutes, type JobRoute, type PlanProblem, type PlanStone, type PlanWindow } from './problem'

export interface WindowAsk {
  readonly problem: PlanProblem
  readonly window: PlanWindow
  /** sessions that could be in the window */
  readonly here: readonly Chosen[]
  readonly places: readonly Place[]
  readonly builder: Builder
}

const stageMinutes = (route: JobRoute, stoneId: string): number =>
  route.stages.reduce((sum, stage) => (stage.stoneId === stoneId ? sum + stage.minutes : sum), 0)

/** Stones that are flattened for every knife: that belongs to the session. */
const isFlatEachTime = ({ flattenMinutes, knivesBetween }: PlanStone): boolean =>
  flattenMinutes > 0 && knivesBetween <= 1

/** What one window has: benches, hands and what each sitting takes of them, stones, the plate, and knives that must stay. */
export function windowRows(ask: WindowAsk): void {
  const { problem, window, here, builder } = ask
  const flattened = new Map(
    here.map((one) => [
      one.column,
      problem.stones.reduce(
        (sum, stone) =>
          isFlatEachTime(stone) && stageMinutes(one.route, stone.id) > 0 ? sum + stone.flattenMinutes : sum,
        0,
      ),
    ]),
  )
  const wholeOf = ({ column, minutes }: Chosen): number => minutes + (flattened.get(column) ?? 0)
  const flattenings = stoneRows(ask)
  const around = sittingMinutes(problem.sitting)
  const lengthMinutes = (window.endMs - window.startMs) / MINUTE_MS
  const inHands = new Map<string, Entry[]>()
  for (const { benchIds } of ask.places) {
    const [name = ''] = benchIds
    const own = here.filter((one) => one.benchIds[0] === name)
    if (own.length === 0) continue
    const load: Entry[] = [...own.map((one) => [one.column, wholeOf(one)] as const)]
    const sittings: SittingChoice[] = []
    for (const [key, sessions] of bySitting(own)) {
      const personId = sessions[0]?.personId ?? ''
      const flattening = flattenings.get(key) ?? []
      load.push(...flattening)
      const sitting = builder.column({
        name: `z${builder.columns.length}`,
        cost: problem.weights.labour * around,
        upper: 1,
        integer: true,
      })
      load.push([sitting, around])
      const present = sessions[0]?.present
      sittings.push({
        column: sitting,
        personId,
        minutes: present ? (present.toMs - present.fromMs) / MINUTE_MS - around : 0,
        around,
        sessions: sessions.map((one) => ({ column: one.column, minutes: wholeOf(one) })),
      })
      inHands.set(personId, [
        ...(inHands.get(personId) ?? []),
        [sitting, around],
        ...flattening,
        ...sessions.map((one) => [one.column, wholeOf(one)] as const),
      ])
      for (const one of sessions)
        builder.row(`sits_${window.id}_${name}_${one.column}`, 0, [
          [one.column, 1],
          [sitting, -1],
        ])
    }
    builder.benchTimes.push({ windowId: window.id, benchIds, minutes: lengthMinutes, sittings })
    builder.row(`bench_${window.id}_${name}`, benchIds.length * lengthMinutes, load)
  }
  for (const [personId, load] of inHands) {
    const present = problem.people.find(({ id }) => id === personId)?.present[window.id]
    if (present) builder.row(`hands_${window.id}_${personId}`, (present.toMs - present.fromMs) / MINUTE_MS, load)
  }
  if (!window.overlapsService) return
  for (const group of new Set(here.map(({ job }) => job.group))) {
    const own = here.filter(({ job }) => job.group === group)
    builder.row(
      `away_${window.id}_${group}`,
      Math.min(...own.map(({ job }) => job.mayBeAway)),
      own.map(({ column }) => [column, 1] as const),
    )
  }
}

/** Time on each stone and on the plate; what flattening takes of each sitting. */
function stoneRows({ problem, window, here, builder }: WindowAsk): Map<string, Entry[]> {
  const onPlate: Entry[] = []
  const flattenings = new Map<string, Entry[]>()
  const lastMs = Math.max(...here.map(({ present }) => present.toMs))
  const latestMinute = (lastMs - window.startMs) / MINUTE_MS - problem.sitting.afterMinutes
  for (const stone of problem.stones) {
    const tasks = here.flatMap((one) => stoneTask(problem, window, one, stone))
    if (tasks.length === 0) continue
    const users = here.filter(({ route }) => stageMinutes(route, stone.id) > 0)
    const own: Entry[] = []
    if (isFlatEachTime(stone)) {
      own.push(...users.map(({ column }) => [column, stone.flattenMinutes] as const))
    } else if (stone.flattenMinutes > 0) {
      // flattened by whoever comes to it, in that sitting
      const times = [...bySitting(users)].map(([sitting, sessions]) => {
        const column = builder.column({
          name: `f${builder.columns.length}`,
          cost: 0,
          upper: sessions.length,
          integer: true,
        })
        flattenings.set(sitting, [...(flattenings.get(sitting) ?? []), [column, stone.flattenMinutes]])
        builder.row(`own_${window.id}_${stone.id}_${sitting}`, 0, [
          [column, 1],
          ...sessions.map((one) => [one.column, -1] as const),
        ])
        return column
      })
      own.push(...times.map((column) => [column, stone.flattenMinutes] as const))
      builder.row(`flat_${window.id}_${stone.id}`, 0, [
        ...users.map(({ column }) => [column, 1] as const),
        ...times.map((column) => [column, -stone.knivesBetween] as const),
      ])
      for (const [jobId, columns] of columnsByJob(users))
        builder.row(`first_${window.id}_${stone.id}_${jobId}`, 0, [
          ...columns,
          ...times.map((column) => [column, -1] as const),
        ])
    }
    onPlate.push(...own)
    const lastUse = Math.max(...tasks.map(({ due }) => due))
    builder.row(`stone_${window.id}_${stone.id}`, lastUse - soonestMinute(problem, window, stone), [
      ...tasks.map(({ column, minutes }) => [column, minutes] as const),
      ...own,
    ])
    energyRows(`${window.id}_${stone.id}`, tasks, builder)
  }
  const shortest = Math.min(...here.map(({ minutes }) => minutes))
  builder.row(`plate_${window.id}`, latestMinute - shortest - problem.sitting.beforeMinutes, onPlate)
  return flattenings
}

/** One session's time on one stone, between the soonest and the latest that the rest of the session leaves it. */
function stoneTask(problem: PlanProblem, window: PlanWindow, one: Chosen, stone: PlanStone): Task[] {
  const { route, pace, present } = one
  const first = route.stages.findIndex(({ stoneId }) => stoneId === stone.id)
  const last = route.stages.findLastIndex(({ stoneId }) => stoneId === stone.id)
  if (first < 0) return []
  const sum = (from: number, to: number): number =>
    route.stages.slice(from, to).reduce((all, { minutes }) => all + minutes, 0)
  const fromMinute = (present.fromMs - window.startMs) / MINUTE_MS + problem.sitting.beforeMinutes
  const toMinute = (present.toMs - window.startMs) / MINUTE_MS - problem.sitting.afterMinutes
  const ready = soonestMinute(problem, window, stone)
  return [
    {
      column: one.column,
      jobId: one.jobId,
      minutes: pace * stageMinutes(route, stone.id),
      ready: Math.max(ready, fromMinute + pace * (route.openingMinutes + sum(0, first))),
      due: toMinute - pace * (route.closingMinutes + sum(last + 1, route.stages.length)),
    },
  ]
}

function columnsByJob(chosen: readonly Chosen[]): Map<string, Entry[]> {
  const found = new Map<string, Entry[]>()
  for (const { jobId, column } of chosen) found.set(jobId, [...(found.get(jobId) ?? []), [column, 1]])
  return found
}

/** Sessions by who would do them where. */
function bySitting(chosen: readonly Chosen[]): Map<string, Chosen[]> {
  const found = new Map<string, Chosen[]>()
  for (const one of chosen) {
    const key = `${one.benchIds[0] ?? ''}/${one.personId}`
    found.set(key, [...(found.get(key) ?? []), one])
  }
  return found
}
