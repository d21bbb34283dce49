import { describe, expect, it } from 'vitest'
import { KNIFE_TYPES, knifeDefaults, TYPE_TEMPLATES } from '../knife/knifeTypes'
import { handleKind, handleOf } from './handle'
import { profile } from './profile'

/** Types that are held by a stick behind the blade. */
const STICKS = KNIFE_TYPES.filter((type) => !['bar', 'bows', 'none'].includes(handleKind(type)))

describe('a handle', () => {
  it.each(STICKS)('of a %s is as long as a hand is wide, and joins the blade at its spine', (type) => {
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

  it('over a rocking blade stands on its spine, with room for fingers under it; that of shears has two bows', () => {
    const blade = { lengthMm: 350, heelHeightMm: 90 }
    const bar = handleOf(handleKind('rocker'), blade).grip
    expect(Math.min(...bar.map(({ y }) => y))).toBe(90)
    expect(bar.some(({ x, y }) => x === 14 && y > 90)).toBe(true)
    const bows = handleOf(handleKind('shears'), { lengthMm: 90, heelHeightMm: 24 }).grip
    expect(bows.some(({ y }) => y > 24)).toBe(true)
    expect(bows.some(({ y }) => y < 0)).toBe(true)
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

  it('rounds a rocking edge from end to end, and bends a turning knife’s inwards', () => {
    const heights = (type: 'mezzaluna' | 'turning') => {
      const { heel, belly, tip } = of(type).edge
      return [heel[0]?.y ?? 0, belly[Math.floor(belly.length / 2)]?.y ?? 0, tip.at(-1)?.y ?? 0] as const
    }
    const [from, middle, to] = heights('mezzaluna')
    expect(middle).toBeLessThan(Math.min(from, to) / 4)
    const [heel, bent, point] = heights('turning')
    expect(bent).toBeGreaterThan(Math.max(heel, point))
  })

  it('hangs a cleaver by a hole, and draws fewer, larger teeth in small', () => {
    expect(of('cleaver').hole).not.toBeNull()
    expect(of('chef').hole).toBeNull()
    const teeth = (bold: boolean) => of('bread', { serrated: true, bold }).edge.heel.length
    expect(teeth(true)).toBeLessThan(teeth(false))
  })
})
