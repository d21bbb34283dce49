import type { KnifeRole } from '../../knife/knifeTypes'
import { ZONES, type Zone } from '../../knife/zones'
import { update } from '../../statistics/gaussian'
import { evidenceBeyond, Z_80, type Known } from '../../statistics/normal'
import {
  priorSdOf,
  regress,
  sumOf,
  type EffectObservation,
  type Regression,
  type Terms,
} from '../../statistics/regression'
import { DEFAULT_PRIOR, HABIT, HONE, knownParameter, SHAPE, WEAR, type EdgeBelief } from '../filter/belief'
import type { StationWork } from '../log/usage'
import { FINISH_CLASSES, finishClass, NO_TALLY, sumTallies, type HandLessons, type Tally } from '../log/lessons'
import { habitKey } from '../log/habitKey'
import { withBelief, type KnifeState } from '../log/state'
import { HONE_TOOLS, honeEffect, type HoneTool } from '../model/hone'
import { expectedOf, finishTerm, finishTerms } from './finishes'
import { habitFromOthers, learnHabits, NO_STATEMENTS, type HabitLessons, type HabitStatements } from './habits'

/** A knife as far as others can learn from it. */
export interface SimilarKnife {
  readonly id: string
  /** EN number, or a word for steels nobody named */
  readonly steel: string
  readonly role: KnifeRole
  readonly state: KnifeState
}

/** What a house's knives say together: each knows a little, and all know the house. */
export interface FleetLessons {
  readonly wear: Regression
  readonly shape: Regression
  readonly hone: Regression
  /** honings nobody writes down, by who holds the knives */
  readonly habits: HabitLessons
  /** force of edges off the stone, and the same after five to six hours of use: the second is the verdict */
  readonly hands: Readonly<Record<keyof HandLessons, Regression>>
  readonly readings: {
    readonly byStation: ReadonlyMap<string, number>
    readonly byTool: ReadonlyMap<string, number>
    readonly byHand: ReadonlyMap<string, number>
  }
}

/**
 * How the spread of κ between knives, log-sd 0.5 (model), divides among what they share and what is
 * each knife's own; the same for the shape of wear, for honing and for hands (all assumed).
 */
const SPREAD = {
  wear: { house: 0.2, steel: 0.18, role: 0.12, board: 0.18, product: 0.12, station: 0.18, finish: 0.12, knife: 0.25 },
  shape: { house: 0.3, knife: 0.2 },
  hone: { house: 0.2, tool: 0.25, knife: 0.24 },
  hand: { house: 0.15, person: 0.08, zone: 0.12 },
} as const

const HOUSE = 'house'
const steelTerm = (steel: string): string => `steel ${steel}`
const roleTerm = (role: KnifeRole): string => `role ${role}`
const stationTerm = (stationId: string): string => `station ${stationId}`
const boardTerm = (board: string): string => `board ${board}`
const productTerm = (product: string): string => `product ${product}`
const toolTerm = (tool: string): string => `tool ${tool}`
const personTerm = (personId: string): string => `person ${personId}`
const personZoneTerm = (personId: string, zone: Zone): string => `person ${personId} ${zone}`

export type Stations = ReadonlyMap<string, StationWork>

/** Everything a station does to an edge beyond the table: its own part, its board's and its product's. */
function stationTerms(stationId: string, stations: Stations, share: number): Terms {
  const work = stations.get(stationId)
  return [
    [stationTerm(stationId), share],
    ...(work
      ? ([
          [boardTerm(work.board), share],
          [productTerm(work.product), share],
        ] as const)
      : []),
  ]
}

const sharesOf = (counts: Readonly<Record<string, number>>): [name: string, share: number][] => {
  const total = Object.values(counts).reduce((sum, count) => sum + count, 0)
  return total > 0 ? Object.entries(counts).map(([name, count]) => [name, count / total]) : []
}

/** Shares of a knife's work by station; a knife that has not worked yet counts with where it lies. */
function workShares(state: KnifeState): [stationId: string, share: number][] {
  const shares = sharesOf(state.lessons.workAt)
  if (shares.length > 0 || state.stationId === null) return shares
  return [[state.stationId, 1]]
}

const wearTerms = (knife: SimilarKnife, stations: Stations): Terms => [
  [HOUSE, 1],
  [steelTerm(knife.steel), 1],
  [roleTerm(knife.role), 1],
  ...workShares(knife.state).flatMap(([stationId, share]) => stationTerms(stationId, stations, share)),
  ...finishTerms(knife, stations),
]

