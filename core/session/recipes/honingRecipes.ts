import type { HoneTool } from '../../edge/model/hone'
import type { Recipe, RecipeStep, StepTool } from '../recipe'
import { CLEAN, COMPOUND, edgeRecipe, LOOK, step, STOW, STROPPING, TEST, WIPE_COMPOUND } from './parts'

const honing = (id: string, tool: HoneTool, steps: readonly RecipeStep[], more: Partial<Recipe> = {}): Recipe => ({
  id,
  actions: ['hone'],
  records: { kind: 'honed', tool },
  worksOn: 'edge',
  suits: {},
  stones: 'none',
  finishMicron: 4,
  choices: [],
  ...more,
  steps: [LOOK, ...steps, TEST, CLEAN, STOW],
})

/** Passes on a rod, alternating where an edge is only brought back, one side and then the other where a ladder is counted. */
const onRod = (id: string, tool: StepTool, more: Partial<RecipeStep>): RecipeStep =>
  step(id, 'hone', {
    work: 'edge',
    side: 'alternating',
    tool,
    checks: ['rod-wiped', 'no-wobble'],
    ifNot: 'to-the-stone',
    cautions: ['no-banging', 'edge-away'],
    ...more,
  })

/** A ladder of falling counts on one rod. */
const ladder = (id: string, tool: StepTool, scheme: 'rod-ladder' | 'diamond-rod', newtons: number): RecipeStep =>
  onRod(id, tool, { scheme, newtons, side: 'first', checks: ['rod-wiped', 'slices-fruit'] })

/** Sessions on a rod or strop: they bring an edge back; and taking a burr off. */
export const HONING_RECIPES: readonly Recipe[] = [
  honing('strop', 'strop', [...STROPPING, WIPE_COMPOUND], { choices: [COMPOUND] }),
  // culinary school: 18–27 N falling to light, eight to ten a side (common practice)
  honing(
    'steel',
    'smooth-steel',
    [
      onRod('hone', 'smooth-steel', {
        scheme: 'rod',
        newtons: 20,
        cautions: ['no-steel-on-hard', 'no-banging', 'edge-away'],
      }),
    ],
    { suits: { hrcBelow: 61 } },
  ),
  // butcher's school: a polished steel and the weight of the knife, ten and ten (common practice)
  honing(
    'steel-light',
    'smooth-steel',
    [
      onRod('hone', 'polished-steel', {
        scheme: 'ten-and-ten',
        newtons: 3,
        cautions: ['no-steel-on-hard', 'no-banging', 'edge-away'],
      }),
    ],
    { suits: { hrcBelow: 61, types: ['boning-stiff', 'boning-flexible', 'breaking', 'skinning', 'fillet', 'slicer'] } },
  ),
  honing(
    'rod-ladder',
    'diamond-rod',
    [
      // the scrub of an edge that is past a ladder: back and forth along the rod, before anything is counted
      onRod('scrub', 'diamond-rod', { scheme: 'scrub', newtons: 6, side: 'first', only: { condition: 'very-dull' } }),
      ladder('hone', 'diamond-rod', 'diamond-rod', 8),
      ...STROPPING,
    ],
    { actions: ['hone', 'touch-up'], finishMicron: 6 },
  ),
  honing(
    'rod-ceramic',
    'ceramic-rod',
    [
      onRod('scrub', 'ceramic-rod', { scheme: 'scrub', newtons: 10, side: 'first', only: { condition: 'very-dull' } }),
      // medium, then fine; twenty falling to one where it is dull, ten where it is kept up (common practice)
      ladder('medium', 'ceramic-rod', 'rod-ladder', 10),
      ladder('fine', 'ceramic-rod', 'rod-ladder', 5),
      ...STROPPING,
    ],
    { actions: ['hone', 'touch-up'], finishMicron: 4 },
  ),
  edgeRecipe({
    id: 'burr-off',
    actions: ['hone'],
    stones: 'last',
    choices: [COMPOUND],
    steps: [
      LOOK,
      step('burr-off', 'deburr', {
        each: 'stone',
        work: 'burr',
        side: 'alternating',
        lift: { from: 'edge', dps: 1 },
        scheme: 'hard-burr',
        checks: ['no-burr-left'],
        ifNot: 'deburr-again',
      }),
      ...STROPPING,
      WIPE_COMPOUND,
      TEST,
      CLEAN,
      STOW,
    ],
  }),
]
