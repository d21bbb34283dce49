import { onScopeDispose, ref, type Ref } from 'vue'
import { readInstrumentLine, readScreenLine } from '../../contract/instruments'

export interface Tester {
  readonly id: string
  readonly name: string
}

/** A line to whatever instruments stand in this house. */
export interface TesterLink {
  readonly testers: Ref<readonly Tester[]>
  readonly chosen: Ref<string | null>
  /** whether the chosen tester was zeroed since its last peak */
  readonly zeroed: Ref<boolean>
  readonly live: Ref<number | null>
  readonly askZero: () => void
}

const RETRY_MS = 3000
export const instrumentsUrl = (): string =>
  `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/api/instruments`

/**
 * Listens to force testers over the line protocol; each peak of the chosen one is a reading.
 *
 * @param prefers name of the tester to choose by itself, such as this screen's own simulator
 */
export function useTester(
  prefers: () => string | null,
  onPeak: (forceGf: number, zeroed: boolean) => void,
): TesterLink {
  const testers = ref<readonly Tester[]>([])
  const chosen = ref<string | null>(null)
  const zeroed = ref(false)
  const live = ref<number | null>(null)
  let socket: WebSocket | null = null
  let retry: ReturnType<typeof setTimeout> | null = null
  let closed = false

  function hear(text: string): void {
    const heard = readScreenLine(text)
    if (heard?.verb === 'here' && heard.kind === 'force-tester') {
      testers.value = [...testers.value.filter((one) => one.id !== heard.id), { id: heard.id, name: heard.name }]
      if (heard.name === prefers() || (chosen.value === null && !heard.name.startsWith('simulator')))
        chosen.value = heard.id
    } else if (heard?.verb === 'gone') {
      testers.value = testers.value.filter((one) => one.id !== heard.id)
      if (chosen.value === heard.id) chosen.value = null
    } else if (heard?.verb === 'line' && heard.id === chosen.value) {
      const line = readInstrumentLine(heard.line)
      if (line.verb === 'zero') {
        zeroed.value = true
        live.value = 0
      } else if (line.verb === 'force') live.value = line.forceGf
      else if (line.verb === 'peak') {
        onPeak(line.forceGf, zeroed.value)
        zeroed.value = false
        live.value = null
      }
    }
  }
  function connect(): void {
    socket = new WebSocket(instrumentsUrl())
    socket.addEventListener('open', () => {
      socket?.send('watch')
    })
    socket.addEventListener('message', (message) => {
      hear(String(message.data))
    })
    socket.addEventListener('close', () => {
      testers.value = []
      chosen.value = null
      if (!closed) retry = setTimeout(connect, RETRY_MS)
    })
  }
  connect()
  onScopeDispose(() => {
    closed = true
    if (retry) clearTimeout(retry)
    socket?.close()
  })
  return {
    testers,
    chosen,
    zeroed,
    live,
    askZero: () => {
      if (chosen.value) socket?.send(`do ${chosen.value} zero`)
    },
  }
}
