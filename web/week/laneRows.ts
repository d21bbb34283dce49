/** A session as it stands in a lane: from where, how wide, on which row; the bar says how long it truly is. */
export interface LaneBlock<T> {
  readonly session: T
  readonly leftPx: number
  readonly widthPx: number
  readonly barPx: number
  readonly row: number
}

const GAP_PX = 2

/**
 * Lays the sessions of a lane so that each can be read and touched: none takes less than `leastPx`, and those that
 * would cover each other stand on rows of their own. Sessions are taken in order of their start; a block that would
 * stick out of the lane is drawn back into it.
 */
export function layLaneRows<T extends { readonly startMs: number; readonly endMs: number }>(
  sessions: readonly T[],
  window: { readonly startMs: number; readonly endMs: number },
  lanePx: number,
  leastPx: number,
): LaneBlock<T>[] {
  const pxPerMs = lanePx / (window.endMs - window.startMs)
  const rowEndsPx: number[] = []
  return [...sessions]
    .sort((a, b) => a.startMs - b.startMs)
    .map((session) => {
      const barPx = (session.endMs - session.startMs) * pxPerMs
      const takenPx = Math.min(Math.max(barPx, leastPx), lanePx)
      const leftPx = Math.max(0, Math.min((session.startMs - window.startMs) * pxPerMs, lanePx - takenPx))
      const free = rowEndsPx.findIndex((end) => end <= leftPx + 0.5)
      const row = free < 0 ? rowEndsPx.length : free
      rowEndsPx[row] = leftPx + takenPx
      return { session, leftPx, widthPx: takenPx - GAP_PX, barPx, row }
    })
}
