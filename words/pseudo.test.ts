import { describe, expect, it } from 'vitest'
import { flatten, valuesIn } from './catalogueFaults'
import en from './en.json'
import { compiledMessage } from './message'
import { CLOSES, OPENS, pseudo, pseudoCatalogue } from './pseudo'

describe('the language that nobody speaks', () => {
  it('is accented, longer, and stands in mirrored brackets', () => {
    expect(pseudo('Sign in')).toBe('⟧Šígñ íñ···⟦')
  })

  it('keeps values, plurals and choices as they are', () => {
    const write = compiledMessage(pseudo('{n, plural, one {One knife} other {{n} knives}} of {name}'), 'en')
    expect(write({ n: 1, name: 'Oda' })).toBe('⟧Óñé kñífé···· óf ·Oda⟦')
    expect(write({ n: 4, name: 'Oda' })).toMatch(/^⟧4 .*⟦$/)
  })

  it('says everything the catalogue says, with the same values', () => {
    const spoken = new Map(flatten(pseudoCatalogue(en)))
    for (const [key, message] of flatten(en)) {
      const other = spoken.get(key) ?? ''
      expect(other.startsWith(OPENS) && other.endsWith(CLOSES), key).toBe(true)
      expect(valuesIn(other), key).toEqual(valuesIn(message))
    }
  })
})
