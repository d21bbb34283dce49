/**
 * Disagreements of the trade that a session can follow either way (common practice). A recipe says which of them matter
 * to it; the house has a default for each, a person may have their own, and a session may still choose otherwise.
 */
export const WAYS = {
  /** the first as a rule goes by sections, heel, belly, tip; the second whole length in one sweep */
  path: ['sections', 'sweeps'],
  edge: ['both-ways', 'leading', 'trailing'],
  'first-side': ['right', 'left'],
  press: ['push', 'pull'],
  mud: ['keep', 'rinse'],
  deburr: ['between-stones', 'at-the-end'],
  'burr-on': ['stone', 'cork', 'plastic', 'ceramic-rod'],
  hands: ['same', 'switch'],
  compound: ['bare', 'compound'],
  tip: ['same-angle', 'higher'],
  flatten: ['every-knife', 'every-few'],
  polish: ['for-work', 'for-looks', 'for-chilled-meat'],
  stones: ['as-needed', 'one-stone'],
  liquid: ['water', 'oil'],
  holder: ['by-hand', 'jig'],
} as const satisfies Readonly<Record<string, readonly string[]>>
export type WayId = keyof typeof WAYS
export const WAY_IDS = Object.keys(WAYS) as WayId[]

/** How somebody is taken through a session: step by step, or a page a stone. */
export const PACES = ['led', 'brief'] as const
export type Pace = (typeof PACES)[number]

/** Ways a house or a person has chosen; what is left out is as each recipe has it. */
export type Ways = Readonly<Record<string, string>>

export const isWay = (id: string, option: string): boolean =>
  Object.hasOwn(WAYS, id) && (WAYS[id as WayId] as readonly string[]).includes(option)

/**
 * The ways of one session: the recipe's own schools, over them the house's, over them the person's, over them what was
 * chosen for this once; each only where the recipe leaves it open.
 */
export function waysFor(
  recipe: {
    readonly choices: readonly { readonly id: WayId; readonly options: readonly string[]; readonly chosen: string }[]
  },
  ...over: readonly Ways[]
): Ways {
  return Object.fromEntries(
    recipe.choices.map(({ id, options, chosen }) => {
      const wanted = over.map((ways) => ways[id]).filter((option) => option !== undefined && options.includes(option))
      return [id, wanted.at(-1) ?? chosen]
    }),
  )
}

/** A tip taken a little higher than the rest, degrees (assumed: it is thin, and the hand rises with the curve anyway). */
export const TIP_HIGHER_DPS = 2
/** Polishing a face or a butcher's edge further than work asks, µm: JIS #3000. */
export const LOOKS_MICRON = 4
