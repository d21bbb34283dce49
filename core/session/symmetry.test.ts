import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { symmetry } from './symmetry'

describe('strokes by side', () => {
  it('say nothing until enough were counted', () => {
    expect(symmetry({ left: 10, right: 20 }, 50)).toBeNull()
  })

  it('are even enough within a few per cent of the ratio', () => {
    expect(symmetry({ left: 95, right: 105 }, 50)?.owes).toBeNull()
    expect(symmetry({ left: 60, right: 140 }, 70)?.owes).toBeNull()
  })

  it('owe the side that got less, on an even and on an uneven edge', () => {
    expect(symmetry({ left: 60, right: 140 }, 50)?.owes).toEqual({ side: 'left', strokes: 80 })
    expect(symmetry({ left: 100, right: 100 }, 70)?.owes?.side).toBe('right')
  })

  it('are even again once what is owed was given', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 500 }),
        fc.integer({ min: 20, max: 500 }),
        fc.integer({ min: 20, max: 80 }),
        (left, right, ratio) => {
          const owes = symmetry({ left, right }, ratio)?.owes
          if (!owes) return
          const paid = {
            left: left + (owes.side === 'left' ? owes.strokes : 0),
            right: right + (owes.side === 'right' ? owes.strokes : 0),
          }
          expect(symmetry(paid, ratio)?.owes).toBeNull()
        },
      ),
    )
  })
})
