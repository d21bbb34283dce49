import type { EdgeStory, KnifeView } from '../contract/knives'
import type { HouseLearning, LearnedFactor } from '../contract/learning'
import { capital, type Formats } from './format'
import { habitSentences } from './habit'
import type { Say } from './say'
import { edgeAngle } from './verdict'

type Banded = EdgeStory['learned']['wear']

/** A factor this near to one is of no consequence. */
const NEGLIGIBLE = 0.05
const percent = (share: number): number => Math.round(100 * share)
/** "18 % faster", from a factor. */
const offBy = (factor: number): number => Math.abs(percent(factor - 1))

function wearWords({ mean, low, high }: Banded, say: Say, formats: Formats): string {
  const values = { percent: offBy(mean), low: offBy(low), high: offBy(high) }
  if (low > 1 + NEGLIGIBLE) return say('learned.faster', values)
  if (high < 1 - NEGLIGIBLE) return say('learned.slower', { ...values, low: offBy(high), high: offBy(low) })
  return say('learned.asUsual', { low: formats.ratio(low), high: formats.ratio(high) })
}

function zoneWords({ heel, belly, tip }: EdgeStory['learned']['zoneWear'], say: Say): string {
  if (tip.low > Math.max(belly.mean, heel.mean) * (1 + NEGLIGIBLE)) return say('learned.tipSooner')
  if (heel.low > Math.max(belly.mean, tip.mean) * (1 + NEGLIGIBLE)) return say('learned.heelSooner')
  return ''
}

function lifeWords({ low, middle, high }: EdgeStory['learned']['lifeHours'], say: Say, formats: Formats): string {
  if (middle === null) return say('learned.lifeLong')
  return say('learned.life', {
    hours: formats.hours(Math.round(middle)),
    low: low === null ? '?' : Math.round(low),
    high: high === null ? say('learned.more') : formats.hours(Math.round(high)),
  })
}

/** What the log of one knife has taught, one sentence each. */
export function knifeLessons({ learned }: EdgeStory, say: Say, formats: Formats): string[] {
  const source =
    learned.readingCount === 0
      ? say('learned.unread')
      : say(learned.knownFrom === 'own' ? 'learned.fromOwn' : 'learned.fromFew', { n: learned.readingCount })
  return [
    source,
    wearWords(learned.wear, say, formats),
    zoneWords(learned.zoneWear, say),
    lifeWords(learned.lifeHours, say, formats),
    ...habitSentences(learned.habit, say),
    say('learned.honing', {
      percent: percent(learned.honing.mean),
      low: percent(learned.honing.low),
      high: percent(learned.honing.high),
    }),
    say(
      learned.bentShare >= 0.6
        ? 'learned.mostlyBent'
        : learned.bentShare >= 0.35
          ? 'learned.bothBent'
          : 'learned.mostlyWorn',
      { percent: percent(learned.bentShare) },
    ),
  ].filter((sentence) => sentence !== '')
}

const bandWords = (band: NonNullable<KnifeView['thinningDue']>, say: Say, formats: Formats): string =>
  say('steel.band', {
    date: formats.month(band.middleAt),
    early: formats.month(band.earlyAt),
    late: formats.month(band.lateAt),
  })

/** What is left of the blade and until when. */
export function steelWords(knife: KnifeView, steel: EdgeStory['steel'], say: Say, formats: Formats): string[] {
  const isThick = knife.bteMm >= steel.thickestMm
  const isShort = knife.heelHeightMm <= steel.minimumHeightMm
  return [
    say('steel.pace', { sessions: Math.round(steel.sessionsPerYear), taken: formats.thickness(steel.perSessionMm) }),
    isThick
      ? say('steel.thickNow', { thickness: formats.thickness(knife.bteMm), limit: formats.thickness(steel.thickestMm) })
      : knife.thinningDue
        ? say('steel.thinning', { when: bandWords(knife.thinningDue, say, formats) })
        : say('steel.noThinning'),
    isShort
      ? say('steel.shortNow', {
          height: formats.length(knife.heelHeightMm),
          minimum: formats.length(steel.minimumHeightMm),
        })
      : knife.wornOut
        ? say('steel.wornOut', { when: bandWords(knife.wornOut, say, formats) })
        : say('steel.noEnd'),
  ]
}

/** The holder's angle against the edge's, and what it does. */
export function mismatchWords(knife: KnifeView, holder: string, say: Say, formats: Formats): string {
  const { mismatch } = knife
  if (!mismatch) return ''
  return say(`mismatch.${mismatch.does}`, {
    name: holder,
    working: formats.angle(mismatch.workingDps),
    edge: edgeAngle(knife, say, formats),
    percent: percent(mismatch.reach),
  })
}

/** A station, board or product in a sentence; empty where the readings say nothing. */
export function wearFactorWords(name: string, effect: LearnedFactor, say: Say, formats: Formats): string {
  return say(`house-learned.wear.${effect.says}`, {
    name: capital(name),
    factor: formats.ratio(effect.factor),
    percent: offBy(effect.factor),
    low: formats.ratio(effect.low),
    high: formats.ratio(effect.high),
  })
}

/** How a person's edges come out, worst zone first. */
export function handWords(hand: HouseLearning['hands'][number], say: Say): string {
  const odd = hand.zones
    .filter(({ effect }) => effect.says === 'more')
    .sort((a, b) => b.effect.factor - a.effect.factor)
  const spots = odd.map(({ zone, effect }) =>
    say('house-learned.hand.spot', { zone: say(`zone.${zone}`), percent: offBy(effect.factor) }),
  )
  const key =
    hand.life.says !== 'nothing' && hand.life.factor < 1 ? 'house-learned.hand.more' : 'house-learned.hand.moreForce'
  if (spots.length > 0) return say(key, { name: hand.name, spots: spots.join(', '), hours: offBy(hand.life.factor) })
  return say(`house-learned.hand.${hand.whole.says}`, { name: hand.name, percent: offBy(hand.whole.factor) })
}

/** What a tool brings back of the bend. */
export function toolWords(tool: HouseLearning['tools'][number], say: Say): string {
  return say(`house-learned.tool.${tool.says}`, {
    tool: capital(say(`tool.${tool.tool}`)),
    percent: percent(tool.efficiency),
    low: percent(tool.low),
    high: percent(tool.high),
    table: percent(tool.tableEfficiency),
  })
}
