import { isCountedOnly, type KnifeType } from '../core/knife/knifeTypes'
import type { Formats } from './format'
import type { Say } from './message'

/** What a knife is in a few words: its kind and length; of what is only counted, what it is. */
export function kindInWords(
  { type, lengthMm }: { readonly type: KnifeType; readonly lengthMm: number },
  say: Say,
  formats: Pick<Formats, 'length'>,
): string {
  const kind = say(`type.${type}`)
  return isCountedOnly(type) ? kind : say('labels.of', { type: kind, length: formats.length(lengthMm) })
}
