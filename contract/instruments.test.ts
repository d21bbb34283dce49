import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isPlausible, readInstrumentLine, readScreenLine } from './instruments'

describe('lines from an instrument', () => {
  it.each([
    ['hello force-tester bench', { verb: 'hello', kind: 'force-tester', name: 'bench', key: null }],
    ['hello force-tester bench abc.def', { verb: 'hello', kind: 'force-tester', name: 'bench', key: 'abc.def' }],
    ['  zero \r\n', { verb: 'zero' }],
    ['peak 312.5 gf', { verb: 'peak', forceGf: 312.5 }],
    ['peak 312', { verb: 'peak', forceGf: 312 }],
    ['force 5 g', { verb: 'force', forceGf: 5 }],
    ['bye', { verb: 'bye' }],
  ])('reads %j', (line, read) => {
    expect(readInstrumentLine(line)).toEqual(read)
  })

  // Standard gravity 9.80665 m/s² (3rd CGPM, 1901): 1 N is 101.97 gf.
  it('turns newtons into grams-force', () => {
    expect(readInstrumentLine('peak 1 N')).toMatchObject({ forceGf: expect.closeTo(101.9716, 3) })
    expect(readInstrumentLine('peak 2942 mN')).toMatchObject({ forceGf: expect.closeTo(300, 1) })
  })

  it.each([
    'peak',
    'peak lots gf',
    'peak 3 stone',
    'hello toaster x',
    'hello force-tester',
    'HELLO',
    `peak ${'9'.repeat(300)}`,
  ])('does not guess at %j', (line) => {
    expect(readInstrumentLine(line).verb).toBe('unreadable')
  })

  it('never throws, whatever a raving instrument says', () => {
    fc.assert(
      fc.property(fc.string(), (line) => {
        expect(readInstrumentLine(line).verb).toBeTypeOf('string')
        readScreenLine(line)
      }),
    )
  })
})

describe('bench instruments', () => {
  it('say angle, pressing force and pictures in lines', () => {
    expect(readInstrumentLine('hello inclinometer bench')).toMatchObject({ verb: 'hello', kind: 'inclinometer' })
    expect(readInstrumentLine('angle 16.5')).toEqual({ verb: 'angle', dps: 16.5 })
    expect(readInstrumentLine('angle 16.5 0.4')).toEqual({ verb: 'angle', dps: 16.5, sureDps: 0.4 })
    expect(readInstrumentLine('press 22 N')).toMatchObject({ verb: 'press' })
    const press = readInstrumentLine('press 1000 g')
    expect(press.verb === 'press' && press.newtons).toBeCloseTo(9.80665, 5)
    expect(readInstrumentLine('picture tip 8.2 0.3')).toEqual({ verb: 'picture', zone: 'tip', bluntUm: 8.2, roll: 0.3 })
  })

  it.each(['angle', 'angle steep', 'press', 'press 3 stone', 'picture', 'picture handle 3', 'picture tip x'])(
    '“%s” is unreadable, not guessed',
    (line) => {
      expect(readInstrumentLine(line).verb).toBe('unreadable')
    },
  )

  it('are believed only within what can be', () => {
    expect(isPlausible('dps', 17)).toBe(true)
    expect(isPlausible('dps', 400)).toBe(false)
    expect(isPlausible('newtons', -3)).toBe(false)
  })
})
