import type { KnifeView } from '../../contract/knives'
import type { Crew } from '../../contract/week'
import { policyFor, type PolicyRule } from '../../core/policy/policy'
import { skillFor } from '../../core/session/skillFor'

/**
 * Holders whose knives nobody else may take to the stone, and who are not signed off for it: nobody may sharpen those.
 *
 * @param skills who is signed off for what; null while that is not known
 */
export function untrainedHolders(
  rules: readonly PolicyRule[],
  knives: readonly Pick<KnifeView, 'type' | 'stationId' | 'holderId' | 'status' | 'serrated' | 'ratioRight'>[],
  skills: Crew['skills'] | null,
): string[] {
  if (skills === null) return []
  return [
    ...new Set(
      knives.flatMap((knife) => {
        const { holderId } = knife
        if (holderId === null || knife.status !== 'in-service' || !policyFor(rules, knife).ownHands) return []
        const needed = skillFor('stone', knife)
        return skills.some((one) => one.personId === holderId && one.skill === needed) ? [] : [holderId]
      }),
    ),
  ]
}
