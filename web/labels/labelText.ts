/** What a label stands on: a knife by its code, a place at the rack or a piece of gear by the start of its id. */
export type LabelKind = 'knife' | 'place' | 'gear'
export interface LabelTarget {
  readonly kind: LabelKind
  readonly key: string
}

const LETTERS: Readonly<Record<LabelKind, string>> = { knife: 'K', place: 'P', gear: 'G' }
/** As much of an id as no two things of a house share. */
const KEY_LETTERS = 8

export const keyOfId = (id: string): string => id.replaceAll('-', '').slice(0, KEY_LETTERS).toUpperCase()

/**
 * What a label says to a camera: an address of this house, so that any telephone opens it, in capitals, which make a
 * smaller code.
 *
 * @param origin where the house is served, such as `https://knives.example`
 */
export const labelText = (origin: string, { kind, key }: LabelTarget): string =>
  `${origin}/${LETTERS[kind]}/${key}`.toUpperCase()

/** What a label that was read stands on; null for a code of something else. The address it names does not count. */
export function readLabel(text: string): LabelTarget | null {
  const [, letter = '', key = ''] = /^https?:\/\/[^/]+\/([KPG])\/([A-Z0-9-]{1,12})$/i.exec(text.trim()) ?? []
  const kind = (Object.keys(LETTERS) as LabelKind[]).find((one) => LETTERS[one] === letter.toUpperCase())
  return kind ? { kind, key: key.toUpperCase() } : null
}
