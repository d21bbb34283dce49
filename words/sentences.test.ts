import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import type { TimelineEvent } from '../contract/events'
import { FirstRun } from '../contract/house'
import { KnifeDescription } from '../contract/knives'
import { NO_DEFECTS } from '../core/edge/model/events'
import { eventSentence } from './event'
import { issueWords } from './faults'
import { capital, formats } from './format'
import { speaker } from './say'

const say = speaker()
const format = formats('en-GB', 'Europe/Dublin', 'mm')
const names = { station: () => 'Grill', person: () => 'Oda Finch' }
const line = (kind: string, payload: Record<string, unknown>): string =>
  eventSentence(
    {
      id: '',
      kind,
      at: '',
      recordedAt: '',
      personId: null,
      personName: null,
      deviceName: null,
      payload,
      voided: null,
      effect: null,
    } satisfies TimelineEvent,
    say,
    format,
    names,
  )

describe('a line of history', () => {
  it.each([
    ['honed', { tool: 'smooth-steel', strokesPerSide: 8 }, 'Honed on the smooth steel, 8 a side.'],
    ['honed', { tool: 'strop' }, 'Honed on the strop.'],
    [
      'honed',
      { tool: 'smooth-steel', strokesPerSide: 10, cameBack: 'not' },
      'Honed on the smooth steel, 10 a side. It did not come back.',
    ],
    ['sharpened', { finishMicron: 4, startGrit: 320, minutes: 22 }, 'Sharpened to 4 µm, from #320, 22 min'],
    [
      'sharpened',
      { finishMicron: 11.5, bteMm: 0.33, chipLeftMm: 0.2 },
      'Sharpened to 11.5 µm, 0.33 mm behind the edge now, 0.20 mm of the chip left for next time',
    ],
    [
      'sharpened',
      { finishMicron: 11.5, bteMm: 0.33, lengthLossMm: 4 },
      'Sharpened to 11.5 µm, 0.33 mm behind the edge now, 4 mm shorter',
    ],
    ['measured', { sections: [{ zone: 'belly', thicknessAt: [] }] }, 'Measured: section at the belly.'],
    [
      'measured',
      { heelHeightMm: 44.6, bteMm: 0.41 },
      'Measured: Heel height 44.6 mm, Thickness behind the edge 0.41 mm.',
    ],
    ['moved', { stationId: 'x', holderId: 'y' }, 'Moved to Grill. Handed to Oda Finch.'],
    ['moved', { holderId: null }, 'Put down by its holder.'],
    ['used', { hours: 2.5 }, 'Used 2.5 h in this service.'],
    ['quarantined', { reason: 'Tip gone' }, 'Out of service: Tip gone.'],
    ['retired', { reason: 'Too narrow' }, 'Retired: Too narrow.'],
    ['added', { condition: 'new' }, 'Joined the rack, new.'],
  ])('of %s says %#', (kind, payload, sentence) => {
    expect(line(kind, payload)).toBe(sentence)
  })

  it('of a check lists force, signs and defects', () => {
    const found = line('checked', {
      readings: [{ zone: 'heel', forcesGf: [240, 250] }],
      ladder: [{ zone: 'tip', rung: 'skates' }],
      defects: { ...NO_DEFECTS, chip: { zone: 'heel', depthMm: 0.4 }, glint: ['belly'], handleLoose: true },
    })
    expect(found).toBe(
      'Checked: heel 245 gf, tip skates on the skin, chip 0.40 mm at the heel, glint at the belly, handle loose.',
    )
    expect(line('checked', { readings: [], ladder: [], defects: NO_DEFECTS })).toBe('Checked: no defect found.')
  })
})

describe('what a schema found wrong', () => {
  const wordsOf = (schema: z.ZodType, value: unknown): string[] => {
    const read = schema.safeParse(value)
    return read.success ? [] : issueWords(read.error.issues, say).map((issue) => `${issue.path}: ${issue.sentence}`)
  }

  it('is said with the field’s name and its bounds', () => {
    expect(wordsOf(KnifeDescription.pick({ lengthMm: true, hrc: true }), { lengthMm: 0.2, hrc: 400 })).toEqual([
      'lengthMm: Length cannot be less than 40.',
      'hrc: Hardness cannot be more than 70.',
    ])
  })

  it('tells missing from wrong', () => {
    expect(wordsOf(KnifeDescription.pick({ lengthMm: true }), {})).toEqual(['lengthMm: Length is missing.'])
    expect(wordsOf(KnifeDescription.pick({ lengthMm: true }), { lengthMm: 'long' })).toEqual([
      'lengthMm: Length must be a number.',
    ])
  })

  it('says a zone like the example', () => {
    expect(wordsOf(FirstRun.pick({ zone: true }), { zone: 'Nowhere' })[0]).toMatch(/Europe\/Dublin/)
  })

  it('falls back on the path of a field nobody named', () => {
    expect(wordsOf(z.object({ oddity: z.number() }), { oddity: 'x' })).toEqual(['oddity: oddity must be a number.'])
  })
})

describe('numbers and days', () => {
  it('are written in the house’s own zone', () => {
    const late = '2026-11-24T23:30:00Z'
    expect(formats('en-GB', 'Europe/Dublin', 'mm').weekday(late)).toBe('Tuesday')
    expect(formats('en-GB', 'Asia/Tokyo', 'mm').weekday(late)).toBe('Wednesday')
    expect(formats('en-GB', 'Asia/Tokyo', 'mm').clock(late)).toBe('08:30')
  })

  it('are made once and shared', () => {
    expect(formats('en-GB', 'UTC', 'in')).toBe(formats('en-GB', 'UTC', 'in'))
    expect(formats('en-GB', 'UTC', 'in')).not.toBe(formats('en-GB', 'UTC', 'mm'))
  })

  it('put a capital where a label begins', () => {
    expect(capital('burr left')).toBe('Burr left')
    expect(capital('')).toBe('')
  })
})
