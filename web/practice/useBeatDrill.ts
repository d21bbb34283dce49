import { onScopeDispose, ref, shallowRef } from 'vue'
import { useTold, type Quantity } from './useTold'

/** Long enough to see a hand tire, short enough to be done between two jobs. */
export const DRILL_STROKES = 12
/** A stroke of the whole blade at forty a minute (common practice for a beginner's pace). */
const STROKE_MS = 1500
const COUNT_IN = 3
const FEWEST_TOLD = 4
const SHOWN = 60
/** The latest values that a zero is taken from. */
const ZERO_OF = 5

/**
 * A drill with an instrument: counted in, then a stroke a beat.
 *
 * @param zeroAt what the instrument should tell when it is zeroed: the angle of a blade flat on its face, or nothing on a scale
 */
export function useBeatDrill(quantity: Quantity, zeroAt: () => number, onDone: (strokes: number[][]) => void) {
  const phase = ref<'ready' | 'counting' | 'running'>('ready')
  /** beats left of the count, or the stroke that is made now */
  const beat = ref(0)
  const shown = shallowRef<readonly number[]>([])
  const zero = ref(0)
  const strokes: number[][] = []
  let raw: number[] = []
  let timer: ReturnType<typeof setInterval> | null = null

  const { there, chosen, trust, sureDps } = useTold(quantity, (told) => {
    raw = [...raw.slice(1 - ZERO_OF), told]
    const value = Math.max(0, told - zero.value)
    shown.value = [...shown.value.slice(1 - SHOWN), value]
    if (phase.value === 'running') strokes.at(-1)?.push(Math.round(100 * value) / 100)
  })

  function stop(): void {
    if (timer) clearInterval(timer)
    timer = null
    phase.value = 'ready'
    strokes.length = 0
  }
  function onBeat(): void {
    if (phase.value === 'counting' && --beat.value > 0) return
    if (phase.value === 'counting') {
      phase.value = 'running'
      beat.value = 0
    }
    // a beat in which the instrument said too little is made again
    if ((strokes.at(-1)?.length ?? FEWEST_TOLD) < FEWEST_TOLD) strokes.pop()
    if (strokes.length >= DRILL_STROKES) {
      const made = strokes.map((stroke) => [...stroke])
      stop()
      onDone(made)
      return
    }
    strokes.push([])
    beat.value = strokes.length
  }
  onScopeDispose(stop)
  return {
    phase,
    beat,
    shown,
    there,
    chosen,
    trust,
    sureDps,
    /** a blade flat on its face stands at the angle of the face to the centre plane, not at none */
    setZero: (): void => {
      if (raw.length > 0) zero.value = raw.reduce((sum, value) => sum + value, 0) / raw.length - zeroAt()
    },
    start: (): void => {
      stop()
      phase.value = 'counting'
      beat.value = COUNT_IN
      timer = setInterval(onBeat, STROKE_MS)
    },
    stop,
  }
}
export type BeatDrill = ReturnType<typeof useBeatDrill>