const honeTerms = ({ state }: SimilarKnife): Terms => [
  [HOUSE, 1],
  ...sharesOf(state.lessons.honesWith).map(([tool, share]): [string, number] => [toolTerm(tool), share]),
]

function evidenceOn(
  similar: readonly SimilarKnife[],
  parameter: number,
  prior: Known,
  ownSd: number,
  termsOf: (knife: SimilarKnife) => Terms,
): EffectObservation[] {
  return similar.flatMap((knife): EffectObservation[] => {
    const own = evidenceBeyond(prior, knownParameter(knife.state.belief, parameter))
    if (!own) return []
    const terms = termsOf(knife)
    return [{ id: knife.id, terms, value: own.mean - expectedOf(terms), variance: own.sd ** 2 + ownSd ** 2 }]
  })
}

const spreadByEffect = (...groups: readonly (readonly [sd: number, names: readonly string[]])[]): Map<string, number> =>
  new Map(groups.flatMap(([sd, names]) => names.map((name): [string, number] => [name, sd])))

const distinct = (names: readonly string[]): string[] => [...new Set(names)].sort()

function wearRegression(similar: readonly SimilarKnife[], stations: Stations): Regression {
  const sd = SPREAD.wear
  const priors = spreadByEffect(
    [sd.house, [HOUSE]],
    [sd.steel, distinct(similar.map(({ steel }) => steelTerm(steel)))],
    [sd.role, distinct(similar.map(({ role }) => roleTerm(role)))],
    [sd.station, distinct([...stations.keys()].map(stationTerm))],
    [sd.board, distinct([...stations.values()].map(({ board }) => boardTerm(board)))],
    [sd.product, distinct([...stations.values()].map(({ product }) => productTerm(product)))],
    [
      sd.finish,
      distinct([...stations.values()].flatMap(({ product }) => FINISH_CLASSES.map((one) => finishTerm(one, product)))),
    ],
  )
  return regress(
    priors,
    evidenceOn(similar, WEAR, DEFAULT_PRIOR.wear, sd.knife, (knife) => wearTerms(knife, stations)),
  )
}

const shapeRegression = (similar: readonly SimilarKnife[]): Regression =>
  regress(
    spreadByEffect([SPREAD.shape.house, [HOUSE]]),
    evidenceOn(similar, SHAPE, DEFAULT_PRIOR.shape, SPREAD.shape.knife, () => [[HOUSE, 1]]),
  )

const honeRegression = (similar: readonly SimilarKnife[]): Regression =>
  regress(
    spreadByEffect([SPREAD.hone.house, [HOUSE]], [SPREAD.hone.tool, HONE_TOOLS.map(toolTerm)]),
    evidenceOn(similar, HONE, DEFAULT_PRIOR.hone, SPREAD.hone.knife, honeTerms),
  )

/** Tallies of every hand over the whole fleet. */
function handTallies(similar: readonly SimilarKnife[]): Map<string, HandLessons> {
  const all = new Map<string, HandLessons>()
  for (const { state } of similar) {
    for (const [personId, hand] of Object.entries(state.lessons.hands)) {
      const known = all.get(personId)
      const sum = (when: keyof HandLessons): HandLessons[typeof when] => ({
        heel: sumTallies(known?.[when].heel ?? NO_TALLY, hand[when].heel),
        belly: sumTallies(known?.[when].belly ?? NO_TALLY, hand[when].belly),
        tip: sumTallies(known?.[when].tip ?? NO_TALLY, hand[when].tip),
      })
      all.set(personId, { offStone: sum('offStone'), afterUse: sum('afterUse') })
    }
  }
  return all
}

/** One tally as an observation; readings of one session are alike, so they never say more than their sessions. */
const tallyObservations = (id: string, terms: Terms, tally: Tally): EffectObservation[] =>
  tally.count > 0 ? [{ id, terms, value: tally.sum / tally.weight, variance: 1 / tally.weight }] : []

function handRegression(hands: ReadonlyMap<string, HandLessons>, when: keyof HandLessons): Regression {
  const people = [...hands.keys()].sort()
  const sd = SPREAD.hand
  const priors = spreadByEffect(
    [sd.house, [HOUSE]],
    [sd.person, people.map(personTerm)],
    [sd.zone, people.flatMap((personId) => ZONES.map((zone) => personZoneTerm(personId, zone)))],
  )
  const observations = people.flatMap((personId) =>
    ZONES.flatMap((zone): EffectObservation[] => {
      const hand = hands.get(personId)
      const terms: Terms = [
        [HOUSE, 1],
        [personTerm(personId), 1],
        [personZoneTerm(personId, zone), 1],
      ]
      return tallyObservations(`${personId} ${zone}`, terms, hand?.[when][zone] ?? NO_TALLY)
    }),
  )
  return regress(priors, observations)
}

