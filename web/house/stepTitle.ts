import type { Recipe } from '../../contract/bench'
import { capital } from '../../words/format'
import type { Say } from '../../words/say'

/** A step's name in a recipe, before there is a stone to name. */
export const stepTitle = ({ kind, side }: Pick<Recipe['steps'][number], 'kind' | 'side'>, say: Say): string =>
  capital(say(`bench.step.${kind}.name`, { stone: '', side: side ? say(`recipes.strip.${side}`) : '' }).trim())
