import { onScopeDispose, ref, shallowRef, type Ref, type ShallowRef } from 'vue'
import type { YearOutcome } from '../../core/year/yearHouse'
import type { YearNews, YearTask } from '../workers/yearWorker'

export interface Years {
  /** what each way came to, in the order asked; null before a year was played to its end */
  readonly outcomes: ShallowRef<readonly YearOutcome[] | null>
  readonly progress: Ref<{ readonly done: number; readonly all: number } | null>
  /** the last year could not be played */
  readonly failed: Ref<boolean>
  readonly play: (task: YearTask) => void
  /** ends what is being played; what was played before stays */
  readonly stop: () => void
}

/** Plays years in a worker of their own, one ask at a time. */
export function useYears(): Years {
  const outcomes = shallowRef<readonly YearOutcome[] | null>(null)
  const progress = ref<{ done: number; all: number } | null>(null)
  const failed = ref(false)
  let worker: Worker | null = null
  function stop(): void {
    worker?.terminate()
    worker = null
    progress.value = null
  }
  function play(task: YearTask): void {
    stop()
    failed.value = false
    progress.value = { done: 0, all: task.ways.length * task.runs }
    worker = new Worker(new URL('../workers/yearWorker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('message', ({ data }: MessageEvent<YearNews>) => {
      if (data.kind === 'progress') {
        progress.value = { done: data.done, all: data.all }
        return
      }
      outcomes.value = data.outcomes
      stop()
    })
    worker.addEventListener('error', () => {
      failed.value = true
      stop()
    })
    worker.postMessage(task)
  }
  onScopeDispose(stop)
  return { outcomes, progress, failed, play, stop }
}
