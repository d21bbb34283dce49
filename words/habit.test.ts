import { describe, expect, it } from 'vitest'
import type { HouseLearning } from '../contract/learning'
import { habitSentences, habitWords } from './habit'
import { speaker } from './say'

const say = speaker()
type Habit = Parameters<typeof habitSentences>[0]
const habit = (honed: number, logged: number, more: Partial<Habit> = {}): Habit => ({
  honed,
  low: Math.max(0, honed - 0.12),
  high: Math.min(1, honed + 0.12),
  logged,
  services: 80,
  stated: null,
  ...more,
})
const told = (one: Habit): string => habitSentences(one, say).join(' ')
const person = (one: Habit, scatter: number | null = null): HouseLearning['habits'][number] => ({
  personId: 'p',
  name: 'Milo Tarn',
  ...one,
  scatter,
})

describe('how a knife is honed, in words', () => {
  it('is said as people say shares, with how much of it is logged', () => {
    expect(told(habit(0.66, 0.5))).toBe(
      'It is honed before about 2 services in 3 (54 to 78 %). About half of that is logged.',
    )
    expect(told(habit(0.34, 0))).toBe(
      'It is honed before about one service in 3 (22 to 46 %). None of that is logged: its edge tells it.',
    )
    expect(told(habit(0.5, 0.1))).toContain('before about every other service')
    expect(told(habit(0.97, 1))).toContain('before nearly every service')
    expect(told(habit(0.03, 0))).toBe('It is hardly ever honed before a service (0 to 15 %).')
  })

  it('is said as not known while it is not, beside what the house says', () => {
    expect(told(habit(0.5, 0, { low: 0.1, high: 0.9, stated: 'most-days' }))).toBe(
      'How it is honed is not known yet; it is taken as about two services in three. The house says: most days.',
    )
  })
})

describe('how a person’s knives are honed', () => {
  it('is told with what is logged, and against what was said', () => {
    expect(habitWords(person(habit(0.67, 1)), say)).toBe(
      'Milo Tarn’s knives are honed about 2 services in 3; all of it logged.',
    )
    expect(habitWords(person(habit(0.2, 0, { stated: 'each-time' })), say)).toContain(
      'That is less than was said (each time).',
    )
    expect(habitWords(person(habit(0.5, 0, { low: 0.05, high: 0.95 }), 0.13), say)).toBe(
      'Milo Tarn’s knives: not known yet how they are honed. Readings scatter by 13 %.',
    )
  })
})
