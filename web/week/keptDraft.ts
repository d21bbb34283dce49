import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { Placement, PlanWeights } from '../../core/plan/problem'

/** A plan as somebody left it to look at another page: what they moved, and the search that goes on at the server. */
export interface KeptDraft {
  /** version of the accepted plan it was made from, 0 where there was none */
  readonly basedOn: number
  readonly placements: readonly Placement[]
  readonly locks: readonly Placement[]
  readonly weights: PlanWeights | null
  /** the improvement still asked for at the server */
  readonly improvementId: string | null
}

/** Holds what is planned and not yet accepted while another page is open; signing out forgets it. */
export const useKeptDraft = defineStore('keptDraft', () => {
  const draft = shallowRef<KeptDraft | null>(null)
  return {
    draft,
    keep: (made: KeptDraft | null): void => {
      draft.value = made
    },
    /** @returns the draft, if it was made from this version; it is given back once */
    take: (basedOn: number): KeptDraft | null => {
      const found = draft.value?.basedOn === basedOn ? draft.value : null
      draft.value = null
      return found
    },
  }
})
