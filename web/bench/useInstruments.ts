import { useNow } from '@vueuse/core'
import { computed, reactive, type ComputedRef } from 'vue'
import { isPlausible, readInstrumentLine, readScreenLine, type InstrumentKind } from '../../contract/instruments'
import type { Zone } from '../../core/knife/zones'
import { useInstrumentSocket } from '../live/instrumentSocket'

/** What one instrument says, and whether it can be believed. */
export interface LiveValue {
  readonly name: string
  readonly value: number | null
  readonly recent: readonly number[]
  readonly trust: 'good' | 'raving' | 'silent'
}

interface Heard {
  kind: InstrumentKind
  name: string
  value: number | null
  recent: number[]
  wild: number
  atMs: number
}

const RECENT = 24
/** Three impossible values in a row and an instrument raves. */
const RAVES_AFTER = 3
const SILENT_AFTER_MS = 5000

const isStandIn = ({ name }: Heard): boolean => name.startsWith('simulated-')

/** Listens to inclinometer, scale and loupe camera of the house over the line protocol. */
export function useInstruments(onPicture: (picture: { zone: Zone; bluntUm: number; roll: number }) => void): {
  readonly angle: ComputedRef<LiveValue | null>
  readonly press: ComputedRef<LiveValue | null>
} {
  const heard = reactive(new Map<string, Heard>())
  const now = useNow({ interval: 1000 })

  function take(instrument: Heard, quantity: 'dps' | 'newtons', value: number): void {
    instrument.atMs = Date.now()
    if (!isPlausible(quantity, value)) {
      instrument.wild++
      return
    }
    instrument.wild = 0
    instrument.value = value
    instrument.recent = [...instrument.recent.slice(1 - RECENT), value]
  }
  function hear(text: string): void {
    const told = readScreenLine(text)
    if (told?.verb === 'here' && ['inclinometer', 'scale', 'loupe'].includes(told.kind)) {
      heard.set(told.id, {
        kind: told.kind as InstrumentKind,
        name: told.name,
        value: null,
        recent: [],
        wild: 0,
        atMs: Date.now(),
      })
    } else if (told?.verb === 'gone') heard.delete(told.id)
    else if (told?.verb === 'line') {
      const instrument = heard.get(told.id)
      const line = readInstrumentLine(told.line)
      if (!instrument) return
      if (line.verb === 'angle') take(instrument, 'dps', line.dps)
      else if (line.verb === 'press') take(instrument, 'newtons', line.newtons)
      else if (line.verb === 'picture' && isPlausible('bluntUm', line.bluntUm) && isPlausible('roll', line.roll))
        onPicture(line)
    }
  }
  useInstrumentSocket(hear, () => {
    heard.clear()
  })
  const live = (kind: InstrumentKind): ComputedRef<LiveValue | null> =>
    computed(() => {
      // of several the one that came first is heard, as long as it speaks: two hands in turn are no angle; a stand-in last
      const own = [...heard.values()]
        .filter((one) => one.kind === kind)
        .sort((a, b) => Number(isStandIn(a)) - Number(isStandIn(b)))
      const speaks = (one: Heard): boolean => now.value.getTime() - one.atMs <= SILENT_AFTER_MS
      const found = own.find(speaks) ?? own.sort((a, b) => b.atMs - a.atMs)[0]
      if (!found) return null
      const trust =
        found.wild >= RAVES_AFTER ? 'raving' : now.value.getTime() - found.atMs > SILENT_AFTER_MS ? 'silent' : 'good'
      return { name: found.name, value: found.value, recent: found.recent, trust }
    })
  return { angle: live('inclinometer'), press: live('scale') }
}
