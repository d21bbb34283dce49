import type { Recipe, RecipeStep } from '../recipe'
import { CLEAN, COMPOUND, FETCH, step, STOW, STROPPING, TEST, WIPE_COMPOUND } from './parts'

/** Under the loupe first: teeth rolled to the flat side come back, broken ones do not; square and fine ones are worth it. */
const LOUPE = step('loupe', 'look', {
  work: 'teeth',
  tool: 'loupe',
  checks: ['teeth-rolled'],
  ifNot: 'leave-it',
  cautions: ['dull-is-dangerous'],
})

const serrated = (id: string, steps: readonly RecipeStep[], more: Partial<Recipe> = {}): Recipe => ({
  id,
  actions: ['stone', 'touch-up', 'hone'],
  records: { kind: 'sharpened' },
  worksOn: 'teeth',
  suits: { serrated: true },
  stones: 'none',
  finishMicron: 11.5,
  choices: [],
  ...more,
  steps: [LOUPE, FETCH, ...steps, TEST, CLEAN, STOW],
})

/** Serrated edges, both ways (common practice): along the ground side, or from the flat back. */
export const SERRATED_RECIPES: readonly Recipe[] = [
  serrated('serrated-ground-side', [
    step('teeth', 'teeth', {
      work: 'teeth',
      side: 'first',
      tool: 'fine-diamond',
      scheme: 'serrated',
      newtons: 6,
      checks: ['teeth-kept', 'burr-all-along'],
      ifNot: 'raise-the-angle',
      cautions: ['edge-away', 'light-on-diamond'],
    }),
    step('back', 'teeth', {
      work: 'burr',
      side: 'second',
      tool: 'fine-diamond',
      lift: { from: 'face', dps: 1 },
      scheme: 'back',
      newtons: 3,
      checks: ['no-burr-left', 'teeth-kept'],
      ifNot: 'deburr-again',
    }),
    ...STROPPING.filter(({ id }) => id === 'strop'),
  ]),
  serrated(
    'serrated-flat-back',
    [
      step('back', 'teeth', {
        work: 'teeth',
        side: 'second',
        tool: 'fine-diamond',
        lift: { from: 'face', dps: 0 },
        scheme: 'teeth-back',
        newtons: 4,
        checks: ['teeth-kept'],
        ifNot: 'more-there',
      }),
      step('gullets', 'teeth', {
        work: 'burr',
        side: 'first',
        tool: 'ceramic-rod',
        scheme: 'gullets',
        newtons: 3,
        checks: ['gullets-clean', 'teeth-kept'],
        ifNot: 'raise-the-angle',
        cautions: ['edge-away'],
      }),
      ...STROPPING.filter(({ id }) => id === 'strop'),
      WIPE_COMPOUND,
    ],
    { choices: [COMPOUND] },
  ),
]
