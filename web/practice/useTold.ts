import { computed, onScopeDispose, reactive, ref, type ComputedRef, type Ref } from 'vue'
import { isPlausible, readInstrumentLine, readScreenLine } from '../../contract/instruments'
import { useInstrumentSocket } from '../live/instrumentSocket'

const SILENT_AFTER_MS = 2000
/** Three impossible values in a row and an instrument raves. */
const RAVES_AFTER = 3

/** What a drill listens to: angles of an inclinometer, degrees per side, or pressing forces of a scale, N. */
export type Quantity = 'angle' | 'press'
const INSTRUMENT = { angle: 'inclinometer', press: 'scale' } as const

/** Everything that one instrument of a kind tells, and whether it is to be believed; of several, the chosen one alone. */
export function useTold(
  quantity: Quantity,
  onValue: (value: number) => void,
): {
  /** instruments of the kind on the line, in the order in which they came */
  readonly there: ComputedRef<readonly { readonly id: string; readonly name: string }[]>
  /** who is heard: the first that speaks, as long as it does, or the one that was chosen */
  readonly chosen: Ref<string | null>
  /** half-width of the instrument's own 80 % interval, where it says so */
  readonly sureDps: Ref<number | null>
  readonly trust: Ref<'none' | 'good' | 'raving' | 'silent'>
} {
  const sureDps = ref<number | null>(null)
  const trust = ref<'none' | 'good' | 'raving' | 'silent'>('none')
  const known = reactive(new Map<string, string>())
  const current = ref<string | null>(null)
  let isAsked = false
  const chosen = computed({
    get: () => current.value,
    set: (id) => {
      current.value = id
      isAsked = true
      trust.value = 'silent'
    },
  })
  /** Whether a line of an instrument is the one to be heard; one that fell silent gives way to one that speaks. */
  function isHeard(id: string): boolean {
    const isSilent = Date.now() - heardMs > SILENT_AFTER_MS
    if (current.value === null || (!isAsked && isSilent)) current.value = id
    return id === current.value
  }
  let wild = 0
  let heardMs = 0
  function hear(text: string): void {
    const told = readScreenLine(text)
    if (told?.verb === 'here' && told.kind === INSTRUMENT[quantity]) known.set(told.id, told.name)
    if (told?.verb === 'gone') {
      known.delete(told.id)
      if (current.value === told.id) [current.value, isAsked] = [null, false]
    }
    if (told?.verb === 'line' && known.has(told.id) && isHeard(told.id)) {
      const line = readInstrumentLine(told.line)
      if (line.verb !== quantity) return
      heardMs = Date.now()
      const value = line.verb === 'angle' ? line.dps : line.newtons
      if (line.verb === 'angle') sureDps.value = line.sureDps ?? null
      wild = isPlausible(line.verb === 'angle' ? 'dps' : 'newtons', value) ? 0 : wild + 1
      trust.value = wild >= RAVES_AFTER ? 'raving' : 'good'
      if (wild === 0) onValue(value)
    }
    if (known.size === 0) trust.value = 'none'
  }
  useInstrumentSocket(hear, () => {
    known.clear()
    current.value = null
    isAsked = false
    trust.value = 'none'
  })
  const watching = setInterval(() => {
    if (trust.value === 'good' && Date.now() - heardMs > SILENT_AFTER_MS) trust.value = 'silent'
  }, 500)
  onScopeDispose(() => {
    clearInterval(watching)
  })
  return { there: computed(() => [...known].map(([id, name]) => ({ id, name }))), chosen, sureDps, trust }
}
