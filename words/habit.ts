import type { EdgeStory } from '../contract/knives'
import type { HouseLearning } from '../contract/learning'
import type { Say, SayValues } from './say'

type Habit = EdgeStory['learned']['habit']

const percent = (share: number): number => Math.round(100 * share)

/** Wider than this, share of services, nobody knows how a knife is honed. */
const WIDEST_KNOWN = 0.62
const HARDLY = 0.1
const NEARLY = 0.9
/** Shares people say in words: so many services in so many. */
const IN_WORDS: readonly (readonly [some: number, many: number])[] = [
  [2, 3],
  [3, 4],
  [4, 5],
]

/** "two in three", as the two numbers; the key of its sentence beside them. */
function often(honed: number): {
  readonly key: 'never' | 'seldom' | 'half' | 'often' | 'always'
  readonly values: SayValues
} {
  if (honed < HARDLY) return { key: 'never', values: {} }
  if (honed > NEARLY) return { key: 'always', values: {} }
  if (honed < 0.42) return { key: 'seldom', values: { one: Math.round(1 / honed) } }
  if (honed < 0.58) return { key: 'half', values: {} }
  const [some, many] = IN_WORDS.reduce((best, one) =>
    Math.abs(one[0] / one[1] - honed) < Math.abs(best[0] / best[1] - honed) ? one : best,
  )
  return { key: 'often', values: { some, many } }
}

const loggedKey = (logged: number): 'none' | 'few' | 'half' | 'most' | 'all' =>
  logged < 0.05 ? 'none' : logged < 0.35 ? 'few' : logged < 0.65 ? 'half' : logged < 0.92 ? 'most' : 'all'

const isKnown = ({ low, high }: Pick<Habit, 'low' | 'high'>): boolean => high - low < WIDEST_KNOWN

/** How a knife is honed, as it is assumed: by what is logged, and by what its edge tells. */
export function habitSentences(habit: Habit, say: Say): string[] {
  const said = habit.stated === null ? [] : [say('learned.habit.said', { habit: say(`habit.${habit.stated}`) })]
  if (!isKnown(habit)) return [say('learned.habit.unknown'), ...said]
  const { key, values } = often(habit.honed)
  const band = { low: percent(habit.low), high: percent(habit.high) }
  return [
    [
      say(`learned.habit.${key}`, { ...values, ...band }),
      key === 'never' ? '' : say(`learned.habit.logged.${loggedKey(habit.logged)}`),
    ]
      .filter((part) => part !== '')
      .join(' '),
  ]
}

/** Shares of services that a statement leaves room for; found below it, the chef hears so. */
const SAID_AT_LEAST = { 'each-time': 0.75, 'most-days': 0.45, 'now-and-then': 0.1, 'hardly-ever': 0 } as const

/** How a person's knives are honed, in a sentence or two. */
export function habitWords(habit: HouseLearning['habits'][number], say: Say): string {
  const scatter = habit.scatter === null ? '' : say('house-learned.habit.scatter', { percent: percent(habit.scatter) })
  if (!isKnown(habit)) return [say('house-learned.habit.silent', { name: habit.name }), scatter].join(' ').trim()
  const { key, values } = often(habit.honed)
  const told = say('house-learned.habit.told', {
    name: habit.name,
    often: say(`house-learned.habit.often.${key}`, values),
    logged: say(`house-learned.habit.logged.${key === 'never' ? 'none' : loggedKey(habit.logged)}`),
  })
  const less =
    habit.stated !== null && habit.high < SAID_AT_LEAST[habit.stated]
      ? say('house-learned.habit.lessThanSaid', { habit: say(`habit.${habit.stated}`) })
      : ''
  return [told, less, scatter].filter((part) => part !== '').join(' ')
}
