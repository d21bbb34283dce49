import { onScopeDispose, shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import type { WorkshopAsk } from '../../core/workshop/plan'
import type { SeriesSession } from '../../core/workshop/series'
import type { WorkshopAnswer, WorkshopTask } from '../workers/workshopWorker'

export type Wrong = NonNullable<WorkshopAnswer['wrong']>

/** The sessions of what is asked, worked out in a worker; the last good ones stay while a new ask is wrong. */
export function useWorkshop(work: Ref<WorkshopAsk | null>): {
  readonly series: ShallowRef<readonly SeriesSession[]>
  readonly wrong: ShallowRef<Wrong | null>
} {
  const series = shallowRef<readonly SeriesSession[]>([])
  const wrong = shallowRef<Wrong | null>(null)
  const worker = new Worker(new URL('../workers/workshopWorker.ts', import.meta.url), { type: 'module' })
  let asked = 0
  worker.onmessage = ({ data }: MessageEvent<WorkshopAnswer>) => {
    if (data.ask !== asked) return
    wrong.value = data.wrong
    if (data.series) series.value = data.series
  }
  watch(
    work,
    (value) => {
      if (!value) return
      const task: WorkshopTask = { ask: ++asked, work: value }
      worker.postMessage(JSON.parse(JSON.stringify(task)))
    },
    { immediate: true, deep: true },
  )
  onScopeDispose(() => {
    worker.terminate()
  })
  return { series, wrong }
}
