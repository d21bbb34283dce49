import { onScopeDispose, ref, watch, type Ref } from 'vue'
import type { StoneSound } from '../../core/listening/strokeEar'
import type { EarSays } from './strokeWorklet'
import workletUrl from './strokeWorklet?worker&url'

/** Why nothing is heard: the browser has no microphone to give on this address, somebody said no, or there is none. */
export type EarFault = 'insecure' | 'refused' | 'none'

/** How each stone sounds, for as long as the page lives: another day the room is another. */
const known = new Map<string, StoneSound>()

async function openMicrophone(): Promise<MediaStream> {
  // browsers give a microphone to secure addresses only
  const devices = navigator.mediaDevices as MediaDevices | undefined
  if (!devices) throw new DOMException('no secure address', 'SecurityError')
  // what makes speech clear takes strokes for noise
  const plain = { echoCancellation: false, noiseSuppression: false, autoGainControl: false }
  return await devices.getUserMedia({ audio: plain, video: false })
}
const faultOf = (error: unknown): EarFault => {
  const name = error instanceof DOMException ? error.name : ''
  return name === 'SecurityError' ? 'insecure' : name === 'NotAllowedError' ? 'refused' : 'none'
}

/**
 * The bench listens: strokes on a stone are counted while both hands are wet. The first eight teach it this stone in this
 * room. Nothing is recorded, stored or sent; the sound stays in the audio worklet.
 *
 * @param stone what the next strokes are made on
 * @param onStroke hears of each stroke, up to a few seconds late at the beginning of a row
 */
export function useStrokeEar(
  stone: () => string,
  onStroke: () => void,
): {
  readonly state: Ref<'off' | 'learning' | 'listening'>
  readonly fault: Ref<EarFault | null>
  readonly toggle: () => Promise<void>
} {
  const state = ref<'off' | 'learning' | 'listening'>('off')
  const fault = ref<EarFault | null>(null)
  let stream: MediaStream | null = null
  let audio: AudioContext | null = null
  let ear: AudioWorkletNode | null = null
  /** counts what was begun and ended: a microphone that opens too late is closed again */
  let turn = 0

  function stop(): void {
    turn++
    for (const track of stream?.getTracks() ?? []) track.stop()
    stream = null
    void audio?.close()
    audio = null
    ear = null
    state.value = 'off'
  }
  /** Has the ear go by what is known of the stone that is worked on now. */
  function tune(): void {
    const before = known.get(stone()) ?? null
    ear?.port.postMessage(before)
    state.value = before ? 'listening' : 'learning'
  }
  async function start(): Promise<void> {
    fault.value = null
    state.value = 'learning'
    const ofTurn = ++turn
    try {
      const opened = await openMicrophone()
      if (ofTurn !== turn) {
        for (const track of opened.getTracks()) track.stop()
        return
      }
      stream = opened
      const context = new AudioContext()
      audio = context
      await context.audioWorklet.addModule(workletUrl)
      if (ofTurn !== turn) return
      ear = new AudioWorkletNode(context, 'stroke-ear', { numberOfOutputs: 0, channelCount: 1 })
      ear.port.onmessage = ({ data }: MessageEvent<EarSays>) => {
        if (data.kind === 'stroke') onStroke()
        else {
          known.set(stone(), data.stone)
          tune()
        }
      }
      tune()
      context.createMediaStreamSource(opened).connect(ear)
    } catch (error) {
      if (ofTurn !== turn) return
      fault.value = faultOf(error)
      stop()
    }
  }
  // the next stone sounds otherwise
  watch(stone, () => {
    if (ear) tune()
  })
  onScopeDispose(stop)
  return {
    state,
    fault,
    toggle: async () => {
      if (state.value === 'off') await start()
      else stop()
    },
  }
}
