import { useMediaQuery } from '@vueuse/core'
import { computed, type ComputedRef } from 'vue'

/** The tones of the style sheet as a chart wants them, read anew when light turns to dark. */
export interface Tones {
  readonly ink: string
  readonly soft: string
  readonly rule: string
  readonly ember: string
  readonly keen: string
  readonly out: string
  readonly ground: string
  readonly face: string
}

export function useTones(): ComputedRef<Tones> {
  const dark = useMediaQuery('(prefers-color-scheme: dark)')
  return computed(() => {
    const style = getComputedStyle(document.documentElement)
    const tone = (name: string): string => style.getPropertyValue(`--${name}`).trim()
    return {
      // reading it here makes the tones follow the system's setting
      ink: dark.value ? tone('ink') : tone('ink'),
      soft: tone('ink-soft'),
      rule: tone('rule'),
      ember: tone('ember'),
      keen: tone('keen'),
      out: tone('out'),
      ground: tone('ground'),
      face: tone('face'),
    }
  })
}

/** A tone with less of it, for bands. */
export function faint(tone: string, share: number): string {
  const [red, green, blue] = [1, 3, 5].map((at) => parseInt(tone.slice(at, at + 2), 16))
  return `rgba(${red ?? 0}, ${green ?? 0}, ${blue ?? 0}, ${share})`
}
