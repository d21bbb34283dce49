import type { Recipe } from '../recipe'
import { CLEAN, COMPOUND, FETCH, LOOK, step, STOW, TEST } from './parts'

/** Serrated edges, both ways (common practice): along the ground side, or from the flat back. */
export const SERRATED_RECIPES: readonly Recipe[] = [
  {
    id: 'serrated-ground-side',
    actions: ['stone', 'touch-up', 'hone'],
    records: { kind: 'sharpened' },
    worksOn: 'teeth',
    suits: { serrated: true },
    stones: 'none',
    finishMicron: 11.5,
    choices: [],
    steps: [
      LOOK,
      FETCH,
      step('teeth', 'teeth', { side: 'first', scheme: 'serrated', checks: ['teeth-kept'], cautions: ['edge-away'] }),
      step('back', 'teeth', { side: 'second', scheme: 'slicing', checks: ['no-burr-left', 'teeth-kept'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
  {
    id: 'serrated-flat-back',
    actions: ['stone', 'touch-up', 'hone'],
    records: { kind: 'sharpened' },
    worksOn: 'teeth',
    suits: { serrated: true },
    stones: 'none',
    finishMicron: 11.5,
    choices: [COMPOUND],
    steps: [
      LOOK,
      FETCH,
      step('back', 'teeth', { side: 'second', scheme: 'boning', checks: ['teeth-kept'] }),
      step('gullets', 'teeth', {
        side: 'first',
        scheme: 'slicing',
        checks: ['no-burr-left', 'teeth-kept'],
        cautions: ['edge-away'],
      }),
      step('strop', 'strop', { scheme: 'strop', checks: ['no-burr-left'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
]
