import { onScopeDispose, ref, type Ref } from 'vue'
import { instrumentsUrl } from '../live/instrumentSocket'

/** A force tester that lives in this page and speaks the same lines as a real one. */
export interface SimulatedTester {
  readonly name: string
  readonly connected: Ref<boolean>
  /** cuts the test line: the force rises to its peak and falls */
  readonly cut: (forceGf: number) => void
}

const RISE = [0.2, 0.55, 0.85, 1] as const

export function useSimulatedTester(): SimulatedTester {
  const name = `simulator-${Math.random().toString(36).slice(2, 7)}`
  const connected = ref(false)
  const socket = new WebSocket(instrumentsUrl())
  socket.addEventListener('open', () => {
    socket.send(`hello force-tester ${name}`)
  })
  socket.addEventListener('message', (message) => {
    const line = String(message.data)
    if (line.startsWith('welcome')) connected.value = true
    if (line === 'do zero') send('zero')
  })
  socket.addEventListener('close', () => {
    connected.value = false
  })
  const send = (line: string): void => {
    if (socket.readyState === WebSocket.OPEN) socket.send(line)
  }
  onScopeDispose(() => {
    socket.close()
  })
  return {
    name,
    connected,
    cut: (forceGf) => {
      for (const share of RISE) send(`force ${Math.round(share * forceGf)} gf`)
      send(`peak ${forceGf} gf`)
    },
  }
}
