import type { BenchOffer, BenchPlan, Recipe } from '../contract/bench'
import { capital, type Formats } from './format'
import type { Say } from './say'

type Step = BenchPlan['steps'][number]

/** Which side of the blade a step is worked on. */
const sideWord = (step: Pick<Step, 'hand' | 'side'>, say: Say): string =>
  step.hand !== null ? say(`bench.${step.hand}`) : step.side === 'alternating' ? say('bench.both') : ''

const values = (
  plan: BenchPlan,
  step: Step,
  stone: string,
  formats: Formats,
  say: Say,
): Record<string, string | number> => ({
  stone,
  side: sideWord(step, say),
  strokes: step.strokes,
  minutes: formats.minutes(Math.max(1, Math.round(step.minutes))),
  rungs: step.rungs.map((rung) => rung.strokes).join(', '),
  newtons: step.newtons ?? plan.stages[step.stage ?? -1]?.newtons ?? step.rungs[0]?.newtons ?? '',
  tool: step.tool === null ? stone : say(`bench.tool.${step.tool}`),
  zone: step.only === null ? '' : say(`zone.${step.only}`),
  owed: step.owed,
  angle: step.dps === null ? '' : formats.angle(step.dps),
  lift: step.liftMm === null ? '' : formats.length(step.liftMm),
})

/** Key of the catalogue's words for a step: the recipe's own where it has them, the kind's otherwise. */
function keyOf(
  recipeId: string,
  step: { readonly kind: Step['kind']; readonly recipeStep: string },
  part: 'what' | 'why',
  say: Say,
): string {
  const own = `bench.recipeStep.${recipeId}.${step.recipeStep}.${part}`
  return say(own) === own ? `bench.step.${step.kind}.${part}` : own
}

/** The one instruction of a step, and why it is done. */
export function stepWords(
  plan: BenchPlan,
  step: Step,
  stone: string,
  say: Say,
  formats: Formats,
): { readonly what: string; readonly why: string } {
  if (step.words) return step.words
  const named = values(plan, step, stone, formats, say)
  if (step.only !== null)
    return { what: say('bench.step.side.only', named), why: say('bench.step.side.onlyWhy', named) }
  const key = keyOf(plan.recipeId, step, 'what', say)
  const isSwept = key === 'bench.step.side.what' && plan.choices['path'] === 'sweeps'
  const owed = step.owed > 0 ? [say('bench.step.side.owed', named)] : []
  return {
    what: capital(say(isSwept ? 'bench.step.side.sweeps' : key, named)),
    why: [say(keyOf(plan.recipeId, step, 'why', say), named), ...owed].join(' '),
  }
}

/** How this house, or this person, does what a step asks for, where the trade disagrees. */
export const wayWords = (plan: Pick<BenchPlan, 'choices'>, step: Pick<Step, 'ways'>, say: Say): string[] =>
  step.ways.flatMap((id) => {
    const option = plan.choices[id]
    return option === undefined ? [] : [say(`bench.wayNow.${id}.${option}`)]
  })

/** The catalogue's words for a recipe's step before there is a knife: counts and minutes are left as dots. */
export function usualWords(
  recipeId: string,
  step: Recipe['steps'][number],
  side: string,
  say: Say,
): { readonly what: string; readonly why: string } {
  const blank = {
    stone: say('bench.theStone'),
    side,
    strokes: '…',
    minutes: '…',
    rungs: '…',
    newtons: '…',
    tool: step.tool === undefined ? say('bench.theStone') : say(`bench.tool.${step.tool}`),
    zone: '…',
    owed: '…',
    angle: '…',
    lift: '…',
  }
  const from = { kind: step.kind, recipeStep: step.id }
  return { what: say(keyOf(recipeId, from, 'what', say), blank), why: say(keyOf(recipeId, from, 'why', say), blank) }
}

/** A step's place in the line of steps. */
export const stepName = (step: Step, stone: string, say: Say): string =>
  say(`bench.step.${step.kind}.name`, { stone, side: sideWord(step, say) })

/** What beginning on another stone costs. */
export function startWords(start: BenchOffer['starts'][number], say: Say, formats: Formats): string {
  const key = start.planned ? 'bench.startPlanned' : start.roundsBevel ? 'bench.startRounds' : 'bench.startOther'
  return say(key, {
    stone: start.stoneName,
    burr: formats.minutes(Math.max(1, Math.round(start.minutesToBurr))),
    all: formats.minutes(Math.round(start.minutes)),
  })
}

export const noteWords = (note: BenchPlan['notes'][number], say: Say, formats: Formats): string =>
  say(`bench.note.${note.code}`, {
    minutes: formats.minutes(Math.round(note.minutes ?? 0)),
    micron: note.micron ?? 0,
    wanted: note.wantedMicron ?? 0,
  })

/** A recipe by the name the house gave it, or the catalogue's. */
export const recipeName = (id: string, own: string | null | undefined, say: Say): string =>
  own ?? say(`bench.recipe.${id}`)
