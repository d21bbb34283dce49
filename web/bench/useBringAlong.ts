import { onScopeDispose, watch, type ComputedRef } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { KnifeView } from '../../contract/knives'
import { HOUR_MS } from '../../core/time'
import { call } from '../api'
import { brought, keepBrought } from './onDevice'

/** A morning’s work at the bench. */
const MOST_KNIVES = 12
const FRESH_MS = HOUR_MS
/** Once the day is read: nobody waits for this. */
const PATIENCE_MS = 2500

/** Brings along what the knives for the stone would need at the bench, so that a device without a network can begin on them. */
export function useBringAlong(knives: ComputedRef<readonly KnifeView[]>): void {
  let timer: ReturnType<typeof setTimeout> | undefined
  let isGone = false
  async function bring(): Promise<void> {
    // only where the browser keeps the app itself
    if (!('serviceWorker' in navigator) || !navigator.serviceWorker.controller) return
    const wanted: string[] = []
    for (const { id } of knives.value.slice(0, MOST_KNIVES)) {
      const known = await brought(id)
      if (!known || Date.now() - known.atMs > FRESH_MS) wanted.push(id)
    }
    if (wanted.length === 0) return
    const [gear, pieces] = await Promise.all([call(endpoints.gear), call(endpoints.pieces)])
    for (const id of wanted) {
      if (isGone) return
      const offer = await call(endpoints.benchOffer, { params: { id }, body: { choices: {} } })
      await keepBrought(id, { offer, gear, pieces, atMs: Date.now() })
    }
  }
  watch(
    () => knives.value.map(({ id }) => id).join(),
    () => {
      clearTimeout(timer)
      timer = setTimeout(() => {
        // without an answer there is nothing to bring; the next visit tries again
        bring().catch(() => undefined)
      }, PATIENCE_MS)
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    isGone = true
    clearTimeout(timer)
  })
}
