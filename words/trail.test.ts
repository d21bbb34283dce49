import { describe, expect, it } from 'vitest'
import type { TrailEntry } from '../contract/house'
import { speaker } from './say'
import { trailFields, trailSentence } from './trail'

const say = speaker()
const entry = (more: Partial<TrailEntry>): TrailEntry => ({
  entry: 1,
  at: '2026-03-10T12:00:00.000Z',
  personId: null,
  deviceId: null,
  subject: 'people',
  subjectId: 'p',
  subjectName: 'Oda Brandt',
  act: 'changed',
  changed: {},
  ...more,
})

describe('the trail in words', () => {
  it('says what was done, and what was before', () => {
    const changed = entry({
      changed: { role: ['cook', 'sharpener'], pin_hash: true, active: [true, false], policies: [[], [{}]] },
    })
    expect(trailSentence(changed, say)).toBe('Oda Brandt was changed')
    expect(trailFields(changed, say)).toEqual([
      'role: cook → sharpener',
      'PIN changed',
      'works here: yes → no',
      'rules changed',
    ])
  })

  it('names what is gone by what it was called, and files by their address', () => {
    const gone = entry({ subject: 'gear', act: 'removed', subjectName: null, changed: { name: ['Old stone', null] } })
    expect(trailSentence(gone, say)).toBe('Old stone left the shelf')
    const file = entry({ subject: 'files', act: 'exported', subjectName: null, subjectId: '/api/exchange/fleet.csv' })
    expect(trailSentence(file, say)).toBe('A file was taken out: exchange/fleet.csv')
    expect(trailSentence(entry({ subject: 'moons' }), say)).toBe('Something was changed')
    expect(trailFields(entry({ act: 'added', changed: { role: [null, 'cook'], zone: [null, 'x'] } }), say)).toEqual([
      'role: cook',
    ])
  })
})
