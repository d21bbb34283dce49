import { onScopeDispose, ref, type Ref } from 'vue'
import { isPlausible, readInstrumentLine, readScreenLine } from '../../contract/instruments'
import { useInstrumentSocket } from '../live/instrumentSocket'

const SILENT_AFTER_MS = 2000
/** Three impossible values in a row and an instrument raves. */
const RAVES_AFTER = 3

/** Every angle an inclinometer of the house tells, and whether there is one to be believed. */
export function useAngles(onAngle: (dps: number) => void): {
  readonly name: Ref<string | null>
  readonly trust: Ref<'none' | 'good' | 'raving' | 'silent'>
} {
  const name = ref<string | null>(null)
  const trust = ref<'none' | 'good' | 'raving' | 'silent'>('none')
  const known = new Map<string, string>()
  let wild = 0
  let heardMs = 0
  function hear(text: string): void {
    const told = readScreenLine(text)
    if (told?.verb === 'here' && told.kind === 'inclinometer') known.set(told.id, told.name)
    if (told?.verb === 'gone') known.delete(told.id)
    if (told?.verb === 'line' && known.has(told.id)) {
      const line = readInstrumentLine(told.line)
      if (line.verb !== 'angle') return
      heardMs = Date.now()
      name.value = known.get(told.id) ?? null
      wild = isPlausible('dps', line.dps) ? 0 : wild + 1
      trust.value = wild >= RAVES_AFTER ? 'raving' : 'good'
      if (wild === 0) onAngle(line.dps)
    }
    if (known.size === 0) {
      name.value = null
      trust.value = 'none'
    }
  }
  useInstrumentSocket(hear, () => {
    known.clear()
    trust.value = 'none'
  })
  const watching = setInterval(() => {
    if (trust.value === 'good' && Date.now() - heardMs > SILENT_AFTER_MS) trust.value = 'silent'
  }, 500)
  onScopeDispose(() => {
    clearInterval(watching)
  })
  return { name, trust }
}
