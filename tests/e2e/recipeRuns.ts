import { number, own, said, say } from './words'

export const [RIGHT, LEFT] = [say('bench.right'), say('bench.left')]
/** One of the two coarse stones of the house. */
export const COARSE = new RegExp([own('Coarse 220'), own('Coarse 320')].join('|'))
/** Nearly flat: a degree and something. */
const FLAT = new RegExp(`${number(1.5, 1).replace('5', '').replace('.', '\\.')}\\d°`)
const HALF = `${number(12.5, 1)}°`
/** What a step of a recipe says. */
export const of = (id: string, step: string, values?: Parameters<typeof said>[1]): RegExp =>
  said(`bench.recipeStep.${id}.${step}.what`, values)
const bladeAt = (angle: string | RegExp, stone: RegExp = /.*/): RegExp => said('bench.sectionLabel', { angle, stone })

export interface Run {
  readonly id: string
  readonly code: string
  /** what the screen says on the way, in this order */
  readonly says: readonly RegExp[]
  /** what its drawings are called, wherever in the session */
  readonly drawn: RegExp
  /** the step at which it is drawn so, where others of the recipe are drawn otherwise */
  readonly drawnAt?: RegExp
  /** what must not be there */
  readonly never?: RegExp
}

/** Every recipe a house starts with, on a knife it is made for, with what a practitioner would listen for. */
export const RECIPES: readonly Run[] = [
  {
    id: 'full',
    code: 'CH-09',
    says: [
      said('bench.step.side.what'),
      said('bench.step.ends.what'),
      said('bench.step.deburr.what'),
      said('bench.step.try.what'),
    ],
    drawn: bladeAt('17°'),
  },
  {
    id: 'maintenance',
    code: 'CH-09',
    says: [said('bench.step.side.what'), said('bench.step.try.what')],
    drawn: bladeAt('17°'),
  },
  {
    id: 'touch-up',
    code: 'CH-09',
    says: [said('bench.step.side.what', { stone: own('Fine 3000'), side: RIGHT })],
    drawn: said('bench.sectionLabel', { stone: own('Fine 3000') }),
    never: COARSE,
  },
  {
    id: 'after-job',
    code: 'BN-01',
    says: [of('after-job', 'first'), said('bench.step.wipe.what'), of('after-job', 'steel', { rungs: '10' })],
    drawn: said('bench.rodLabel'),
    never: new RegExp(own('Fine 3000')),
  },
  {
    id: 'thin',
    code: 'CH-09',
    says: [of('thin', 'first', { side: RIGHT }), of('thin', 'second', { side: LEFT })],
    drawn: bladeAt(FLAT, COARSE),
    drawnAt: of('thin', 'first', { stone: COARSE, side: RIGHT }),
    never: said('bench.step.side.what'),
  },
  {
    id: 'thin-little',
    code: 'CH-09',
    says: [of('thin-little', 'first', { side: RIGHT }), of('thin-little', 'second', { side: LEFT })],
    drawn: bladeAt(FLAT),
    drawnAt: of('thin-little', 'first', { side: RIGHT }),
  },
  {
    id: 'boning',
    code: 'BN-01',
    says: [of('boning', 'first'), of('boning', 'alternate'), of('boning', 'polish', { rungs: '10' })],
    drawn: bladeAt('25°'),
  },
  {
    id: 'boning-anew',
    code: 'BN-01',
    says: [
      of('boning-anew', 'rub-first'),
      of('boning-anew', 'shoulder-first', { angle: HALF }),
      of('boning-anew', 'edge-first', { angle: '25°' }),
    ],
    drawn: bladeAt(HALF),
    drawnAt: of('boning-anew', 'shoulder-first'),
  },
  { id: 'slicer', code: 'SL-02', says: [of('slicer', 'first')], drawn: said('bench.sectionLabel') },
  { id: 'curved', code: 'SK-01', says: [said('bench.step.side.what')], drawn: said('bench.sectionLabel') },
  {
    id: 'clamp-jig',
    code: 'CH-09',
    says: [of('clamp-jig', 'angle'), of('clamp-jig', 'second')],
    drawn: said('bench.sectionLabel'),
  },
  {
    id: 'asymmetric',
    code: 'SL-01',
    says: [of('asymmetric', 'first'), of('asymmetric', 'second')],
    drawn: said('bench.sectionLabel'),
  },
  {
    id: 'single-bevel',
    code: 'SB-01',
    says: [of('single-bevel', 'front'), of('single-bevel', 'back', { strokes: /\d/ })],
    drawn: bladeAt('0°'),
  },
  {
    id: 'hard-steel',
    code: 'NA-01',
    says: [of('hard-steel', 'tape'), of('hard-steel', 'burr-off'), of('hard-steel', 'paste')],
    drawn: said('bench.sectionLabel'),
  },
  {
    id: 'serrated-ground-side',
    code: 'BR-02',
    says: [
      of('serrated-ground-side', 'loupe'),
      of('serrated-ground-side', 'teeth'),
      of('serrated-ground-side', 'back'),
    ],
    drawn: said('bench.teethLabel'),
    never: new RegExp(own('Middle 1000')),
  },
  {
    id: 'serrated-flat-back',
    code: 'BR-02',
    says: [of('serrated-flat-back', 'loupe'), of('serrated-flat-back', 'back'), of('serrated-flat-back', 'gullets')],
    drawn: said('bench.teethLabel'),
    never: new RegExp(own('Middle 1000')),
  },
  {
    id: 'steel',
    code: 'CH-09',
    says: [of('steel', 'hone', { rungs: /.*8.*/, newtons: 20 })],
    drawn: said('bench.rodLabel'),
  },
  {
    id: 'steel-light',
    code: 'BN-01',
    says: [of('steel-light', 'hone', { rungs: '10' })],
    drawn: said('bench.rodLabel'),
  },
  {
    id: 'rod-ladder',
    code: 'CH-09',
    says: [of('rod-ladder', 'hone')],
    drawn: said('bench.rodLabel'),
  },
  {
    id: 'rod-ceramic',
    code: 'CH-09',
    says: [of('rod-ceramic', 'medium'), of('rod-ceramic', 'fine')],
    drawn: said('bench.rodLabel'),
  },
  {
    id: 'strop',
    code: 'CH-09',
    says: [of('strop', 'strop-rough'), of('strop', 'strop')],
    drawn: said('bench.sectionLabel'),
  },
  { id: 'burr-off', code: 'CH-09', says: [of('burr-off', 'burr-off')], drawn: said('bench.sectionLabel') },
]
