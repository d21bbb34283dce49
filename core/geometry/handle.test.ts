import { describe, expect, it } from 'vitest'
import { KNIFE_TYPES, knifeDefaults, TYPE_TEMPLATES } from '../knife/knifeTypes'
import { handleKind, handleOf } from './handle'
import { profile } from './profile'

describe('a handle', () => {
  it.each(KNIFE_TYPES)('of a %s is as long as a hand is wide, and joins the blade at its spine', (type) => {
    const lengthMm = TYPE_TEMPLATES[type].typicalLengthMm
    const { heelHeightMm } = knifeDefaults(type, lengthMm)
    const { grip, neck } = handleOf(handleKind(type), { lengthMm, heelHeightMm })
    const xs = grip.map(({ x }) => x)
    // a hand is 75 to 95 mm wide across the palm (anthropometric tables, from memory)
    expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan(80)
    expect(Math.max(...xs)).toBeLessThanOrEqual(0)
    expect(neck[0]).toEqual({ x: 0, y: heelHeightMm })
    expect(Math.min(...neck.map(({ y }) => y))).toBeGreaterThanOrEqual(0)
  })

  it('leaves room for knuckles under the tall blades of a kitchen', () => {
    for (const kind of ['riveted', 'collared'] as const) {
      const lowest = Math.min(...handleOf(kind, { lengthMm: 240, heelHeightMm: 50 }).grip.map(({ y }) => y))
      expect(lowest).toBeGreaterThan(10)
    }
  })

  it('is what the type usually has; a very hard blade sits on a straight one', () => {
    expect(handleKind('boning-flexible', 56)).toBe('moulded')
    expect(handleKind('chef', 56)).toBe('riveted')
    expect(handleKind('chef', 64)).toBe('collared')
  })
})

describe('what a silhouette tells', () => {
  const of = (type: (typeof KNIFE_TYPES)[number], more = {}) =>
    profile({ type, lengthMm: 180, heelHeightMm: 45, ...more })

  it('shows the ground face of a single bevel between edge and spine, and none on a flat grind', () => {
    const { shoulder, edge } = of('heavy-single-bevel', { grind: 'single' })
    expect(shoulder[0]?.y).toBeGreaterThan(5)
    expect(shoulder.at(-1)).toEqual(edge.tip.at(-1))
    expect(of('chef', { grind: 'flat' }).shoulder).toEqual([])
  })

  it('hollows a boning knife’s edge between heel and belly', () => {
    const { edge } = of('boning-flexible')
    const hollow = Math.max(...edge.heel.map(({ y }) => y))
    expect(hollow).toBeGreaterThan(Math.min(...edge.belly.map(({ y }) => y)))
  })

  it('hangs a cleaver by a hole, and draws fewer, larger teeth in small', () => {
    expect(of('cleaver').hole).not.toBeNull()
    expect(of('chef').hole).toBeNull()
    const teeth = (bold: boolean) => of('bread', { serrated: true, bold }).edge.heel.length
    expect(teeth(true)).toBeLessThan(teeth(false))
  })
})
