import { describe, expect, it } from 'vitest'
import type { PlanProblem } from './problem'
import { whyEmpty } from './whyEmpty'

type Facts = Pick<PlanProblem, 'windows' | 'benches' | 'people'>
const window = { id: 'w', name: 'quiet', startMs: 0, endMs: 1, soakFromMs: 0, overlapsService: false }
const person = (skills: Facts['people'][number]['skills'], isThere: boolean): Facts['people'][number] => ({
  id: skills.join(),
  skills,
  pace: 1,
  present: isThere ? { w: { fromMs: 0, toMs: 1 } } : {},
})
const house: Facts = { windows: [window], benches: [{ id: 'b', name: 'Bench' }], people: [person(['full'], true)] }

describe('an empty week', () => {
  it('is none where somebody who may sharpen is there in a window', () => {
    expect(whyEmpty(house)).toBeNull()
  })

  it('says the first thing that is missing, and only that', () => {
    expect(whyEmpty({ windows: [], benches: [], people: [] })).toBe('windows')
    expect(whyEmpty({ ...house, benches: [], people: [] })).toBe('benches')
    expect(whyEmpty({ ...house, people: [] })).toBe('shifts')
    expect(whyEmpty({ ...house, people: [person(['full'], false)] })).toBe('shifts')
    expect(whyEmpty({ ...house, people: [person(['hone'], true)] })).toBe('skills')
    expect(whyEmpty({ ...house, people: [person(['hone'], true), person(['full'], false)] })).toBe('meeting')
  })
})
