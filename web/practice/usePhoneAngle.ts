import { useEventListener } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { phoneAngle, type PhoneAngle, type PhoneTilt } from '../../core/hands/phoneAngle'
import { instrumentsUrl } from '../live/instrumentSocket'

/** The last moment: long enough to even a tremor out, short enough to follow a hand. */
const MOMENT_MS = 400
const TELLS_EVERY_MS = 120
const RETRY_MS = 3000

/** Browsers that ask before a page may feel how the device lies. */
type AsksFirst = typeof DeviceOrientationEvent & { requestPermission?: () => Promise<'granted' | 'denied'> }

/**
 * This phone's own sensors as an inclinometer of the house.
 *
 * @param name how the house calls it: one word
 * @param faceDps angle of the chosen blade's face to its centre plane, degrees
 */
export function usePhoneAngle(name: string, faceDps: () => number) {
  const state = ref<'ask' | 'none' | 'refused' | 'heard'>('ask')
  const moment = shallowRef<readonly (PhoneTilt & { readonly atMs: number })[]>([])
  const zeroed = shallowRef<readonly PhoneTilt[]>([])
  const online = ref(false)

  useEventListener(window, 'deviceorientation', ({ beta, gamma }) => {
    if (beta === null || gamma === null) return
    const atMs = Date.now()
    state.value = 'heard'
    moment.value = [
      ...moment.value.filter((one) => atMs - one.atMs < MOMENT_MS),
      { betaDeg: beta, gammaDeg: gamma, atMs },
    ]
  })
  async function ask(): Promise<void> {
    const kind = (globalThis as { DeviceOrientationEvent?: AsksFirst }).DeviceOrientationEvent
    if (!kind) {
      state.value = 'none'
      return
    }
    const answer = await kind.requestPermission?.().catch(() => 'denied' as const)
    if (answer === 'denied') state.value = 'refused'
    else if (moment.value.length === 0) state.value = 'none'
  }

  const angle = computed((): PhoneAngle | null =>
    zeroed.value.length > 0 && moment.value.length > 0 ? phoneAngle(zeroed.value, moment.value, faceDps()) : null,
  )

  let socket: WebSocket | null = null
  let retry: ReturnType<typeof setTimeout> | null = null
  function connect(): void {
    const opened = new WebSocket(instrumentsUrl())
    socket = opened
    opened.addEventListener('open', () => {
      opened.send(`hello inclinometer ${name}`)
    })
    opened.addEventListener('message', ({ data }) => {
      if (String(data).startsWith('welcome')) online.value = true
    })
    opened.addEventListener('close', () => {
      if (socket !== opened) return
      online.value = false
      retry = setTimeout(connect, RETRY_MS)
    })
  }
  connect()
  const telling = setInterval(() => {
    // sensors that have fallen silent tell nothing: the last angle is no angle
    const isFresh = Date.now() - (moment.value.at(-1)?.atMs ?? 0) < MOMENT_MS
    if (!isFresh) moment.value = []
    if (angle.value && online.value && isFresh)
      socket?.send(`angle ${angle.value.dps.toFixed(2)} ${angle.value.sureDps.toFixed(2)}`)
  }, TELLS_EVERY_MS)
  onScopeDispose(() => {
    clearInterval(telling)
    if (retry) clearTimeout(retry)
    const open = socket
    socket = null
    open?.close()
  })
  return {
    state,
    angle,
    online,
    ask,
    zero: (): void => {
      zeroed.value = moment.value
    },
  }
}
