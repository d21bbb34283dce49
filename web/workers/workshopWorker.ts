import { MeasureError } from '../../core/measure'
import type { WorkshopAsk } from '../../core/workshop/plan'
import { seriesAhead, type SeriesSession } from '../../core/workshop/series'

export interface WorkshopTask {
  readonly ask: number
  readonly work: WorkshopAsk
}
export type WorkshopAnswer =
  | { readonly ask: number; readonly series: readonly SeriesSession[]; readonly wrong: null }
  | {
      readonly ask: number
      readonly series: null
      readonly wrong: {
        readonly code: string
        readonly quantity: string
        readonly values: Readonly<Record<string, number | string>>
      }
    }

/** Plans workshop work off the page's thread, so that dragging an angle never waits for it. */
addEventListener('message', ({ data }: MessageEvent<WorkshopTask>) => {
  let answer: WorkshopAnswer
  try {
    answer = { ask: data.ask, series: seriesAhead(data.work), wrong: null }
  } catch (error) {
    if (!(error instanceof MeasureError)) throw error
    answer = {
      ask: data.ask,
      series: null,
      wrong: { code: error.code, quantity: error.quantity, values: error.values },
    }
  }
  postMessage(answer)
})
