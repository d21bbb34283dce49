/** Centre frequencies of the bands in which strokes, talk and water differ, Hz: half an octave apart. */
export const BAND_HZ = [354, 500, 707, 1000, 1414, 2000, 2828, 4000, 5657, 8000, 11314] as const
const BAND_Q = 2.87
/** Frames of sound a second that are looked at. */
export const FRAMES_A_SECOND = 50

interface Filter {
  readonly b0: number
  readonly b2: number
  readonly a1: number
  readonly a2: number
  x1: number
  x2: number
  y1: number
  y2: number
}

/** A band-pass of constant peak gain at a rate of samples, as the Audio EQ Cookbook has it (W3C note; b1 is 0). */
function bandPass(hz: number, samplesASecond: number): Filter {
  const turn = (2 * Math.PI * hz) / samplesASecond
  const alpha = Math.sin(turn) / (2 * BAND_Q)
  const a0 = 1 + alpha
  return {
    b0: alpha / a0,
    b2: -alpha / a0,
    a1: (-2 * Math.cos(turn)) / a0,
    a2: (1 - alpha) / a0,
    x1: 0,
    x2: 0,
    y1: 0,
    y2: 0,
  }
}

/** Turns sound into frames of band levels, dB; fed in pieces of any length, as an audio worklet gets them. */
export class BandFrames {
  private readonly filters: readonly Filter[]
  private readonly sums: number[]
  private readonly samplesAFrame: number
  private filled = 0

  /** @param samplesASecond of the sound, Hz; bands above half of it are left silent */
  constructor(
    samplesASecond: number,
    private readonly onFrame: (levelsDb: readonly number[]) => void,
  ) {
    const highest = samplesASecond / 2
    this.filters = BAND_HZ.map((hz) => bandPass(Math.min(hz, 0.9 * highest), samplesASecond))
    this.sums = BAND_HZ.map(() => 0)
    this.samplesAFrame = Math.round(samplesASecond / FRAMES_A_SECOND)
  }

  /** @param samples between −1 and 1 */
  feed(samples: Float32Array | readonly number[]): void {
    for (const x of samples) {
      for (let band = 0; band < this.filters.length; band++) {
        const f = this.filters[band]
        if (!f) continue
        const y = f.b0 * x + f.b2 * f.x2 - f.a1 * f.y1 - f.a2 * f.y2
        f.x2 = f.x1
        f.x1 = x
        f.y2 = f.y1
        f.y1 = y
        this.sums[band] = (this.sums[band] ?? 0) + y * y
      }
      if (++this.filled === this.samplesAFrame) this.frame()
    }
  }

  private frame(): void {
    const QUIETEST = 1e-12
    const levels = this.sums.map((sum) => 10 * Math.log10(sum / this.samplesAFrame + QUIETEST))
    this.sums.fill(0)
    this.filled = 0
    this.onFrame(levels)
  }
}
