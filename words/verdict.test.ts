import { describe, expect, it } from 'vitest'
import type { KnifeView, RecommendationView } from '../contract/knives'
import { formats } from './format'
import { speaker } from './say'
import { dullAheadWords, runnerUpWords, verdictWords } from './verdict'

const say = speaker()
const format = formats('en-GB', 'Europe/Dublin', 'mm')
const step = (more: Partial<RecommendationView>): RecommendationView => ({
  action: 'none',
  reasons: [],
  cost: { minutes: 1, strokesPerSide: 8, steelUm: 0 },
  startGrit: null,
  startStone: null,
  tool: null,
  dps: 17,
  ...more,
})
const knife = (verdict: Partial<KnifeView['verdict']>, more: Partial<KnifeView> = {}): KnifeView =>
  ({
    status: 'in-service',
    statusReason: null,
    statusSince: '2026-11-22T10:00:00Z',
    seen: true,
    worstZone: 'tip',
    dpsLeft: 17,
    dpsRight: 17,
    dullAhead: null,
    verdict: { ...step({}), runnerUp: null, ...verdict },
    ...more,
  }) as KnifeView

describe('a verdict in a cook’s words', () => {
  it('tells an asymmetric blade its own angle on each side, never the mean', () => {
    const lopsided = knife({ action: 'hone', tool: 'smooth-steel' }, { dpsLeft: 12, dpsRight: 20 })
    expect(verdictWords(lopsided, say, format).what).toBe('Hone, 8 a side at 12° left, 20° right.')
  })

  it('says of a knife nobody has looked at what one sign would settle', () => {
    const unseen = knife({
      action: 'check',
      reasons: [{ code: 'never-read', values: { zone: 'tip', lowGf: 190, highGf: 480, limitGf: 350, sign: 'skates' } }],
    })
    expect(verdictWords(unseen, say, format).why).toBe(
      'Not looked at yet. One sign is enough: if it skates on the skin, it needs the stone.',
    )
  })

  it('says hone, how many and at what angle', () => {
    expect(verdictWords(knife({ action: 'hone', tool: 'smooth-steel' }), say, format).what).toBe(
      'Hone, 8 a side at 17°.',
    )
    expect(verdictWords(knife({ action: 'hone', tool: 'strop' }), say, format).what).toBe('Strop, 8 a side at 17°.')
  })

  it('says stone, where to start, how long and why', () => {
    const words = verdictWords(
      knife({
        action: 'stone',
        startGrit: 320,
        cost: { minutes: 22, strokesPerSide: 0, steelUm: 60 },
        reasons: [
          { code: 'hone-failed', values: {} },
          { code: 'worn', values: { zone: 'tip', forceGf: 402, limitGf: 350 } },
        ],
      }),
      say,
      format,
    )
    expect(words.what).toBe('Stone it, start on #320, about 22 min.')
    expect(words.why).toBe('Honing no longer helps. The tip is worn: 402 gf, limit 350 gf.')
  })

  it('names the stone of this house where it has one', () => {
    const stone = {
      action: 'stone',
      startGrit: 320,
      startStone: 'Diamond 400',
      cost: { minutes: 17, strokesPerSide: 0, steelUm: 60 },
    } as const
    expect(verdictWords(knife(stone), say, format).what).toBe('Stone it, start on Diamond 400, about 17 min.')
  })

  it('says when, in the house’s own day', () => {
    const ahead = { dullAhead: { zone: 'tip', serviceName: 'dinner', startsAt: '2026-11-27T17:30:00Z' } } as const
    expect(dullAheadWords(knife({}, ahead), say, format, '2026-11-24T14:42:00Z')).toBe(
      'The tip will be dull by dinner on Friday, 27 Nov.',
    )
    expect(dullAheadWords(knife({}, ahead), say, format, '2026-11-27T09:00:00Z')).toBe(
      'The tip will be dull by dinner today.',
    )
  })

  it('offers the runner-up, and keeps quiet without one', () => {
    expect(runnerUpWords(knife({ runnerUp: step({ action: 'check' }) }), say, format)).toBe('Or: Check the tip first.')
    expect(runnerUpWords(knife({}), say, format)).toBe('')
  })

  it('says what a quarantined knife is out for', () => {
    const words = verdictWords(knife({}, { status: 'quarantined', statusReason: 'Tip gone' }), say, format)
    expect(words).toEqual({ what: 'Out of service.', why: 'Tip gone, since 22 Nov.' })
  })
})

describe('the house’s numbers', () => {
  it('are in millimetres or inches, with units', () => {
    expect(format.length(48.5)).toBe('48.5 mm')
    expect(format.thickness(0.3)).toBe('0.30 mm')
    expect(formats('en-GB', 'UTC', 'in').length(254)).toBe('10.00 in')
    expect(format.force(402.4)).toBe('402 gf')
  })
})
