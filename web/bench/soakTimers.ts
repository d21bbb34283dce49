import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { MINUTE_MS } from '../../core/time'

interface Soak {
  readonly stoneId: string
  readonly stoneName: string
  readonly untilMs: number
  readonly rang: boolean
  /** it rang again, because it has been under water too long */
  readonly rangLong?: boolean
}

const TICK_MS = 1000
/** So long past ready a stone takes harm: it rings once more (common practice: not days, they crack). */
const TOO_LONG_MS = 45 * MINUTE_MS
/** A stone is forgotten after this long: nobody soaks for days, they crack. */
const FORGET_MS = 12 * 60 * MINUTE_MS

/** A short double tone, made here: nothing is fetched for it. */
function ring(): void {
  try {
    const audio = new AudioContext()
    for (const [at, hertz] of [
      [0, 660],
      [0.35, 880],
    ] as const) {
      const tone = audio.createOscillator()
      const volume = audio.createGain()
      tone.frequency.value = hertz
      volume.gain.setValueAtTime(0.25, audio.currentTime + at)
      volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + 0.3)
      tone.connect(volume).connect(audio.destination)
      tone.start(audio.currentTime + at)
      tone.stop(audio.currentTime + at + 0.32)
    }
  } catch {
    // a screen without sound still shows it
  }
}

const isTooLong = ({ untilMs }: Soak, nowMs: number): boolean => nowMs - untilMs > TOO_LONG_MS

/** Stones under water, on whatever page of this device: started in advance, they ring where the person is. */
export const useSoakTimers = defineStore('soakTimers', () => {
  const soaks = useLocalStorage<Soak[]>('yorvik.soaks', [])
  const nowMs = ref(Date.now())
  useIntervalFn(() => {
    nowMs.value = Date.now()
    if (soaks.value.some((soak) => !soak.rang && soak.untilMs <= nowMs.value)) {
      ring()
      soaks.value = soaks.value.map((soak) => (soak.untilMs <= nowMs.value ? { ...soak, rang: true } : soak))
    }
    if (soaks.value.some((soak) => soak.rangLong !== true && isTooLong(soak, nowMs.value))) {
      ring()
      soaks.value = soaks.value.map((soak) => (isTooLong(soak, nowMs.value) ? { ...soak, rangLong: true } : soak))
    }
    if (soaks.value.some((soak) => nowMs.value - soak.untilMs > FORGET_MS))
      soaks.value = soaks.value.filter((soak) => nowMs.value - soak.untilMs <= FORGET_MS)
  }, TICK_MS)
  return {
    running: computed(() =>
      soaks.value.map((soak) => ({
        ...soak,
        leftMs: Math.max(0, soak.untilMs - nowMs.value),
        tooLong: isTooLong(soak, nowMs.value),
      })),
    ),
    of: (stoneId: string): Soak | undefined => soaks.value.find((soak) => soak.stoneId === stoneId),
    start: (stone: { readonly stoneId: string; readonly stoneName: string; readonly minutes: number }): void => {
      soaks.value = [
        ...soaks.value.filter(({ stoneId }) => stoneId !== stone.stoneId),
        {
          stoneId: stone.stoneId,
          stoneName: stone.stoneName,
          untilMs: Date.now() + stone.minutes * MINUTE_MS,
          rang: false,
        },
      ]
    },
    lift: (stoneId: string): void => {
      soaks.value = soaks.value.filter((soak) => soak.stoneId !== stoneId)
    },
  }
})
