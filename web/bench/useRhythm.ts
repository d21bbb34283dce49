import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { ref, watch, type Ref } from 'vue'

const TICK_MS = 1300
/** Counted aloud every so many strokes. */
const SPOKEN_EVERY = 5

function tick(audio: AudioContext): void {
  const tone = audio.createOscillator()
  const volume = audio.createGain()
  tone.frequency.value = 1200
  volume.gain.setValueAtTime(0.12, audio.currentTime)
  volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.05)
  tone.connect(volume).connect(audio.destination)
  tone.start()
  tone.stop(audio.currentTime + 0.06)
}

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
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(String(now)))
  })
  return { ticking, speaking }
}