/**
 * What the fleet teaches: each knife's own evidence on how fast it wears, on the shape of wear and on
 * honing, spread over what knives share (house, steel, role, station, board, product, tool), and how
 * each person's edges come out. Knives that were never read add nothing and lose nothing.
 *
 * @param kin every knife of the house, with its state
 * @param stations how each station works now
 * @param said how the house says its knives are honed, and what its chef saw
 */
export function learnFleet(
  similar: readonly SimilarKnife[],
  stations: Stations,
  said: HabitStatements = NO_STATEMENTS,
): FleetLessons {
  const habits = learnHabits(similar, said)
  // what an edge says of its wear hangs on how it is honed: that is settled first, by all who hold a holder's knives
  const settled = similar.map((knife) => ({ ...knife, state: withHabit(knife, habits) }))
  const hands = handTallies(similar)
  const byStation = new Map<string, number>()
  const byTool = new Map<string, number>()
  for (const { state } of similar) {
    for (const [stationId, share] of workShares(state))
      byStation.set(stationId, (byStation.get(stationId) ?? 0) + share * state.lessons.readings)
    for (const [tool, count] of Object.entries(state.lessons.honesWith))
      byTool.set(tool, (byTool.get(tool) ?? 0) + count)
  }
  const handCount = (hand: HandLessons): number =>
    ZONES.reduce((sum, zone) => sum + hand.offStone[zone].count + hand.afterUse[zone].count, 0)
  return {
    wear: wearRegression(settled, stations),
    shape: shapeRegression(settled),
    hone: honeRegression(settled),
    habits,
    hands: { offStone: handRegression(hands, 'offStone'), afterUse: handRegression(hands, 'afterUse') },
    readings: { byStation, byTool, byHand: new Map([...hands].map(([personId, hand]) => [personId, handCount(hand)])) },
  }
}

/** A belief with the table's prior on one parameter replaced by what others say, its own evidence kept. */
function replacePrior(belief: EdgeBelief, parameter: number, table: Known, others: Known): EdgeBelief {
  const known = knownParameter(belief, parameter)
  const before = { mean: known.mean, variance: known.sd ** 2 }
  const precision = 1 / before.variance + 1 / others.sd ** 2 - 1 / table.sd ** 2
  if (!(before.variance > 0) || !(precision > 0)) return belief
  const mean = (before.mean / before.variance + others.mean / others.sd ** 2 - table.mean / table.sd ** 2) / precision
  return update(belief, [[parameter, 1]], before, { mean, variance: 1 / precision })
}

const withPrior = (state: KnifeState, parameter: number, table: Known, others: Known, dps: number): KnifeState =>
  withBelief(state, replacePrior(state.belief, parameter, table, others), dps)

/** A knife's state with what is on record for all of its holder's knives in place of its own: a handed-over knife is honed as they are. */
function withHoldersRecord(state: KnifeState, { counts }: HabitLessons): KnifeState {
  const key = habitKey(state)
  const count = counts.get(key)
  const { lessons } = state
  return count ? { ...state, lessons: { ...lessons, honing: { ...lessons.honing, [key]: count } } } : state
}

/** A knife's state with its honing settled by what its holder's other knives say; its zones are left as they were. */
const withHabit = (knife: SimilarKnife, habits: HabitLessons): KnifeState => ({
  ...knife.state,
  belief: replacePrior(knife.state.belief, HABIT, DEFAULT_PRIOR.habit, habitFromOthers(habits, knife)),
})

/**
 * A knife's state with what its kin have taught: same steel, role, station, honing tool. Its own
 * readings are not counted twice. A knife nobody has read moves most; a well-read one hardly.
 */
export function informBySimilarKnives(
  knife: SimilarKnife,
  lessons: FleetLessons,
  stations: Stations,
  dps: number,
): KnifeState {
  const prior = (regression: Regression, terms: Terms, ownSd: number): Known => {
    const { mean, sd } = sumOf(regression, terms, knife.id)
    return { mean: mean + expectedOf(terms), sd: Math.hypot(sd, ownSd) }
  }
  const wear = withPrior(
    withBelief(withHoldersRecord(knife.state, lessons.habits), withHabit(knife, lessons.habits).belief, dps),
    WEAR,
    DEFAULT_PRIOR.wear,
    prior(lessons.wear, wearTerms(knife, stations), SPREAD.wear.knife),
    dps,
  )
  const shape = withPrior(wear, SHAPE, DEFAULT_PRIOR.shape, prior(lessons.shape, [[HOUSE, 1]], SPREAD.shape.knife), dps)
  return withPrior(shape, HONE, DEFAULT_PRIOR.hone, prior(lessons.hone, honeTerms(knife), SPREAD.hone.knife), dps)
}

