import { describe, expect, it } from 'vitest'
import type { SectionBlade } from '../../core/geometry/section'
import { MeasureError } from '../../core/measure'
import type { Operation } from '../../core/workshop/operate'
import { planWorkshop, type WorkshopAsk } from '../../core/workshop/plan'
import { speaker } from '../../words/say'
import { wrongSentence } from './wrongSentence'

const CHEF: SectionBlade = {
  heelHeightMm: 45,
  spineMm: 2.2,
  bteMm: 0.4,
  dpsLeft: 17,
  dpsRight: 17,
  grind: 'flat',
  ratioRight: 50,
}
const ASK: Omit<WorkshopAsk, 'operation' | 'blade'> = {
  type: 'chef',
  lengthMm: 240,
  hrc: 57,
  stones: [
    { id: 'a', micron: 63 },
    { id: 'b', micron: 11.5 },
  ],
  finishMicron: 4,
}
const told = (blade: Partial<SectionBlade>, operation: Operation, stones = ASK.stones): string => {
  try {
    planWorkshop({ ...ASK, blade: { ...CHEF, ...blade }, operation, stones })
    return 'it goes'
  } catch (error) {
    if (!(error instanceof MeasureError)) throw error
    return wrongSentence(error, 'chef', 0.34, speaker())
  }
}
const thin: Operation = { kind: 'thin', targetBteMm: 0.3 }

describe('what cannot be is said in a sentence, with the nearest that can', () => {
  it.each<[string, Partial<SectionBlade>, Operation, RegExp]>([
    ['a heel height of nothing', { heelHeightMm: 0 }, thin, /A heel height of 0 mm cannot be right: .* about 48 mm/],
    ['a spine of nothing', { spineMm: 0 }, thin, /A spine of 0 mm cannot be right: .* about 2.4 mm/],
    ['thickness of nothing', { bteMm: 0 }, thin, /Thickness behind the edge: it has to be above zero. About 0.35 mm/],
    [
      'measures that are crossed',
      { bteMm: 2.5 },
      thin,
      /2.5 mm behind the edge on a spine of 2.2 mm: the two are mixed up/,
    ],
    [
      'a target thicker than the blade',
      {},
      { kind: 'thin', targetBteMm: 0.5 },
      /It is 0.4 mm there now: choose something thinner, such as 0.34 mm/,
    ],
    [
      'an angle flatter than the face',
      {},
      { kind: 're-bevel', dps: 1 },
      /Flatter than the face of the blade. Choose [\d.]+° or more/,
    ],
    ['a micro-bevel flatter than its edge', {}, { kind: 'micro-bevel', dps: 12, widthMm: 0.1 }, /at least 18°/],
    [
      'a chip deeper than half the blade',
      {},
      { kind: 'chip', depthMm: 30, sessions: 1 },
      /Deeper than half the blade, 23 mm/,
    ],
    [
      'a tip that is a quarter of the blade',
      {},
      { kind: 'tip', lostMm: 80, from: 'spine', sessions: 1 },
      /Up to 60 mm can be ground to a point/,
    ],
    ['a ratio over no session', { ratioRight: 70 }, { kind: 'ratio', toRight: 50, sessions: 0 }, /at least one/],
  ])('%s', (_, blade, operation, sentence) => {
    expect(told(blade, operation)).toMatch(sentence)
  })

  it('an empty shelf sends to the gear', () => {
    expect(told({}, thin, [])).toMatch(/There is no stone at the bench/)
  })

  it('work that can be done is not refused', () => {
    expect(told({}, thin)).toBe('it goes')
  })
})
