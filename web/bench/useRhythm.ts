import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { ref, watch, type Ref } from 'vue'
import { locale } from '../spoken'
import { tick } from './tick'

const TICK_MS = 1300
/** Counted aloud every so many strokes. */
const SPOKEN_EVERY = 5

/**
 * A rhythm to stroke to, for hands that cannot touch the screen: every tick counts one stroke. And, if
 * wanted, the count said aloud by the browser's own voice.
 */
export function useRhythm(count: Ref<number>, stroke: () => void): { ticking: Ref<boolean>; speaking: Ref<boolean> } {
  const ticking = ref(false)
  const speaking = useLocalStorage('yorvik.speaking', false)
  let audio: AudioContext | null = null
  const { pause, resume } = useIntervalFn(
    () => {
      if (audio) tick(audio)
      stroke()
    },
    TICK_MS,
    { immediate: false },
  )
  watch(ticking, (on) => {
    if (!on) {
      pause()
      return
    }
    try {
      audio ??= new AudioContext()
    } catch {
      audio = null
    }
    resume()
  })
  watch(count, (now, before) => {
    if (!speaking.value || now <= before || now % SPOKEN_EVERY !== 0 || !('speechSynthesis' in window)) return
    const spoken = new SpeechSynthesisUtterance(String(now))
    // without it a number is read in the language of the device, not of whoever strokes
    spoken.lang = locale.value
    window.speechSynthesis.speak(spoken)
  })
  return { ticking, speaking }
}
