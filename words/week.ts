import type { Comparison } from '../core/plan/baselines'
import type { PlanChange } from '../core/plan/changes'
import type { TotalsChange } from '../core/plan/costOfChoice'
import type { PlanReason } from '../core/plan/explain'
import type { Placement, PlanProblem } from '../core/plan/problem'
import type { Formats } from './format'
import type { Say, SayValues } from './say'

/** Names behind the ids of a plan. */
export interface PlanNames {
  readonly knife: (id: string) => string
  readonly person: (id: string) => string
  readonly problem: PlanProblem
}

const instant = (ms: number): string => new Date(ms).toISOString()

/** A window as people call it: Thursday afternoon. */
export function windowName(problem: PlanProblem, windowId: string, say: Say, formats: Formats): string {
  const window = problem.windows.find(({ id }) => id === windowId)
  // a window that is gone still says its moment in its name
  const startMs = window?.startMs ?? Number(windowId.split('@')[1] ?? 0)
  return say('week.windowName', {
    day: formats.weekday(instant(startMs)),
    name: window?.name ?? formats.clock(instant(startMs)),
  })
}

const limitName = (limit: string, id: string, names: PlanNames, say: Say): string => {
  const { problem } = names
  if (limit === 'person') return names.person(id)
  if (limit === 'bench') return problem.benches.find((bench) => bench.id === id)?.name ?? ''
  if (limit === 'stone') return problem.stones.find((stone) => stone.id === id)?.name ?? ''
  return say(`week.limit.${limit}`)
}

/** Why a job is where it is, or what stopped it and what would free it. */
export function planReasonWords(reason: PlanReason, names: PlanNames, say: Say, formats: Formats): string {
  const { code, values } = reason
  const told: SayValues = {
    ...values,
    ...('minutes' in values ? { minutes: formats.minutes(Number(values['minutes'])) } : {}),
    ...('hours' in values ? { hours: formats.hours(Number(values['hours'])) } : {}),
    ...('longest' in values ? { longest: formats.minutes(Number(values['longest'])) } : {}),
    ...('skill' in values ? { skill: say(`skill.${values['skill'] ?? ''}`) } : {}),
    ...('personId' in values ? { person: names.person(String(values['personId'])) } : {}),
    ...('atMs' in values ? { day: formats.weekday(instant(Number(values['atMs']))) } : {}),
    ...('kind' in values ? { kind: say(`week.kind.${values['kind'] ?? ''}`) } : {}),
    ...('windowId' in values ? { window: windowName(names.problem, String(values['windowId']), say, formats) } : {}),
    ...('limit' in values ? { what: limitName(String(values['limit']), String(values['id']), names, say) } : {}),
  }
  if (code === 'no-room') return say(`week.noRoom.${values['limit'] ?? 'window'}`, told)
  const somebody = (code === 'no-skill' || code === 'no-hands-then') && 'personId' in values
  return say(`week.reason.${somebody ? `${code}-person` : code}`, told)
}

function placeWords(placement: Placement, names: PlanNames, say: Say, formats: Formats): string {
  return say('week.place', {
    window: windowName(names.problem, placement.windowId, say, formats),
    person: names.person(placement.personId),
    bench: names.problem.benches.find(({ id }) => id === placement.benchId)?.name ?? '',
  })
}

/** One line of what a new plan changes, and why. */
export function changeWords(change: PlanChange, names: PlanNames, say: Say, formats: Formats): string {
  const knife = names.knife(change.jobId)
  const from = change.before ? placeWords(change.before, names, say, formats) : ''
  const to = change.after ? placeWords(change.after, names, say, formats) : ''
  const why = say(`week.why.${change.why}`, {
    person: names.person(change.before?.personId ?? ''),
    window: change.before ? windowName(names.problem, change.before.windowId, say, formats) : '',
  })
  return say(change.before === null ? 'week.added' : change.after === null ? 'week.dropped' : 'week.moved', {
    knife,
    from,
    to,
    why,
  })
}

/** What fell away under a plan: people gone, windows gone, knives that no longer want it or newly do. */
export function movedWords(
  moved: { readonly gone: readonly string[]; readonly fresh: readonly string[] },
  names: PlanNames,
  say: Say,
  formats: Formats,
): string[] {
  const told = (list: readonly string[], way: 'gone' | 'fresh'): string[] =>
    list.flatMap((one) => {
      const [kind = '', id = '', where = ''] = one.split(' ')
      const key = `week.${way}.${kind}`
      const sentence = say(key, {
        knife: names.knife(id),
        person: names.person(id),
        window: windowName(names.problem, kind === 'there' ? where : id, say, formats),
        skill: say(`skill.${where}`),
      })
      return sentence === key ? [] : [sentence]
    })
  return [...new Set([...told(moved.gone, 'gone'), ...told(moved.fresh, 'fresh')])]
}

/** Less than that is not worth a word: hours, minutes, µm. */
const TOLD = { dullHours: 0.05, minutes: 0.5, wastedUm: 1 } as const

/** What a choice by hand means, part by part: hours of dull service, minutes at the bench, steel; empty where it means nothing. */
export function totalsChangeWords(change: TotalsChange, say: Say, formats: Formats): string {
  const part = (of: keyof TotalsChange, write: (amount: number) => string): string[] =>
    Math.abs(change[of]) < TOLD[of]
      ? []
      : [say(`week.${change[of] > 0 ? 'more' : 'less'}.${of}`, { amount: write(Math.abs(change[of])) })]
  return formats.list([
    ...part('dullHours', formats.hours),
    ...part('minutes', formats.minutes),
    ...part('wastedUm', (um) => say('week.microns', { n: Math.round(um) })),
  ])
}

/** The plan against what kitchens do now, in one sentence. */
export function comparisonWords(comparison: Comparison, weeks: number, say: Say, formats: Formats): string {
  const { plan, everyWeeks, worstFirst } = comparison
  return say('week.compared', {
    hours: formats.hours(plan.dullHours),
    minutes: formats.minutes(plan.minutes),
    everyHours: formats.hours(everyWeeks.dullHours),
    everyMinutes: formats.minutes(everyWeeks.minutes),
    weeks,
    worstHours: formats.hours(worstFirst.dullHours),
    worstMinutes: formats.minutes(worstFirst.minutes),
  })
}
