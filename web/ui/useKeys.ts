import { useEventListener } from '@vueuse/core'

const isTick = (target: EventTarget | null): boolean => target instanceof HTMLInputElement && target.type === 'checkbox'
const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  !isTick(target) &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))

/** Keys of a screen; they rest while somebody types in a field or a dialog is open. */
export function useKeys(keys: Readonly<Record<string, (event: KeyboardEvent) => void>>): void {
  useEventListener(window, 'keydown', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return
    if (isTyping(event.target) || document.querySelector('[role="dialog"]')) return
    // Space ticks the box it stands on, and does nothing else
    if (event.key === ' ' && isTick(event.target)) return
    keys[event.key]?.(event)
  })
}
