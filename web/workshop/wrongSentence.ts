import { knifeDefaults, TYPE_TEMPLATES, type KnifeType } from '../../core/knife/knifeTypes'
import type { Say } from '../../words/say'
import type { Wrong } from './useWorkshop'

/** Refusals that have a sentence of their own whatever was measured. */
const BY_CODE: ReadonlySet<string> = new Set(['angle-below-face', 'no-stones'])
const BLADE_MEASURES = ['heelHeightMm', 'spineMm', 'bteMm', 'dpsLeft', 'dpsRight'] as const

/** Why the workshop cannot do what is asked, with the nearest that it can. */
export function wrongSentence({ code, quantity, values }: Wrong, type: KnifeType, thinnerMm: number, say: Say): string {
  const measure = BLADE_MEASURES.find((one) => one === quantity)
  const usual = measure && knifeDefaults(type, TYPE_TEMPLATES[type].typicalLengthMm)[measure]
  if (measure === 'bteMm' && code === 'not-positive')
    return say('workshop.wrong.notPositive', { name: say(`field.${measure}`), usual: `${usual} mm` })
  const key = `workshop.wrong.${BY_CODE.has(code) ? code : quantity}`
  const sentence = say(key, { ...values, offer: thinnerMm, ...(usual === undefined ? {} : { usual }) })
  return sentence === key ? say('workshop.wrong.other') : sentence
}
