import type { Grinding } from '../geometry/section'
import type { TipRepair } from './tip'

/** A chip ground out over one or more sessions: all of it, or half now and the rest at the next one or two. */
export interface ChipRepair {
  readonly kind: 'chip'
  readonly depthMm: number
  readonly sessions: number
}

/** Work that changes a blade's section. Angles in degrees per side, lengths in mm. */
export type Operation =
  | { readonly kind: 'thin'; readonly targetBteMm: number; readonly upToMm?: number | undefined }
  | { readonly kind: 'flat-to-convex'; readonly targetBteMm: number; readonly flatDownToMm?: number | undefined }
  | { readonly kind: 'full-convex'; readonly targetBteMm: number }
  | {
      readonly kind: 'boning'
      readonly rubShare: number
      readonly shoulderDps: number
      readonly shoulderMm: number
      readonly edgeDps: number
    }
  | { readonly kind: 're-bevel'; readonly dps: number }
  | { readonly kind: 'micro-bevel'; readonly dps: number; readonly widthMm: number }
  | { readonly kind: 'ratio'; readonly toRight: number; readonly sessions: number }
  | ChipRepair
  | TipRepair
  | { readonly kind: 'serrated'; readonly school: 'ground-side' | 'flat-back'; readonly dps: number }
export type OperationKind = Operation['kind']
export const OPERATION_KINDS = [
  'thin',
  'flat-to-convex',
  'full-convex',
  'boning',
  're-bevel',
  'micro-bevel',
  'ratio',
  'chip',
  'tip',
  'serrated',
] as const satisfies readonly OperationKind[]

/** Work after which the faces of a blade are others than before. */
export const WORKS_FACES: ReadonlySet<OperationKind> = new Set<OperationKind>([
  'thin',
  'flat-to-convex',
  'full-convex',
  'boning',
])

/** A boning knife set up anew as the trade does it: rubbed well up its faces, a shoulder of 12.5° about 5 mm up (common practice: 10–15°). */
export const boningAnew = (edgeDps: number): Extract<Operation, { kind: 'boning' }> => ({
  kind: 'boning',
  rubShare: 0.6,
  shoulderDps: Math.min(12.5, edgeDps - 5),
  shoulderMm: 5,
  edgeDps,
})

/** One part of an operation: the same plane on one side or both, or the edge ground down straight. */
export interface Cut {
  readonly name:
    | 'face'
    | 'second-bevel'
    | 'blend'
    | 'facet'
    | 'rub'
    | 'shoulder'
    | 'edge'
    | 'micro'
    | 'straight'
    | 'bevel'
    | 'tip-spine'
    | 'tip-edge'
    | 'ground-side'
    | 'back'
    | 'burr'
  readonly grindings: readonly Grinding[]
  /** the edge is ground straight up to here first */
  readonly downToMm?: number
}

/** Cuts laid on a face: they stop before a burr, which there would be lost height. */
export const FACE_CUTS: ReadonlySet<string> = new Set<Cut['name']>([
  'face',
  'second-bevel',
  'blend',
  'facet',
  'rub',
  'shoulder',
  'back',
])
