import { defineStore } from 'pinia'
import { ref } from 'vue'

export interface Notice {
  readonly id: number
  readonly text: string
  readonly tone: 'done' | 'refused'
  readonly undo: (() => Promise<unknown>) | null
}

const STAYS_MS = 9000

/** Short news at the foot of the screen: what was done, with its undo, or why it was not. */
export const useNotices = defineStore('notices', () => {
  const notices = ref<Notice[]>([])
  let last = 0

  function dismiss(id: number): void {
    notices.value = notices.value.filter((notice) => notice.id !== id)
  }
  function show(text: string, tone: Notice['tone'], undo: Notice['undo']): void {
    const id = ++last
    notices.value = [...notices.value.slice(-2), { id, text, tone, undo }]
    setTimeout(() => {
      dismiss(id)
    }, STAYS_MS)
  }
  return {
    notices,
    dismiss,
    done: (text: string, undo: Notice['undo'] = null): void => {
      show(text, 'done', undo)
    },
    refused: (text: string): void => {
      show(text, 'refused', null)
    },
  }
})
