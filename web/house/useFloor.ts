import { computed, type ComputedRef } from 'vue'
import type { Station } from '../../contract/house'
import type { KnifeView } from '../../contract/knives'
import { byName, say } from '../i18n'
import { useFleet } from '../live/fleet'
import { useRecords } from '../live/records'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { grouped } from '../../core/group'

type Step = 'lifted' | 'over' | 'dropped' | 'back'

/** The kitchen floor: which knives lie on which board, and what is said and done as one is carried to another. */
export function useFloor(): {
  /** boards in use first */
  readonly floor: ComputedRef<readonly Station[]>
  readonly lying: ComputedRef<ReadonlyMap<string, readonly KnifeView[]>>
  readonly floorWords: (step: Step, source: unknown, target: unknown) => string
  /** the id a thing carries or stands for, empty where it has none */
  readonly idIn: (thing: unknown, key: 'knifeId' | 'stationId') => string
  readonly move: (knifeId: string, stationId: string) => Promise<void>
} {
  const fleet = useFleet()
  const records = useRecords()
  const notices = useNotices()
  const floor = computed(() =>
    [...fleet.stations.values()].sort((a, b) => Number(b.active) - Number(a.active) || byName(a, b)),
  )
  const lying = computed(() =>
    grouped(
      fleet.knives.filter(({ status }) => status !== 'retired'),
      ({ stationId }) => stationId,
    ),
  )
  const idIn = (thing: unknown, key: 'knifeId' | 'stationId'): string => {
    const found = (thing as Partial<Record<typeof key, unknown>> | null)?.[key]
    return typeof found === 'string' ? found : ''
  }
  const codeOf = (knifeId: string): string => fleet.knives.find(({ id }) => id === knifeId)?.code ?? ''
  const nameOf = (stationId: string): string => fleet.stations.get(stationId)?.name ?? ''

  async function move(knifeId: string, stationId: string): Promise<void> {
    const knife = fleet.knives.find(({ id }) => id === knifeId)
    if (!knife || stationId === '' || knife.stationId === stationId) return
    try {
      const id = await records.record({ kind: 'moved', knifeId, payload: { stationId } })
      notices.done(say('house.moved', { code: knife.code, station: nameOf(stationId) }), () =>
        records.undo(knifeId, id, say('shell.undone')),
      )
    } catch (error) {
      notices.refused(refusalText(error))
    }
  }
  return {
    floor,
    lying,
    idIn,
    move,
    floorWords: (step, source, target) =>
      say(`house.floorDrag.${step}`, {
        code: codeOf(idIn(source, 'knifeId')),
        station: nameOf(idIn(target, 'stationId')),
      }),
  }
}
