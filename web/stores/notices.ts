import { defineStore } from 'pinia'
import { ref } from 'vue'

export interface Notice {
  readonly id: number
  readonly text: string
  readonly tone: 'done' | 'refused'
  readonly undo: (() => Promise<unknown>) | null
  /** a question beside the news, with its answers; nobody has to give one */
  readonly question: Question | null
}

export interface Question {
  readonly text: string
  readonly answers: readonly { readonly label: string; readonly give: () => Promise<unknown> }[]
}

/** Short news at the foot of the screen: what was done, with its undo, or why it was not. */
export const useNotices = defineStore('notices', () => {
  const notices = ref<Notice[]>([])
  let last = 0

  function dismiss(id: number): void {
    notices.value = notices.value.filter((notice) => notice.id !== id)
  }
  function show(text: string, tone: Notice['tone'], undo: Notice['undo'], question: Question | null): void {
    const id = ++last
    notices.value = [...notices.value.slice(-2), { id, text, tone, undo, question }]
  }
  return {
    notices,
    dismiss,
    done: (text: string, undo: Notice['undo'] = null, question: Question | null = null): void => {
      show(text, 'done', undo, question)
    },
    refused: (text: string): void => {
      show(text, 'refused', null, null)
    },
  }
})
