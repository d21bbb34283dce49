import { removalRate } from '../abrasive/removal'
import type { SectionBlade } from '../geometry/section'
import type { Stroke } from './holdScore'

/** Strokes a side of an ordinary session on the middle stone (common practice: a few dozen to a hundred). */
export const SESSION_STROKES = 80
const STROKES_A_MINUTE = 40
/** The middle stone, pressed as it should be (model: 10 N). */
const MIDDLE = { micron: 11.5, newtons: 10 } as const

/** Area one stroke takes off one side at one spot, mm²: the removal model's rate over the length of the edge. */
export const strokeAreaMm2 = (input: { readonly hrc: number; readonly lengthMm: number }): number =>
  removalRate({ ...MIDDLE, hrc: input.hrc, carbides: {} }) / STROKES_A_MINUTE / input.lengthMm

/** A session's worth of strokes like those of a drill. */
export const asSession = (strokes: readonly Stroke[]): Stroke[] =>
  Array.from({ length: SESSION_STROKES }, (_, at) => strokes[at % strokes.length] ?? [])

/** A blade a beginner practises on: cheap, nearly straight, an ordinary angle (common practice). */
export const PRACTICE_BLADE: SectionBlade = {
  heelHeightMm: 45,
  spineMm: 2.2,
  bteMm: 0.35,
  dpsLeft: 17,
  dpsRight: 17,
  grind: 'flat',
  ratioRight: 50,
}
