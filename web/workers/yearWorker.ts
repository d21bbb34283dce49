import { compareYears, type YearsAsk } from '../../core/year/compareYears'
import type { YearOutcome } from '../../core/year/yearHouse'

export type YearTask = Omit<YearsAsk, 'onProgress'>
export type YearNews =
  | { readonly kind: 'progress'; readonly done: number; readonly all: number }
  | { readonly kind: 'done'; readonly outcomes: readonly YearOutcome[] }

/** Plays years off the page's thread, telling how far it has come; ended with the worker. */
addEventListener('message', ({ data }: MessageEvent<YearTask>) => {
  const tell = (news: YearNews): void => {
    postMessage(news)
  }
  const outcomes = compareYears({
    ...data,
    onProgress: (done, all) => {
      tell({ kind: 'progress', done, all })
    },
  })
  tell({ kind: 'done', outcomes })
})
