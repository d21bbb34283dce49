import type { Chance } from '../statistics/random'

/** Sound made up for tests, figures and the stand-in of the bench: samples between −1 and 1. */
export interface MadeStrokes {
  readonly samples: Float32Array
  /** s at which each stroke begins */
  readonly at: readonly number[]
}

type Noise = (luck: Chance, samplesASecond: number, seconds: number) => Float32Array

/** One pole at some 500 Hz for 32,000 samples a second. */
const VOICE_TILT = 0.094

const white = (luck: Chance): number => luck.next() + luck.next() + luck.next() - 1.5

/** A resonance that turns a source into a vowel or a hiss: two poles, gain one at its centre. */
function resonance(hz: number, widthHz: number, samplesASecond: number): (x: number) => number {
  const radius = Math.exp((-Math.PI * widthHz) / samplesASecond)
  const turn = (2 * Math.PI * Math.min(hz, 0.45 * samplesASecond)) / samplesASecond
  const gain = (1 - radius) * Math.sqrt(1 - 2 * radius * Math.cos(2 * turn) + radius * radius)
  let [y1, y2] = [0, 0]
  return (x) => {
    const y = gain * x + 2 * radius * Math.cos(turn) * y1 - radius * radius * y2
    y2 = y1
    y1 = y
    return y
  }
}

/** Root mean square of what is not silent. */
export function loudnessOf(samples: Float32Array): number {
  const LEAST = 1e-5
  let [sum, count] = [0, 0]
  for (const value of samples)
    if (Math.abs(value) > LEAST) {
      sum += value * value
      count++
    }
  return count > 0 ? Math.sqrt(sum / count) : 0
}

/** Centre of the hiss of steel on a stone, Hz: the finer, the higher (assumed). */
export const hissHz = (micron: number): number => 2000 + 4500 / (1 + micron / 6)

/** Strokes on a stone: bursts of hiss, as even as a hand is, the two ways alike or not. */
export function madeStrokes(
  luck: Chance,
  samplesASecond: number,
  input: {
    readonly micron: number
    readonly aMinute: number
    readonly strokes: number
    /** how much higher the way back sounds, as a share */
    readonly backHigher?: number
  },
): MadeStrokes {
  const { micron, aMinute, strokes, backHigher = 0 } = input
  const LEAD_S = 1.5
  const period = 60 / aMinute
  const at: number[] = []
  for (let stroke = 0, when = LEAD_S; stroke < strokes; stroke++, when += period * (1 + 0.07 * luck.normal()))
    at.push(when)
  const samples = new Float32Array(Math.ceil(samplesASecond * ((at.at(-1) ?? 0) + period + LEAD_S)))
  at.forEach((from, stroke) => {
    const hz = hissHz(micron) * (stroke % 2 === 1 ? 1 + backHigher : 1)
    const hiss = resonance(hz, 1.2 * hz, samplesASecond)
    const seconds = Math.min(1.6, period * luck.between(0.5, 0.65))
    const level = 0.2 * 10 ** ((1.5 * luck.normal()) / 20)
    const [attack, decay] = [0.05, 0.09]
    for (let step = 0; step < seconds * samplesASecond; step++) {
      const t = step / samplesASecond
      const shape = Math.min(1, t / attack, (seconds - t) / decay)
      const place = Math.floor(from * samplesASecond) + step
      samples[place] = (samples[place] ?? 0) + level * Math.max(0, shape) * hiss(4 * white(luck))
    }
  })
  return { samples, at }
}

/** Water that runs into a sink: a hiss that swells and falls. */
export const runningWater: Noise = (luck, samplesASecond, seconds) => {
  const samples = new Float32Array(Math.ceil(samplesASecond * seconds))
  const [low, high] = [resonance(900, 1500, samplesASecond), resonance(3500, 5000, samplesASecond)]
  let swell = 1
  return samples.map((_, at) => {
    if (at % Math.round(samplesASecond / 4) === 0) swell = 1 + 0.12 * luck.normal()
    const x = white(luck)
    return 0.1 * swell * (low(x) + high(x))
  })
}

