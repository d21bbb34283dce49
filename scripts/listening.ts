import { BandFrames } from '../core/listening/bands'
import { kitchen, madeStrokes, runningWater, silence, talk, under } from '../core/listening/simulatedSound'
import { StrokeEar, type StoneSound } from '../core/listening/strokeEar'
import { chance } from '../core/statistics/random'

/**
 * How well strokes are heard: made-up stones, rhythms and kitchens, counted against what was made.
 *
 *     npx tsx scripts/listening.ts [SEEDS]
 */
const RATE = 32_000
const STROKES = 20
const NOISES = { silence, kitchen, talk, 'running water': runningWater }
const [, , seeds = '3'] = process.argv

function hear(samples: Float32Array, stone?: StoneSound): { count: number; stone: StoneSound | undefined } {
  let count = 0
  const ear = new StrokeEar(() => count++, stone)
  new BandFrames(RATE, (levels) => {
    ear.hear(levels)
  }).feed(samples)
  return { count, stone: ear.calibrated() ?? undefined }
}

/** Eight strokes in the kitchen, while nobody talks. */
function calibrated(micron: number, seed: number): StoneSound | undefined {
  const luck = chance(seed)
  const { samples } = madeStrokes(luck, RATE, { micron, aMinute: 45, strokes: 8 })
  return hear(under(samples, kitchen(luck, RATE, samples.length / RATE), 20)).stone
}

console.log('| under the strokes | dB above it | within one of 20 |\n|---|---|---|')
for (const [name, noise] of Object.entries(NOISES))
  for (const aboveDb of name === 'silence' ? [60] : [12, 6]) {
    let [right, all] = [0, 0]
    for (let seed = 0; seed < Number(seeds); seed++)
      for (const micron of [50, 11.5, 4, 1])
        for (const aMinute of [20, 35, 50, 70, 90]) {
          const luck = chance(1000 * seed + all + 1)
          const { samples } = madeStrokes(luck, RATE, { micron, aMinute, strokes: STROKES })
          const mixed = under(samples, noise(luck, RATE, samples.length / RATE), aboveDb)
          const { count } = hear(mixed, calibrated(micron, 1000 * seed + all + 500))
          all++
          if (Math.abs(count - STROKES) <= 1) right++
        }
    console.log(`| ${name} | ${aboveDb} | ${right} of ${all} (${((100 * right) / all).toFixed(0)} %) |`)
  }
const MINUTES = 2 * Number(seeds)
console.log('\n| nobody sharpens, minutes | counted, stone unknown | counted, stone known |\n|---|---|---|')
for (const [name, noise] of Object.entries(NOISES)) {
  let [unknown, known] = [0, 0]
  for (let seed = 0; seed < Number(seeds); seed++) {
    const sound = noise(chance(77 + seed), RATE, (60 * MINUTES) / Number(seeds))
    unknown += hear(sound).count
    known += hear(sound, calibrated(11.5, 300 + seed)).count
  }
  console.log(`| ${name}, ${MINUTES} | ${unknown} | ${known} |`)
}
