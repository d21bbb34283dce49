import { useStorage } from '@vueuse/core'

const MOST = 8

/** Codes of the knives whose pages were seen last, the newest first; this device's own. */
export function useRecentKnives(): {
  readonly placeOf: (code: string) => number
  readonly saw: (code: string) => void
} {
  const codes = useStorage<string[]>('yorvik.seen-knives', [])
  return {
    /** 0 for the newest; whatever was not seen comes after all that was */
    placeOf: (code) => (codes.value.includes(code) ? codes.value.indexOf(code) : MOST),
    saw: (code) => {
      codes.value = [code, ...codes.value.filter((one) => one !== code)].slice(0, MOST)
    },
  }
}
