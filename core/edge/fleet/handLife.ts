import type { LearnedFactor } from './fleetLessons'

/** An ordinary chef's knife, to say in hours what a hand's edges are worth (assumed). */
const ORDINARY = { limitGf: 350, freshGf: 165, rolledGf: 45 }

/**
 * How long a hand's edges last against the house's usual ones: the blunt width that is left between a
 * fresh edge and the limit, squared, since worn area goes with work (Archard 1953) and blunt width with
 * its root. Needing more force from the start leaves less room.
 *
 * @param force factor on the force of a fresh edge, with its interval
 */
export function handLife(force: LearnedFactor): LearnedFactor {
  const room = (factor: number): number => Math.max(0, ORDINARY.limitGf - ORDINARY.rolledGf - ORDINARY.freshGf * factor)
  const life = (factor: number): number => (room(factor) / room(1)) ** 2
  const says = force.says === 'more' ? 'less' : force.says === 'less' ? 'more' : force.says
  return { factor: life(force.factor), low: life(force.high), high: life(force.low), says }
}
