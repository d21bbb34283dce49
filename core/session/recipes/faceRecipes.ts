import type { Recipe } from '../recipe'
import { ANGLE, CLEAN, FETCH, FLATTEN, HANDS, LOOK, MUD, SOAK, step, STOW, TEST } from './parts'

/** Sessions on the faces behind the edge. */
export const FACE_RECIPES: readonly Recipe[] = [
  {
    id: 'thin',
    actions: ['thin'],
    records: { kind: 'sharpened' },
    worksOn: 'face',
    suits: {},
    stones: 'progression',
    finishMicron: 14,
    choices: [MUD, HANDS],
    steps: [
      LOOK,
      FETCH,
      SOAK,
      FLATTEN,
      ANGLE,
      step('first', 'side', {
        each: 'stone',
        side: 'first',
        scheme: 'equal',
        checks: ['even-bevels'],
        cautions: ['fingers-off-the-end', 'slurry-slips'],
      }),
      step('second', 'side', {
        each: 'stone',
        side: 'second',
        scheme: 'equal',
        checks: ['even-bevels'],
        cautions: ['edge-away'],
      }),
      step('ends', 'ends', { each: 'stone', checks: ['scratches-gone', 'heel-and-tip'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
]
