import { ref, type Ref } from 'vue'
import { readInstrumentLine, readScreenLine } from '../../contract/instruments'
import { useInstrumentSocket } from '../live/instrumentSocket'

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
  const { send } = useInstrumentSocket(hear, () => {
    testers.value = []
    chosen.value = null
  })
  return {
    testers,
    chosen,
    zeroed,
    live,
    askZero: () => {
      if (chosen.value) send(`do ${chosen.value} zero`)
    },
  }
}
