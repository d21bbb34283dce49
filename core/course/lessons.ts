import type { Skill } from '../house/skills'
import type { Grind, KnifeType } from '../knife/knifeTypes'
import type { Zone } from '../knife/zones'
import type { SessionStep } from '../session/plan'
import type { StepKind } from '../session/recipe'
import type { WayId } from '../session/ways'

/** A movement as it is drawn: from above, from the end of the blade, on a rod, or close to the edge. */
export type Figure =
  | {
      /** blade on the stone from above, to scale */
      readonly view: 'above'
      /** angle of the edge across the stone's length, degrees */
      readonly acrossDeg: number
      /** part of the edge that is on the stone, under the fingers */
      readonly zone: Zone
      /** which way of the stroke presses */
      readonly press: 'push' | 'pull' | 'none'
      readonly weight: 'firm' | 'light'
      /** what moves along: the fingers from section to section, the blade in one sweep, or nothing */
      readonly travel: 'sections' | 'sweep' | 'turn' | 'still'
      readonly side: 'first' | 'second'
    }
  | {
      /** blade on the stone from its end: the section at its true angle */
      readonly view: 'end'
      readonly type: KnifeType
      /** angle of the step; the knife type's own where left out */
      readonly dps?: number
      /** flat on the face, spine down */
      readonly lies: 'edge' | 'face' | 'back'
      readonly dished?: boolean
      readonly shows?: 'burr' | 'marker' | 'too-flat' | 'too-steep'
    }
  | { readonly view: 'rod'; readonly dps: number; readonly rest: 'towel' | 'level' }
  | { readonly view: 'edge'; readonly shows: 'burr' | 'glint' | 'scratches' | 'rolled' | 'thumb' | 'teeth' | 'strop' }
  | { readonly view: 'stone'; readonly shows: 'grid' | 'hollow' }
  | { readonly view: 'grip' }
  | { readonly view: 'bench' }
  | { readonly view: 'sink' }

/** What a lesson practises. */
export type LessonDrill = 'hold' | 'press' | 'burr' | 'read' | 'dry'

export interface Lesson {
  readonly skill: Skill
  readonly drill: LessonDrill
  readonly figures: readonly Figure[]
  /** the house's choice that its words follow */
  readonly way?: WayId
  /** which of three answers is right */
  readonly answer: 0 | 1 | 2
  /** steps of a session that it helps with */
  readonly helps: readonly StepKind[]
}

const above = (
  more: Partial<Omit<Extract<Figure, { view: 'above' }>, 'view'>>,
): Extract<Figure, { view: 'above' }> => ({
  view: 'above',
  acrossDeg: 45,
  zone: 'belly',
  press: 'push',
  weight: 'firm',
  travel: 'still',
  side: 'first',
  ...more,
})

/**
 * The course in its order: first what keeps fingers whole, then the rod, the stone on a practice blade, and last what few
 * are trusted with. One thing at a time (common practice). Angles are those of each knife type unless a step has its own.
 */