/**
 * Factor by which work at a station wears this knife, finished as it is now, against how it has worked so far: what
 * the station's and the finish's own part of the wear is, less the part already in the knife's κ.
 */
export function stationShift(
  knife: SimilarKnife,
  stationId: string,
  lessons: FleetLessons,
  stations: Stations,
): number {
  const past = workShares(knife.state).flatMap(([id, share]) => stationTerms(id, stations, -share))
  const product = stations.get(stationId)?.product
  const finish: Terms = product ? [[finishTerm(finishClass(knife.state.sharpening.finishMicron), product), 1]] : []
  const finished: Terms = finishTerms(knife, stations).map(([name, share]) => [name, -share])
  const terms = [
    ...stationTerms(stationId, stations, 1),
    ...past,
    ...(finished.length > 0 ? [...finish, ...finished] : []),
  ]
  return Math.exp(sumOf(lessons.wear, terms).mean + expectedOf(terms))
}

/** An effect as a factor with an 80 % interval, and whether the data say anything about it. */
export interface LearnedFactor {
  readonly factor: number
  readonly low: number
  readonly high: number
  readonly says: 'more' | 'less' | 'as-expected' | 'nothing'
}

const ORDINARY_HRC = 57
/** An effect still this close to its prior's doubt has learned nothing. */
const LEARNED_SHARE = 0.62
/** Factors nearer to one than this are of no consequence to a kitchen. */
const NEGLIGIBLE = 0.05

function asFactor({ mean, sd }: Known, priorSd: number): LearnedFactor {
  const [low, high] = [mean - Z_80 * sd, mean + Z_80 * sd]
  const learnedSomething = sd < LEARNED_SHARE * priorSd
  const says = low > NEGLIGIBLE ? 'more' : high < -NEGLIGIBLE ? 'less' : learnedSomething ? 'as-expected' : 'nothing'
  return { factor: Math.exp(mean), low: Math.exp(low), high: Math.exp(high), says }
}

const factorOf = (regression: Regression, terms: Terms): LearnedFactor =>
  asFactor(sumOf(regression, terms), priorSdOf(regression, terms))

/** How much faster edges wear at a station than the table's board and product factors say. */
export const stationFactor = (lessons: FleetLessons, stationId: string, stations: Stations): LearnedFactor =>
  factorOf(lessons.wear, stationTerms(stationId, stations, 1))

/** The same for all stations of one board, or of one product. */
export const boardFactor = (lessons: FleetLessons, board: string): LearnedFactor =>
  factorOf(lessons.wear, [[boardTerm(board), 1]])
export const productFactor = (lessons: FleetLessons, product: string): LearnedFactor =>
  factorOf(lessons.wear, [[productTerm(product), 1]])

/** What a tool brings back of the roll on ordinary steel: the table's share, and the house's own with an 80 % interval. */
export function toolEfficiency(
  lessons: FleetLessons,
  tool: HoneTool,
): {
  readonly tableEfficiency: number
  readonly efficiency: number
  readonly low: number
  readonly high: number
  readonly says: LearnedFactor['says']
} {
  const terms: Terms = [
    [HOUSE, 1],
    [toolTerm(tool), 1],
  ]
  const { mean, sd } = sumOf(lessons.hone, terms)
  const { efficiency: tableEfficiency } = honeEffect({ tool, hrc: ORDINARY_HRC })
  const at = (shift: number): number => 1 / (1 + Math.exp(-(Math.log(tableEfficiency / (1 - tableEfficiency)) + shift)))
  return {
    tableEfficiency,
    efficiency: at(mean),
    low: at(mean - Z_80 * sd),
    high: at(mean + Z_80 * sd),
    says: factorOf(lessons.hone, terms).says,
  }
}

/**
 * Force that a person's edges need against the house's others, at one zone or over the whole edge: off
 * the stone, or after five to six hours of use, when a sharpening is judged (common practice).
 */
export const handFactor = (
  lessons: FleetLessons,
  personId: string,
  zone: Zone | 'whole',
  when: keyof HandLessons,
): LearnedFactor =>
  zone === 'whole'
    ? factorOf(lessons.hands[when], [
        [personTerm(personId), 1],
        ...ZONES.map((one) => [personZoneTerm(personId, one), 1 / 3] as const),
      ])
    : factorOf(lessons.hands[when], [
        [personTerm(personId), 1],
        [personZoneTerm(personId, zone), 1],
      ])
