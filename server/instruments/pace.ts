export interface PaceLimits {
  /** lines a second in the long run */
  readonly perSecond: number
  /** lines at once */
  readonly atOnce: number
  /** lines too many before its patience ends */
  readonly patience: number
}

/** What becomes of a line: passed on, dropped, or the last one its sender gets to send. */
export type Paced = 'pass' | 'drop' | 'enough'

/** A bucket that fills at a steady rate: lines that find it empty are dropped, and who goes on and on is sent away. */
export function paceOf({ perSecond, atOnce, patience }: PaceLimits, nowMs: () => number): () => Paced {
  let left = atOnce
  let dropped = 0
  let lastMs = nowMs()
  return () => {
    const at = nowMs()
    left = Math.min(atOnce, left + ((at - lastMs) / 1000) * perSecond)
    lastMs = at
    if (left >= 1) {
      left -= 1
      return 'pass'
    }
    dropped++
    return dropped > patience ? 'enough' : 'drop'
  }
}
