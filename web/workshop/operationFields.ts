import type { SectionBlade } from '../../core/geometry/section'
import type { Operation, OperationKind } from '../../core/workshop/operate'

/** A number of an operation that somebody may drag. */
export interface OperationField {
  readonly name: string
  readonly low: number
  readonly high: number
  readonly step: number
  readonly unit: 'mm' | '°' | '%' | 'share' | ''
}

/** One of a few ways to do an operation. */
export interface OperationChoice {
  readonly name: 'school' | 'from' | 'sessions'
  readonly options: readonly (string | number)[]
}

/** Numbers each operation is described by, in the ranges of the trade (common practice as in the stages' words). */
export function fieldsOf(kind: OperationKind, blade: SectionBlade): readonly OperationField[] {
  const target: OperationField = {
    name: 'targetBteMm',
    low: 0.1,
    high: Math.max(0.15, Math.ceil(100 * blade.bteMm + 2) / 100),
    step: 0.01,
    unit: 'mm',
  }
  switch (kind) {
    case 'thin':
      return [target, { name: 'upToMm', low: 4, high: Math.floor(0.9 * blade.heelHeightMm), step: 1, unit: 'mm' }]
    case 'flat-to-convex':
      return [target, { name: 'flatDownToMm', low: 2, high: 8, step: 0.5, unit: 'mm' }]
    case 'full-convex':
      return [target]
    case 'boning':
      return [
        { name: 'rubShare', low: 0.5, high: 0.75, step: 0.05, unit: 'share' },
        { name: 'shoulderDps', low: 10, high: 15, step: 0.5, unit: '°' },
        { name: 'shoulderMm', low: 3, high: 7, step: 0.5, unit: 'mm' },
        { name: 'edgeDps', low: 22, high: 30, step: 0.5, unit: '°' },
      ]
    case 're-bevel':
      return [{ name: 'dps', low: 5, high: 35, step: 0.5, unit: '°' }]
    case 'micro-bevel':
      return [
        { name: 'dps', low: 10, high: 40, step: 0.5, unit: '°' },
        { name: 'widthMm', low: 0.05, high: 0.5, step: 0.01, unit: 'mm' },
      ]
    case 'ratio':
      return [
        { name: 'toRight', low: 20, high: 80, step: 5, unit: '%' },
        { name: 'sessions', low: 1, high: 10, step: 1, unit: '' },
      ]
    case 'chip':
      return [{ name: 'depthMm', low: 0.05, high: 5, step: 0.05, unit: 'mm' }]
    case 'tip':
      return [{ name: 'lostMm', low: 0.5, high: 30, step: 0.5, unit: 'mm' }]
    case 'serrated':
      return [{ name: 'dps', low: 15, high: 20, step: 0.5, unit: '°' }]
  }
}

/** At once, or half now and the rest at the next session or the next two. */
const IN_PARTS: OperationChoice = { name: 'sessions', options: [1, 2, 3] }

/** What the trade disagrees about, operation by operation. */
export function choicesOf(kind: OperationKind): readonly OperationChoice[] {
  if (kind === 'chip') return [IN_PARTS]
  if (kind === 'tip') return [{ name: 'from', options: ['spine', 'edge'] }, IN_PARTS]
  return kind === 'serrated' ? [{ name: 'school', options: ['ground-side', 'flat-back'] }] : []
}

/** The number of an operation that is dragged on the section: the thickness, or an angle. */
export function dragField(kind: OperationKind): { readonly name: string; readonly as: 'thickness' | 'angle' } | null {
  switch (kind) {
    case 'thin':
    case 'flat-to-convex':
    case 'full-convex':
      return { name: 'targetBteMm', as: 'thickness' }
    case 're-bevel':
    case 'micro-bevel':
      return { name: 'dps', as: 'angle' }
    case 'boning':
      return { name: 'edgeDps', as: 'angle' }
    case 'ratio':
    case 'chip':
    case 'tip':
    case 'serrated':
      return null
  }
}

/** Where an operation starts from on a blade: what a sharpener would ask for first. */
export function usualOperation(
  kind: OperationKind,
  blade: SectionBlade,
  thinToMm: number,
  chipMm: number | null,
): Operation {
  const edge = Math.max(blade.dpsLeft, blade.dpsRight)
  const isSingle = blade.ratioRight === 100 || blade.ratioRight === 0
  const own = Math.round(isSingle ? edge : (blade.dpsLeft + blade.dpsRight) / 2)
  const thinner = Math.min(thinToMm, 0.85 * blade.bteMm)
  const targetBteMm = Math.round(100 * thinner) / 100
  switch (kind) {
    case 'thin':
      return { kind, targetBteMm, upToMm: Math.round(blade.heelHeightMm / 3) }
    case 'flat-to-convex':
      return { kind, targetBteMm, flatDownToMm: 4 }
    case 'full-convex':
      return { kind, targetBteMm }
    case 'boning':
      return { kind, rubShare: 0.65, shoulderDps: 12, shoulderMm: 5, edgeDps: 25 }
    case 're-bevel':
      return { kind, dps: Math.max(10, own - 2) }
    case 'micro-bevel':
      return { kind, dps: edge + 4, widthMm: 0.12 }
    case 'ratio':
      return { kind, toRight: 50, sessions: 4 }
    case 'chip':
      return { kind, depthMm: chipMm ?? 0.3, sessions: 1 }
    case 'tip':
      return { kind, lostMm: 3, from: 'spine', sessions: 1 }
    case 'serrated':
      return { kind, school: 'ground-side', dps: Math.min(20, Math.max(15, Math.round(edge))) }
  }
}

/** The operation a blade is most likely brought for. */
export function likelyKind({
  serrated,
  chipMm,
  tipHurt,
  blade,
}: {
  readonly serrated: boolean
  readonly chipMm: number | null
  readonly tipHurt: boolean
  readonly blade: SectionBlade
}): OperationKind {
  if (tipHurt) return 'tip'
  if (chipMm !== null) return 'chip'
  if (serrated) return 'serrated'
  return blade.grind === 'boning-shoulder' ? 'boning' : 'thin'
}
