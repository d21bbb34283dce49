import type { Recipe } from '../recipe'
import { CLEAN, COMPOUND, EDGE, LOOK, step, STOW, TEST } from './parts'

/** Sessions on a rod or strop: they bring an edge back; and taking a burr off. */
export const HONING_RECIPES: readonly Recipe[] = [
  {
    id: 'strop',
    actions: ['hone'],
    records: { kind: 'honed', tool: 'strop' },
    worksOn: 'edge',
    suits: {},
    stones: 'none',
    finishMicron: 4,
    choices: [COMPOUND],
    steps: [
      LOOK,
      step('strop', 'strop', { scheme: 'strop', checks: ['no-burr-left'], cautions: ['compound-off', 'edge-away'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
  {
    id: 'steel',
    actions: ['hone'],
    records: { kind: 'honed', tool: 'smooth-steel' },
    worksOn: 'edge',
    suits: { hrcBelow: 61 },
    stones: 'none',
    finishMicron: 4,
    choices: [],
    steps: [
      LOOK,
      step('hone', 'hone', {
        scheme: 'rod',
        checks: ['rod-wiped', 'no-wobble'],
        cautions: ['no-steel-on-hard', 'no-banging', 'edge-away'],
      }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
  {
    id: 'rod-ladder',
    actions: ['hone', 'touch-up'],
    records: { kind: 'honed', tool: 'diamond-rod' },
    worksOn: 'edge',
    suits: {},
    stones: 'none',
    finishMicron: 6,
    choices: [],
    steps: [
      LOOK,
      step('hone', 'hone', {
        scheme: 'diamond-rod',
        checks: ['rod-wiped', 'no-wobble'],
        cautions: ['no-banging', 'edge-away'],
      }),
      step('strop', 'strop', { scheme: 'strop', checks: ['no-burr-left'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
  {
    id: 'burr-off',
    actions: ['hone'],
    records: { kind: 'sharpened' },
    worksOn: 'edge',
    suits: {},
    stones: 'last',
    finishMicron: 4,
    choices: [EDGE, COMPOUND],
    steps: [
      LOOK,
      step('burr-off', 'deburr', { scheme: 'hard-burr', checks: ['no-burr-left'] }),
      step('strop', 'strop', { scheme: 'strop', checks: ['no-burr-left'] }),
      TEST,
      CLEAN,
      STOW,
    ],
  },
]
