import { v7 as newId } from 'uuid'
import { reactive } from 'vue'
import type { KnifeView } from '../../contract/knives'
import type { Measurable } from '../../core/knife/blade'
import { knifeDefaults, type KnifeType } from '../../core/knife/knifeTypes'

/** What the form holds while somebody types; null and '' mean not said. */
export interface KnifeDraft {
  id: string
  code: string
  name: string
  type: KnifeType
  lengthMm: number | null
  stationId: string
  holderId: string | null
  heelHeightMm: number | null
  spineMm: number | null
  bteMm: number | null
  bteNewMm: number | null
  dpsLeft: number | null
  dpsRight: number | null
  ratioRight: number | null
  grind: KnifeView['grind']
  serrated: boolean
  steelEn: string | null
  hrc: number | null
  price: number | null
  boughtOn: string
  condition: 'new' | 'in-use'
}

const own = (knife: KnifeView, field: Measurable): number | null =>
  knife.assumed.includes(field) ? null : knife[field]

/** A draft of a new knife, or of the corrections to one. */
export function knifeDraft(knife: KnifeView | null, stationId: string): KnifeDraft {
  if (!knife) {
    const usual = knifeDefaults('chef', 240)
    return reactive({
      id: newId(),
      code: '',
      name: '',
      type: 'chef',
      lengthMm: null,
      stationId,
      holderId: null,
      heelHeightMm: null,
      spineMm: null,
      bteMm: null,
      bteNewMm: null,
      dpsLeft: null,
      dpsRight: null,
      ratioRight: null,
      grind: usual.grind,
      serrated: usual.serrated,
      steelEn: null,
      hrc: null,
      price: null,
      boughtOn: '',
      condition: 'in-use',
    })
  }
  return reactive({
    id: knife.id,
    code: knife.code,
    name: knife.name,
    type: knife.type,
    lengthMm: knife.lengthMm,
    stationId: knife.stationId,
    holderId: knife.holderId,
    heelHeightMm: own(knife, 'heelHeightMm'),
    spineMm: own(knife, 'spineMm'),
    bteMm: own(knife, 'bteMm'),
    bteNewMm: own(knife, 'bteNewMm'),
    dpsLeft: own(knife, 'dpsLeft'),
    dpsRight: own(knife, 'dpsRight'),
    ratioRight: knife.ratioRight,
    grind: knife.grind,
    serrated: knife.serrated,
    steelEn: knife.steelEn,
    hrc: own(knife, 'hrc'),
    price: knife.price,
    boughtOn: knife.boughtOn ?? '',
    condition: 'in-use',
  })
}

/** The draft as the server wants it: what was not said stays unsaid. */
export function describeDraft(draft: KnifeDraft, usualRatio: number): object {
  const { id: _, stationId: __, holderId: ___, condition: ____, code, boughtOn, ratioRight, ...rest } = draft
  return {
    ...rest,
    ...(code.trim() === '' ? {} : { code }),
    boughtOn: boughtOn === '' ? null : boughtOn,
    ratioRight: ratioRight ?? usualRatio,
  }
}
