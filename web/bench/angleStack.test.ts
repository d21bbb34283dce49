import { describe, expect, it } from 'vitest'
import { angleStack } from './angleStack'

// 1 € 2.33 mm and 2 € 2.20 mm (ECB); ID-1 card 0.76 mm (ISO/IEC 7810).
const PIECES = [
  { name: '1 €', mm: 2.33, count: 6 },
  { name: '2 €', mm: 2.2, count: 4 },
  { name: 'card', mm: 0.76, count: 5 },
]
const chef = { heelHeightMm: 48, spineMm: 2.4 }

describe('the stack for this blade', () => {
  it('comes within half a degree from coins and cards', () => {
    const { choice, stackMm, problem } = angleStack(chef, 17, PIECES)
    expect(problem).toBeNull()
    expect(stackMm).toBeCloseTo(12.89, 2)
    expect(Math.abs((choice?.dps ?? 0) - 17)).toBeLessThan(0.5)
  })

  it('says why there is none: nothing owned, a blade too short, an angle flatter than the face', () => {
    expect(angleStack(chef, 17, []).problem).toBe('no-pieces')
    expect(angleStack({ heelHeightMm: 12, spineMm: 1.5 }, 35, PIECES).problem).toBe('too-tall')
    expect(angleStack({ heelHeightMm: 12, spineMm: 1.5 }, 15, [{ name: 'token', mm: 3.2, count: 4 }]).problem).toBe(
      'too-coarse',
    )
    expect(angleStack({ heelHeightMm: 20, spineMm: 6 }, 5, PIECES).problem).toBe('flatter-than-face')
  })
})
