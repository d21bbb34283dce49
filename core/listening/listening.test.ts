import { describe, expect, it } from 'vitest'
import { chance } from '../statistics/random'
import { BAND_HZ, BandFrames, FRAMES_A_SECOND } from './bands'
import { kitchen, loudnessOf, madeStrokes, runningWater, silence, talk, under } from './simulatedSound'
import { StrokeEar, type HeardStroke, type StoneSound } from './strokeEar'

const RATE = 32_000
const NOISES = { silence, kitchen, talk, runningWater }

function hear(samples: Float32Array, stone?: StoneSound): { strokes: HeardStroke[]; stone: StoneSound | null } {
  const strokes: HeardStroke[] = []
  const ear = new StrokeEar((stroke) => strokes.push(stroke), stone)
  const frames = new BandFrames(RATE, (levels) => {
    ear.hear(levels)
  })
  // in the pieces in which an audio worklet gets them
  const PIECE = 128
  for (let from = 0; from < samples.length; from += PIECE) frames.feed(samples.subarray(from, from + PIECE))
  return { strokes, stone: ear.calibrated() }
}

/** Eight strokes on a stone while the kitchen goes on and nobody talks, as the bench asks for. */
const calibrated = (micron: number, seed: number): StoneSound | undefined => {
  const { samples } = madeStrokes(chance(seed), RATE, { micron, aMinute: 45, strokes: 8 })
  return hear(under(samples, kitchen(chance(seed + 1), RATE, samples.length / RATE), 20)).stone ?? undefined
}

describe('frames of sound', () => {
  it('have a tone in its own band, at its own level', () => {
    for (const hz of [707, 2828, 8000]) {
      const frames: (readonly number[])[] = []
      const tone = Float32Array.from({ length: RATE }, (_, at) => 0.5 * Math.sin((2 * Math.PI * hz * at) / RATE))
      new BandFrames(RATE, (levels) => frames.push(levels)).feed(tone)
      expect(frames).toHaveLength(FRAMES_A_SECOND)
      const last = frames.at(-1) ?? []
      expect(BAND_HZ[last.indexOf(Math.max(...last))]).toBe(hz)
      // half of full scale: 20·log10(0.5 / √2)
      expect(Math.max(...last)).toBeCloseTo(-9.03, 1)
    }
  })
})

describe('strokes heard on a stone', () => {
  it.each(Object.keys(NOISES) as (keyof typeof NOISES)[])(
    'are counted within one in twenty, 6 dB above %s, on a coarse and a fine stone, slow and fast',
    (noise) => {
      for (const [micron, aMinute, seed] of [
        [50, 80, 2],
        [4, 35, 3],
      ] as const) {
        const luck = chance(seed)
        const { samples, at } = madeStrokes(luck, RATE, { micron, aMinute, strokes: 20 })
        const level = noise === 'silence' ? 60 : 6
        const mixed = under(samples, NOISES[noise](luck, RATE, samples.length / RATE), level)
        const { strokes } = hear(mixed, calibrated(micron, seed))
        expect(Math.abs(strokes.length - 20), `${micron} µm, ${aMinute} a minute`).toBeLessThanOrEqual(1)
        for (const stroke of strokes.slice(0, 3))
          expect(Math.min(...at.map((one) => Math.abs(one - stroke.at)))).toBeLessThan(0.3)
      }
    },
  )

  it('are none where nobody sharpens: a minute each of silence, kitchen, talk and water', () => {
    const stone = calibrated(11.5, 9)
    expect(stone).toBeDefined()
    for (const noise of Object.values(NOISES)) {
      const sound = noise(chance(12), RATE, 60)
      expect(hear(sound).strokes.length).toBeLessThanOrEqual(1)
      expect(hear(sound, stone).strokes.length).toBeLessThanOrEqual(1)
    }
  })

  it('have two ways where those sound apart, and none where they do not', () => {
    const ways = (backHigher: number): HeardStroke['way'][] => {
      const { samples } = madeStrokes(chance(5), RATE, { micron: 11.5, aMinute: 45, strokes: 20, backHigher })
      return hear(under(samples, kitchen(chance(6), RATE, 30), 12)).strokes.map(({ way }) => way)
    }
    const apart = ways(0.35).slice(-8)
    expect(apart).toEqual(apart.map((_, at) => (at % 2 === 0 ? apart[0] : apart[1])))
    expect(new Set(apart)).toEqual(new Set(['one', 'other']))
    expect(ways(0).slice(-8)).toEqual(Array(8).fill(null))
  })

  it('go on after a pause, and after a pan fell', () => {
    const [first, second] = [madeStrokes(chance(7), RATE, { micron: 11.5, aMinute: 40, strokes: 10 }), 12]
    const pause = new Float32Array(RATE * 6)
    const whole = Float32Array.from([...first.samples, ...pause, ...first.samples])
    expect(hear(under(whole, kitchen(chance(8), RATE, 50), 10), calibrated(11.5, second)).strokes).toHaveLength(20)
  })
})

describe('made-up sound', () => {
  it('stands as far above its noise as it is said to', () => {
    const { samples } = madeStrokes(chance(1), RATE, { micron: 4, aMinute: 60, strokes: 5 })
    const noise = runningWater(chance(2), RATE, samples.length / RATE)
    const mixed = under(samples, noise, 6)
    const onlyNoise = mixed.map((value, at) => value - (samples[at] ?? 0))
    expect(20 * Math.log10(loudnessOf(samples) / loudnessOf(onlyNoise))).toBeCloseTo(6, 1)
  })
})
