import { AMBER_SHARE } from '../../knife/limits'

/** The edge scale: five words, best first. */
export const EDGE_WORDS = ['keen', 'sound', 'tiring', 'dull', 'out'] as const
export type EdgeWord = (typeof EDGE_WORDS)[number]

/** Upper end of each word as a share of the service limit; amber begins at the end of sound (assumed). */
const UPPER_SHARE: readonly (readonly [EdgeWord, number])[] = [
  ['keen', 0.6],
  ['sound', AMBER_SHARE],
  ['tiring', 1],
  ['dull', 1.6],
]

/**
 * The word for a force against the service limit of the knife's role.
 *
 * @param forceGf force test peak, gf
 * @param limitGf service limit, gf
 */
export function edgeWord(forceGf: number, limitGf: number): EdgeWord {
  return UPPER_SHARE.find(([, share]) => forceGf <= limitGf * share)?.[0] ?? 'out'
}

export const worstWord = (words: readonly EdgeWord[]): EdgeWord =>
  EDGE_WORDS[Math.max(0, ...words.map((word) => EDGE_WORDS.indexOf(word)))] ?? 'keen'
