import type { KnifeView, RecommendationView } from '../contract/knives'
import type { Formats } from './format'
import type { Say, SayValues } from './say'

/** A next action in a cook's words: what to do, and why. */
export interface VerdictWords {
  readonly what: string
  readonly why: string
}

type ReasonView = RecommendationView['reasons'][number]
type WriteValue = (value: number | string, say: Say, formats: Formats) => string

const WRITE: Readonly<Record<string, WriteValue>> = {
  zone: (value, say) =>
    String(value)
      .split(' ')
      .map((zone) => say(`zone.${zone}`))
      .join(', '),
  forceGf: (value, _, formats) => formats.force(Number(value)),
  limitGf: (value, _, formats) => formats.force(Number(value)),
  lowGf: (value) => String(value),
  highGf: (value, _, formats) => formats.force(Number(value)),
  depthMm: (value, _, formats) => formats.thickness(Number(value)),
  bteMm: (value, _, formats) => formats.thickness(Number(value)),
  newMm: (value, _, formats) => formats.thickness(Number(value)),
  limitMm: (value, _, formats) => formats.thickness(Number(value)),
  heightMm: (value, _, formats) => formats.length(Number(value)),
  minimumMm: (value, _, formats) => formats.length(Number(value)),
  sign: (value, say) => say(`ladder.${value}`),
  tool: (value, say) => say(`tool.${value}`),
  dps: (value, _, formats) => formats.angle(Number(value)),
  neededDps: (value, _, formats) => formats.angle(Math.round(Number(value))),
}

/** Why, as a sentence. */
export function reasonSentence(reason: ReasonView, say: Say, formats: Formats): string {
  const values: SayValues = Object.fromEntries(
    Object.entries(reason.values).map(([name, value]) => [name, WRITE[name]?.(value, say, formats) ?? value]),
  )
  return say(`reason.${reason.code}`, values)
}

type Sides = Pick<KnifeView, 'dpsLeft' | 'dpsRight'>
/** Sides nearer to each other than this are one angle, degrees. */
const ONE_ANGLE_DPS = 0.5

/** The angle of a knife's edge: one where both sides have it, each side's own where they differ, never the mean. */
export const edgeAngle = ({ dpsLeft, dpsRight }: Sides, say: Say, formats: Formats): string =>
  Math.abs(dpsLeft - dpsRight) < ONE_ANGLE_DPS
    ? formats.angle((dpsLeft + dpsRight) / 2)
    : say('verdict.angles', { left: formats.angle(dpsLeft), right: formats.angle(dpsRight) })

/** Work that is done on stones, where the edge has no teeth. */
const ON_STONES: ReadonlySet<string> = new Set(['stone', 'touch-up'])

/** The action itself, with tool, count, angle and minutes as far as it has them. */
export function recommendationSentence(
  step: RecommendationView,
  say: Say,
  formats: Formats,
  knife: Pick<KnifeView, 'worstZone'> & Sides,
): string {
  const isOnStones = step.startStone !== null || step.startGrit !== null
  return say(isOnStones || !ON_STONES.has(step.action) ? `action.${step.action}` : 'action.teeth', {
    zone: say(`zone.${knife.worstZone}`),
    strokes: step.cost.strokesPerSide,
    angle: edgeAngle(knife, say, formats),
    grit: step.startStone ?? (step.startGrit === null ? '' : formats.grit(step.startGrit)),
    tool: step.tool === null ? '' : say(`tool.${step.tool}`),
    minutes: formats.minutes(step.cost.minutes),
  })
}

/** What a knife needs and why, for lists and headlines alike. */
export function verdictWords(knife: KnifeView, say: Say, formats: Formats): VerdictWords {
  if (knife.status === 'quarantined') {
    return {
      what: say('verdict.quarantined'),
      why: say('verdict.since', { reason: knife.statusReason ?? '', day: formats.shortDay(knife.statusSince) }),
    }
  }
  if (knife.status === 'practice') return { what: say('verdict.practice'), why: knife.statusReason ?? '' }
  if (knife.status === 'missing') {
    return {
      what: say('verdict.missing'),
      why: [say('verdict.missedSince', { day: formats.shortDay(knife.statusSince) }), knife.statusReason ?? '']
        .filter((part) => part !== '')
        .join(' '),
    }
  }
  if (knife.status === 'away')
    return {
      what: say('verdict.away', { name: knife.statusReason ?? '' }),
      why: say('verdict.awaySince', { day: formats.shortDay(knife.statusSince) }),
    }
  if (knife.status === 'counted') return { what: say('verdict.counted'), why: '' }
  if (knife.status === 'retired') return { what: say('verdict.retired'), why: knife.statusReason ?? '' }
  const { verdict } = knife
  const isHone = verdict.action === 'hone'
  const what =
    isHone && verdict.tool === 'strop'
      ? say('action.strop', { strokes: verdict.cost.strokesPerSide, angle: edgeAngle(knife, say, formats) })
      : recommendationSentence(verdict, say, formats, knife)
  const reasons = verdict.reasons.map((reason) => reasonSentence(reason, say, formats)).filter((text) => text !== '')
  return { what, why: [...reasons, byEdgeWords(knife, say, formats)].filter(Boolean).join(' ') }
}

/** What the edge alone would ask for, where a rule of the house has something else done; or nothing. */
export function byEdgeWords(knife: KnifeView, say: Say, formats: Formats): string {
  const { byCondition } = knife.verdict
  return byCondition ? say('verdict.byEdge', { step: recommendationSentence(byCondition, say, formats, knife) }) : ''
}

/** The instead-of: the runner-up as a sentence, or nothing. */
export function runnerUpWords(knife: KnifeView, say: Say, formats: Formats): string {
  const { runnerUp } = knife.verdict
  return runnerUp ? say('verdict.otherwise', { step: recommendationSentence(runnerUp, say, formats, knife) }) : ''
}

/** When a zone will be past its limit if nothing but honing happens. */
export function dullAheadWords(knife: KnifeView, say: Say, formats: Formats, now: string): string {
  const { dullAhead } = knife
  // of an edge nobody has looked at nothing is foretold as a fact
  if (!dullAhead || !knife.seen) return ''
  const today = formats.dayKey(dullAhead.startsAt) === formats.dayKey(now)
  return say(today ? 'verdict.dullToday' : 'verdict.dullBy', {
    zone: say(`zone.${dullAhead.zone}`),
    day: formats.weekday(dullAhead.startsAt),
    date: formats.shortDay(dullAhead.startsAt),
    service: dullAhead.serviceName,
  })
}

/** Below this a risk is not worth a word. */
const TOLD_FROM = 0.1

/** The risk that a knife which is fit now ends the next service dull. */
export function riskWords(knife: KnifeView, say: Say): string {
  const [next] = knife.servicesAhead
  if (!knife.seen || !next || knife.word === 'dull' || knife.word === 'out' || next.chanceDull < TOLD_FROM) return ''
  return say('verdict.dullRisk', { percent: Math.round(100 * next.chanceDull), service: next.serviceName })
}

/** When and by whom a knife is to be sharpened by the plan the house goes by, or nothing. */
export function plannedSentence(
  session: { readonly personId: string; readonly startsAt: string } | undefined,
  now: string,
  person: (id: string) => string,
  say: Say,
  formats: Formats,
): string {
  if (!session) return ''
  const today = formats.dayKey(session.startsAt) === formats.dayKey(now)
  return say(today ? 'verdict.plannedToday' : 'verdict.planned', {
    day: formats.weekday(session.startsAt),
    time: formats.clock(session.startsAt),
    name: person(session.personId),
  })
}
