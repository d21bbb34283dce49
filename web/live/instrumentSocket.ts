import { onScopeDispose } from 'vue'

type Hear = (line: string) => void

interface Ear {
  readonly hear: Hear
  readonly onLost: () => void
}

const RETRY_MS = 3000
export const instrumentsUrl = (): string =>
  `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/api/instruments`

/** Whoever listens: check and bench share one line to the house's instruments. */
const ears = new Set<Ear>()
/** who has been announced and not left: said again to whoever begins to listen later */
const here = new Map<string, string>()
let socket: WebSocket | null = null
let retry: ReturnType<typeof setTimeout> | null = null

function hearAll(line: string): void {
  const [verb, id = ''] = line.split(' ')
  if (verb === 'here') here.set(id, line)
  else if (verb === 'gone') here.delete(id)
  for (const ear of [...ears]) ear.hear(line)
}

function connect(): void {
  const opened = new WebSocket(instrumentsUrl())
  socket = opened
  opened.addEventListener('open', () => {
    opened.send('watch')
  })
  opened.addEventListener('message', (message) => {
    hearAll(String(message.data))
  })
  opened.addEventListener('close', () => {
    if (socket !== opened) return
    here.clear()
    socket = null
    for (const ear of [...ears]) ear.onLost()
    if (ears.size === 0) return
    retry = setTimeout(() => {
      retry = null
      connect()
    }, RETRY_MS)
  })
}

function disconnect(): void {
  if (retry) clearTimeout(retry)
  retry = null
  here.clear()
  const open = socket
  socket = null
  open?.close()
}

/**
 * Listens to the house's instruments for as long as the component lives. The socket is opened for the first listener
 * and closed after the last.
 *
 * @param hear every line, in the form {@link readScreenLine} reads
 * @param onLost the line is gone, and with it every instrument; it is opened again by itself
 */
export function useInstrumentSocket(hear: Hear, onLost: () => void): { readonly send: (line: string) => void } {
  const ear: Ear = { hear, onLost }
  ears.add(ear)
  if (!socket && !retry) connect()
  for (const line of here.values()) hear(line)
  onScopeDispose(() => {
    ears.delete(ear)
    if (ears.size === 0) disconnect()
  })
  return { send: (line) => socket?.send(line) }
}