export const LESSONS = {
  safety: {
    skill: 'hone',
    drill: 'dry',
    figures: [{ view: 'bench' }, { view: 'sink' }],
    answer: 1,
    helps: ['fetch', 'clean', 'stow'],
  },
  rod: {
    skill: 'hone',
    drill: 'dry',
    figures: [
      { view: 'rod', dps: 20, rest: 'towel' },
      { view: 'rod', dps: 20, rest: 'level' },
    ],
    answer: 0,
    helps: ['hone', 'wipe'],
  },
  'first-stone': {
    skill: 'maintenance',
    drill: 'hold',
    figures: [{ view: 'grip' }, { view: 'end', type: 'chef', lies: 'edge' }, above({ travel: 'sections' })],
    way: 'path',
    answer: 2,
    helps: ['angle'],
  },
  burr: {
    skill: 'maintenance',
    drill: 'burr',
    figures: [
      { view: 'edge', shows: 'burr' },
      { view: 'edge', shows: 'thumb' },
    ],
    answer: 1,
    helps: [],
  },
  'heel-tip': {
    skill: 'maintenance',
    drill: 'burr',
    figures: [above({ zone: 'heel', acrossDeg: 90 }), above({ zone: 'tip' })],
    answer: 0,
    helps: ['ends'],
  },
  'second-side': {
    skill: 'maintenance',
    drill: 'hold',
    figures: [
      above({ side: 'second', press: 'pull' }),
      above({ side: 'second', zone: 'heel', acrossDeg: 90, press: 'pull' }),
    ],
    way: 'hands',
    answer: 2,
    helps: [],
  },
  'second-stone': {
    skill: 'maintenance',
    drill: 'press',
    figures: [above({ weight: 'light', travel: 'sweep' }), { view: 'edge', shows: 'scratches' }],
    way: 'press',
    answer: 1,
    helps: [],
  },
  deburr: {
    skill: 'maintenance',
    drill: 'burr',
    figures: [above({ weight: 'light', travel: 'sweep' }), { view: 'edge', shows: 'strop' }],
    way: 'burr-on',
    answer: 0,
    helps: ['deburr', 'strop'],
  },
  curve: {
    skill: 'maintenance',
    drill: 'dry',
    figures: [above({ zone: 'tip', travel: 'turn' })],
    way: 'tip',
    answer: 1,
    helps: [],
  },
  read: {
    skill: 'hone',
    drill: 'read',
    figures: [{ view: 'edge', shows: 'glint' }],
    answer: 2,
    helps: ['look', 'try', 'test'],
  },
  flatten: {
    skill: 'full',
    drill: 'dry',
    figures: [
      { view: 'stone', shows: 'grid' },
      { view: 'end', type: 'chef', lies: 'edge', dished: true },
    ],
    way: 'flatten',
    answer: 0,
    helps: ['soak', 'flatten'],
  },
  asymmetric: {
    skill: 'asymmetric',
    drill: 'hold',
    figures: [{ view: 'end', type: 'slicer', lies: 'edge' }, above({ side: 'second', press: 'pull' })],
    answer: 2,
    helps: [],
  },
  serrated: {
    skill: 'serrated',
    drill: 'read',
    figures: [
      { view: 'edge', shows: 'teeth' },
      { view: 'edge', shows: 'rolled' },
    ],
    answer: 1,
    helps: ['teeth'],
  },
  boning: {
    skill: 'full',
    drill: 'hold',
    figures: [
      { view: 'end', type: 'boning-stiff', lies: 'edge', dps: 12 },
      { view: 'end', type: 'boning-stiff', lies: 'edge', dps: 25 },
    ],
    answer: 0,
    helps: [],
  },
  thinning: {
    skill: 'thinning',
    drill: 'press',
    figures: [{ view: 'end', type: 'chef', lies: 'face' }, above({ travel: 'sections' })],
    answer: 1,
    helps: [],
  },
  'single-bevel': {
    skill: 'asymmetric',
    drill: 'hold',
    figures: [
      { view: 'end', type: 'single-bevel-slicer', lies: 'edge' },
      { view: 'end', type: 'single-bevel-slicer', lies: 'back' },
    ],
    answer: 2,
    helps: [],
  },
  'hard-steel': {
    skill: 'full',
    drill: 'press',
    figures: [above({ weight: 'light', travel: 'sections' })],
    answer: 0,
    helps: [],
  },
} as const satisfies Readonly<Record<string, Lesson>>
export type LessonId = keyof typeof LESSONS
export const LESSON_IDS = Object.keys(LESSONS) as [LessonId, ...LessonId[]]

const [SINGLE, EVEN, VERY_HARD] = [[0, 100], 50, 62] as const

/** The lesson that helps with a step: that of an unusual knife before the usual one. Null where there is none. */
export function lessonFor(
  step: Pick<SessionStep, 'kind' | 'work' | 'side' | 'stage'>,
  knife: {
    readonly serrated: boolean
    readonly ratioRight: number
    readonly hrc: number
    readonly grind: Grind
  },
): LessonId | null {
  const isStroke = step.kind === 'side' || step.kind === 'ends'
  if (isStroke && step.work === 'face') return 'thinning'
  if (knife.serrated && (isStroke || step.kind === 'teeth')) return 'serrated'
  if (isStroke && SINGLE.some((ratio) => ratio === knife.ratioRight)) return 'single-bevel'
  if (isStroke && knife.ratioRight !== EVEN) return 'asymmetric'
  if (step.kind === 'side') {
    if (knife.hrc >= VERY_HARD) return 'hard-steel'
    if (knife.grind === 'boning-shoulder') return 'boning'
    if ((step.stage ?? 0) > 0) return 'second-stone'
    return step.side === 'second' ? 'second-side' : 'first-stone'
  }
  return LESSON_IDS.find((id) => (LESSONS[id].helps as Lesson['helps']).includes(step.kind)) ?? null
}
