import type { PolicyRule } from '../../core/policy/policy'
import type { Say } from '../../words/say'

/** Names of what a rule can be for, where they are still there. */
export interface RuleNames {
  readonly station: (id: string) => string | undefined
  readonly person: (id: string) => string | undefined
}

/** Whose knives a rule is for. */
function whose({ scope, of }: PolicyRule, say: Say, names: RuleNames): string {
  if (scope === 'house') return say('rules.everyKnife')
  if (scope === 'type') return say(`type.${of}`)
  return (scope === 'station' ? names.station(of) : names.person(of)) ?? say('rules.gone')
}

/** A rule said back in a sentence. */
export function ruleWords(rule: PolicyRule, say: Say, names: RuleNames): string {
  const { school, weeks, timesAYear, honing, ownHands } = rule
  const often =
    school === 'every-weeks'
      ? say('rules.everyWeeks', { n: weeks })
      : school === 'few-a-year'
        ? say(`rules.timesYear.${timesAYear}`)
        : say(`rules.schools.${school}`)
  const said = say('rules.said', {
    whose: whose(rule, say, names),
    school: often,
    honing: say(`rules.honings.${honing}`),
  })
  return ownHands ? `${said} ${say('rules.saidHands')}` : said
}
