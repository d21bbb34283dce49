import { describe, expect, it } from 'vitest'
import { fromDate, readDay, readTime, toDate } from './typedWhen'

describe('a typed time', () => {
  it.each([
    ['9:30', '09:30'],
    ['09.30', '09:30'],
    ['9h30', '09:30'],
    ['930', '09:30'],
    ['1730', '17:30'],
    ['9', '09:00'],
    ['5 pm', '17:00'],
    ['5:15p.m.', '17:15'],
    ['12am', '00:00'],
    ['12 pm', '12:00'],
    ['0:05', '00:05'],
  ])('%s is %s', (typed, kept) => {
    expect(readTime(typed)).toBe(kept)
  })
  it.each(['', 'soon', '24:00', '9:60', '13 pm', '0 am', '9:3', '12345'])('%s is none', (typed) => {
    expect(readTime(typed)).toBeNull()
  })
})

describe('a typed day', () => {
  it.each([
    ['24/12/2026', '2026-12-24'],
    ['24.12.26', '2026-12-24'],
    ['2026-12-24', '2026-12-24'],
    ['1-2-2026', '2026-02-01'],
    ['29/02/2028', '2028-02-29'],
  ])('%s is %s', (typed, kept) => {
    expect(readDay(typed)).toBe(kept)
  })
  it.each(['', 'Friday', '12/24/2026', '29/02/2026', '24/12', '2026-12-240'])('%s is none', (typed) => {
    expect(readDay(typed)).toBeNull()
  })
})

it('a time and a day go through the control and come back', () => {
  for (const [kept, kind] of [
    ['05:09', 'time'],
    ['23:59', 'time'],
    ['2026-12-24', 'day'],
  ] as const) {
    const date = toDate(kept, kind)
    expect(date && fromDate(date, kind)).toBe(kept)
  }
  expect(toDate('', 'day')).toBeNull()
  expect(toDate('soon', 'time')).toBeNull()
})