/** A kitchen: hoods, a hum, and a pan that is put down now and then. */
export const kitchen: Noise = (luck, samplesASecond, seconds) => {
  const samples = new Float32Array(Math.ceil(samplesASecond * seconds))
  const hood = resonance(250, 500, samplesASecond)
  for (let at = 0; at < samples.length; at++) {
    const x = white(luck)
    samples[at] = 0.15 * hood(3 * x) + 0.03 * x + 0.02 * Math.sin((2 * Math.PI * 100 * at) / samplesASecond)
  }
  for (let when = luck.between(0.5, 4); when < seconds; when += luck.between(1, 7)) {
    const rings = [0, 1, 2].map(() => luck.between(900, 6000))
    const fades = luck.between(0.03, 0.09)
    const level = luck.between(0.05, 0.25)
    for (let step = 0; step < 6 * fades * samplesASecond; step++) {
      const place = Math.floor(when * samplesASecond) + step
      if (place >= samples.length) break
      const t = step / samplesASecond
      samples[place] =
        (samples[place] ?? 0) +
        level * Math.exp(-t / fades) * rings.reduce((sum, hz) => sum + Math.sin(2 * Math.PI * hz * t) / 3, 0)
    }
  }
  return samples
}

/** Talk: voiced syllables through formants, a sharp consonant now and then, breaths between phrases. */
export const talk: Noise = (luck, samplesASecond, seconds) => {
  const samples = new Float32Array(Math.ceil(samplesASecond * seconds))
  let when = luck.between(0, 0.5)
  while (when < seconds) {
    const phraseEnds = when + luck.between(0.8, 3)
    const voice = luck.between(95, 230)
    while (when < phraseEnds && when < seconds) {
      const lasts = luck.between(0.09, 0.28)
      const isSharp = luck.happens(0.25)
      const formants = isSharp
        ? [resonance(luck.between(4500, 7500), 2500, samplesASecond)]
        : [
            resonance(luck.between(280, 800), 90, samplesASecond),
            resonance(luck.between(900, 2300), 130, samplesASecond),
            resonance(luck.between(2400, 3000), 200, samplesASecond),
          ]
      const pitch = voice * luck.between(0.9, 1.15)
      const level = isSharp ? 0.5 : luck.between(0.8, 1.2)
      let [phase, spoken] = [0, 0]
      for (let step = 0; step < lasts * samplesASecond; step++) {
        const place = Math.floor(when * samplesASecond) + step
        if (place >= samples.length) break
        phase += pitch / samplesASecond
        const pulse = phase >= 1 ? 8 : 0
        if (phase >= 1) phase -= 1
        // a voice falls by six decibels an octave: twelve at its folds, less six at the lips
        spoken += VOICE_TILT * (pulse + 0.05 * white(luck) - spoken)
        const source = isSharp ? white(luck) : 4 * spoken
        const shape = Math.sin((Math.PI * step) / (lasts * samplesASecond))
        samples[place] =
          (samples[place] ?? 0) + 0.2 * level * shape * formants.reduce((sum, one) => sum + one(source), 0)
      }
      when += lasts + luck.between(0.01, 0.06)
    }
    when += luck.between(0.2, 0.9)
  }
  return samples
}

export const silence: Noise = (luck, samplesASecond, seconds) =>
  new Float32Array(Math.ceil(samplesASecond * seconds)).map(() => 1e-4 * white(luck))

/** Sound with a noise under it, so loud that the sound stands so many dB above it. */
export function under(sound: Float32Array, noise: Float32Array, aboveDb: number): Float32Array {
  const share = loudnessOf(sound) / Math.max(1e-9, loudnessOf(noise)) / 10 ** (aboveDb / 20)
  return sound.map((value, at) => value + share * (noise[at % noise.length] ?? 0))
}
