/** Everyday checks without a tester, keenest first. */
export const LADDER = ['shaves', 'silent-paper', 'paper', 'draws-on-fruit', 'skates', 'glints'] as const
export type LadderRung = (typeof LADDER)[number]

/**
 * Force at which an edge usually shows each sign, gf, and how far that scatters between people and
 * fruits (log standard deviation). The order is common practice, the numbers are assumed.
 */
export const LADDER_FORCE: Readonly<Record<LadderRung, { readonly forceGf: number; readonly logSd: number }>> = {
  shaves: { forceGf: 145, logSd: 0.16 },
  'silent-paper': { forceGf: 185, logSd: 0.17 },
  paper: { forceGf: 245, logSd: 0.18 },
  'draws-on-fruit': { forceGf: 325, logSd: 0.18 },
  skates: { forceGf: 450, logSd: 0.2 },
  glints: { forceGf: 620, logSd: 0.25 },
}

/** Logs of the forces between which an edge shows a sign: halfway to its neighbours, open at both ends. */
export function ladderInterval(rung: LadderRung): { readonly low: number; readonly high: number } {
  const at = LADDER.indexOf(rung)
  const middle = (a: LadderRung, b: LadderRung): number =>
    (Math.log(LADDER_FORCE[a].forceGf) + Math.log(LADDER_FORCE[b].forceGf)) / 2
  const [before, after] = [LADDER[at - 1], LADDER[at + 1]]
  return { low: before ? middle(before, rung) : -Infinity, high: after ? middle(rung, after) : Infinity }
}

/**
 * The sign that settles best which side of a limit an edge is on: of the bounds between neighbours the one nearest
 * to the limit, by its duller sign. Whoever sees that sign, or worse, is past it.
 */
export function settlingSign(limitGf: number): LadderRung {
  const distance = (rung: LadderRung): number => Math.abs(Math.log(limitGf) - ladderInterval(rung).low)
  return LADDER.slice(1).reduce((best, rung) => (distance(rung) < distance(best) ? rung : best), 'paper' as LadderRung)
}
