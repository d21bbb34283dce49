import { jisMicron } from '../abrasive/grain'
import { isStone, needsFlattening, STEEL_CHIPS_HRC, type GearKind } from '../abrasive/gear'
import type { Skill } from './skills'

/** What a house says of itself when it moves in, in the order in which the later needs the earlier. */
export const MOVE_IN_STEPS = ['week', 'stations', 'people', 'shelf', 'knives'] as const
export type MoveInStep = (typeof MOVE_IN_STEPS)[number]

/** What a house may still lack: first what stops the work, then what makes dates doubtful, then what is merely handy. */
export const GAPS = [
  'knives',
  'week',
  'stations',
  'stones',
  'hands',
  'coarse',
  'flattening',
  'hard-hone',
  'skills',
  'looks',
  'habit',
  'holders',
  'pins',
  'angles',
] as const
export type GapName = (typeof GAPS)[number]

/** What is known of a house, as far as it decides what is missing. */
export interface HouseFacts {
  readonly settled: readonly MoveInStep[]
  /** what is on the shelf and in use; grain in µm, null where it has none */
  readonly gear: readonly { readonly kind: GearKind; readonly micron: number | null }[]
  /** knives in service that have an edge to keep */
  readonly knives: readonly {
    readonly code: string
    readonly hrc: number
    readonly held: boolean
    readonly seen: boolean
    readonly chipped: boolean
    readonly serrated: boolean
    readonly angleKnown: boolean
  }[]
  /** people at work here */
  readonly people: readonly {
    readonly name: string
    readonly canSignIn: boolean
    readonly skills: readonly Skill[]
    readonly onRota: boolean
  }[]
  /** whether the house or anybody in it has said how knives are honed */
  readonly habitSaid: boolean
}

/** One thing that is missing, with the knives or people it concerns. */
export interface Gap {
  readonly gap: GapName
  readonly codes: readonly string[]
  readonly names: readonly string[]
}

/** Chips and gone tips are begun on a stone at least this coarse, µm (common practice: JIS 220 to 400). */
const REPAIR_MICRON = jisMicron(400)
/** Steels straighten softer blades; from here on an edge needs ceramic, diamond or leather (common practice). */
const HARD_HONES: ReadonlySet<GearKind> = new Set<GearKind>(['ceramic-rod', 'diamond-rod', 'strop', 'paste'])
/** A coarse diamond plate flattens a water stone as well (common practice). */
const FLATTENS: ReadonlySet<GearKind> = new Set<GearKind>(['flattening-plate', 'diamond-plate'])
const ON_STONES: readonly Skill[] = ['maintenance', 'full']

/**
 * What a house has not said yet, most pressing first. Nothing is asked for that could not be used: a house without
 * knives is told of knives, one without chips or water stones is not sent out for a coarse stone or a plate.
 */
export function stillMissing(facts: HouseFacts): Gap[] {
  const { settled, gear, knives, people, habitSaid } = facts
  const stones = gear.filter(({ kind }) => isStone(kind))
  const codes = (which: (knife: HouseFacts['knives'][number]) => boolean): string[] =>
    knives.filter(which).map(({ code }) => code)
  const names = (which: (person: HouseFacts['people'][number]) => boolean): string[] =>
    people.filter(which).map(({ name }) => name)
  const whole = (gap: GapName, missing: boolean): Gap[] => (missing ? [{ gap, codes: [], names: [] }] : [])
  const ofKnives = (gap: GapName, some: string[]): Gap[] => (some.length > 0 ? [{ gap, codes: some, names: [] }] : [])
  const ofPeople = (gap: GapName, some: string[]): Gap[] => (some.length > 0 ? [{ gap, codes: [], names: some }] : [])
  const trusted = people.filter(({ skills }) => ON_STONES.some((skill) => skills.includes(skill)))
  return [
    ...whole('knives', knives.length === 0),
    ...whole('week', !settled.includes('week')),
    ...whole('stations', !settled.includes('stations')),
    ...whole('stones', stones.length === 0),
    ...whole(
      'hands',
      people.every(({ onRota }) => !onRota),
    ),
    ...(stones.length > 0 && stones.every(({ micron }) => (micron ?? 0) < REPAIR_MICRON)
      ? ofKnives(
          'coarse',
          codes(({ chipped }) => chipped),
        )
      : []),
    ...whole(
      'flattening',
      gear.some(({ kind }) => needsFlattening(kind)) && gear.every(({ kind }) => !FLATTENS.has(kind)),
    ),
    ...(gear.some(({ kind }) => HARD_HONES.has(kind))
      ? []
      : ofKnives(
          'hard-hone',
          codes(({ hrc, serrated }) => hrc >= STEEL_CHIPS_HRC && !serrated),
        )),
    // one pair of hands is one holiday away from none
    ...(knives.length > 0 && people.length > 1 && trusted.length < 2
      ? ofPeople(
          'skills',
          names(({ skills }) => !ON_STONES.some((skill) => skills.includes(skill))),
        )
      : []),
    ...ofKnives(
      'looks',
      codes(({ seen }) => !seen),
    ),
    ...whole('habit', knives.length > 0 && !habitSaid),
    ...ofKnives(
      'holders',
      codes(({ held }) => !held),
    ),
    ...ofPeople(
      'pins',
      names(({ canSignIn }) => !canSignIn),
    ),
    ...ofKnives(
      'angles',
      codes(({ angleKnown }) => !angleKnown),
    ),
  ]
}
