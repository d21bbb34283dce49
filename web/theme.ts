import { useLocalStorage, type RemovableRef } from '@vueuse/core'
import { watchEffect } from 'vue'

export const THEMES = ['auto', 'light', 'dark'] as const
export type Theme = (typeof THEMES)[number]

/** Light or dark as this device prefers, or as somebody chose for it. */
export function useTheme(): RemovableRef<Theme> {
  const theme = useLocalStorage<Theme>('yorvik.theme', 'auto')
  watchEffect(() => {
    if (theme.value === 'auto') delete document.documentElement.dataset['theme']
    else document.documentElement.dataset['theme'] = theme.value
  })
  return theme
}
