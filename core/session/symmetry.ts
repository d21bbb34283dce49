export interface Symmetry {
  /** share of the counted strokes that went to the right side, per cent */
  readonly rightShare: number
  /** which side should get more next time, and how many strokes would make it even */
  readonly owes: { readonly side: 'left' | 'right'; readonly strokes: number } | null
}

/** So few strokes say nothing of a habit. */
const FEWEST_STROKES = 40
/** A share this near to the bevel ratio is as it should be, per cent (assumed). */
const NEAR_ENOUGH = 5

/**
 * Where the strokes of all sessions went against the bevel ratio the knife should have: which side got
 * less than its part, and what it is owed. Null while too little was counted.
 *
 * @param strokes counted strokes by side
 * @param ratioRight share of the bevel on the right side, per cent
 * @example symmetry({ left: 90, right: 110 }, 50) // { rightShare: 55, owes: null }
 */
export function symmetry(
  strokes: { readonly left: number; readonly right: number },
  ratioRight: number,
): Symmetry | null {
  const total = strokes.left + strokes.right
  if (total < FEWEST_STROKES) return null
  const rightShare = Math.round((100 * strokes.right) / total)
  const off = rightShare - ratioRight
  if (Math.abs(off) <= NEAR_ENOUGH) return { rightShare, owes: null }
  const wanted = ratioRight / 100
  // strokes on the short side alone that bring the share back
  const owed =
    off < 0
      ? (wanted * total - strokes.right) / Math.max(0.01, 1 - wanted)
      : (strokes.right - wanted * total) / Math.max(0.01, wanted)
  return { rightShare, owes: { side: off < 0 ? 'right' : 'left', strokes: Math.round(owed) } }
}
