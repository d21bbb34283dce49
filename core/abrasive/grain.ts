import { assertPositive, clamp, MeasureError } from '../measure'

export type GritScale = 'JIS' | 'FEPA-F' | 'FEPA-P' | 'micron'

type Grade = readonly [grit: number, medianMicrons: number]

/**
 * Median grain by grade. JIS: JIS R 6001-2 (fine grades; #220 to #280 from memory) and R 6001-1 (macro grits, which
 * have the sizes of FEPA F; from memory). FEPA-F: ISO 8486-1 and -2 (from memory). FEPA-P: ISO 6344-2 and -3 (P400, P1000
 * and P2000 checked, the rest from memory).
 */
const GRADES: Readonly<Record<Exclude<GritScale, 'micron'>, readonly Grade[]>> = {
  JIS: [
    [80, 185],
    [100, 129],
    [120, 109],
    [150, 82],
    [180, 69],
    [220, 63],
    [240, 57],
    [280, 48],
    [320, 40],
    [360, 35],
    [400, 30],
    [500, 25],
    [600, 20],
    [700, 17],
    [800, 14],
    [1000, 11.5],
    [1200, 9.5],
    [1500, 8],
    [2000, 6.7],
    [2500, 5.5],
    [3000, 4],
    [4000, 3],
    [6000, 2],
    [8000, 1.2],
  ],
  'FEPA-F': [
    [80, 185],
    [100, 129],
    [120, 109],
    [150, 82],
    [180, 69],
    [220, 58],
    [230, 53],
    [240, 44.5],
    [280, 36.5],
    [320, 29.2],
    [360, 22.8],
    [400, 17.3],
    [500, 12.8],
    [600, 9.3],
    [800, 6.5],
    [1000, 4.5],
    [1200, 3],
  ],
  'FEPA-P': [
    [80, 201],
    [100, 162],
    [120, 125],
    [150, 100],
    [180, 82],
    [220, 68],
    [240, 58.5],
    [280, 52.2],
    [320, 46.2],
    [360, 40.5],
    [400, 35],
    [500, 30.2],
    [600, 25.8],
    [800, 21.8],
    [1000, 18.3],
    [1200, 15.3],
    [1500, 12.6],
    [2000, 10.3],
    [2500, 8.4],
  ],
}

/** The JIS grit whose median grain is nearest, by ratio (JIS R 6001). @param micron µm, > 0 @example jisGrit(12) // 1000 */
export function jisGrit(micron: number): number {
  assertPositive('micron', micron)
  const off = ([, median]: Grade): number => Math.abs(Math.log(median / micron))
  return GRADES.JIS.reduce((best, grade) => (off(grade) < off(best) ? grade : best))[0]
}

/** The median grain of a JIS grit, µm; beyond the standard's ends that of its last grade: a log may hold any number. */
export function jisMicron(grit: number): number {
  const [low, high] = [GRADES.JIS[0]?.[0] ?? grit, GRADES.JIS.at(-1)?.[0] ?? grit]
  return grainMicrons({ scale: 'JIS', value: clamp(grit, low, high) })
}

/**
 * Median grain size of an abrasive, log-interpolated between the grades of its standard.
 *
 * @param input.value grit number, or µm when the scale is `micron`
 * @returns µm
 * @throws MeasureError `grade-outside-standard` beyond the first or last grade
 * @example grainMicrons({ scale: 'JIS', value: 1000 }) // 11.5
 */
export function grainMicrons(input: { readonly scale: GritScale; readonly value: number }): number {
  assertPositive('grit', input.value)
  if (input.scale === 'micron') return input.value
  const grades = GRADES[input.scale]
  const upperAt = grades.findIndex(([grit]) => grit >= input.value)
  const upper = grades[upperAt]
  const lower = grades[upperAt - 1]
  if (upper && upper[0] === input.value) return upper[1]
  if (!upper || !lower) {
    throw new MeasureError('grade-outside-standard', 'grit', {
      value: input.value,
      scale: input.scale,
      low: grades[0]?.[0] ?? 0,
      high: grades.at(-1)?.[0] ?? 0,
    })
  }
  const share = Math.log(input.value / lower[0]) / Math.log(upper[0] / lower[0])
  return lower[1] * (upper[1] / lower[1]) ** share
}
