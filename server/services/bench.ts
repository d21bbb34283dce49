import { v5 as idFrom } from 'uuid'
import type { BenchAction, BenchOffer, BenchPlan, BenchSession, Gear, School } from '../../contract/bench'
import { gearWarnings, isDiamond, isStone } from '../../core/abrasive/gear'
import { learnedRate, type BurrTime } from '../../core/abrasive/learnedRate'
import { overruling, pressing, type ProgressionInput, type ProgressionStone } from '../../core/abrasive/progression'
import type { EdgeCondition } from '../../core/abrasive/strokeLadder'
import { BURR_ALLOWANCE_UM, recessionToApexUm } from '../../core/edge/cost'
import { bluntWidth } from '../../core/edge/wear'
import { verdict, type Action } from '../../core/edge/verdict'
import { ZONES, type Zone } from '../../core/edge/zones'
import { recipesFor, type Recipe, type RecipeKnife } from '../../core/hand/recipe'
import { RECIPES } from '../../core/hand/recipes'
import { minutesToBurr, planSession, sessionState, type SessionAction, type SessionPlan, type SessionState } from '../../core/hand/session'
import { MeasureError } from '../../core/measure'
import { assertMay, type Caller } from '../access/sessions'
import type { Clock } from '../clock'
import type { Database, Queryable } from '../db/database'
import {
  burrTimesOf, endSession, findSession, insertActions, insertBurrTime, insertSession, listActions, listRecipes, listSchools, openSessions, sessionsOfKnife, type StoredAction, type StoredSession,
} from '../db/queries/bench'
import { insertEvents, asKnifeEvent, type EventWrite } from '../db/queries/events'
import { countKnifeOn, listGear } from '../db/queries/gear'
import { touchHouse } from '../db/queries/houses'
import { findKnife, lockKnife, type StoredKnife } from '../db/queries/knives'
import { Fault, notFound } from '../faults'
import { gearView, micronOf } from './gear'
import { loadReading, type FleetReading } from './fleet'
import { foldOn } from './knifeState'
import { presentKnife, type PresentKnife } from './knifeView'
import { loadContext } from './surroundings'

/** What a person asks of a session before it begins. */
export interface BenchWish {
  readonly recipeId?: string | undefined
  readonly startWith?: string | undefined
  readonly choices: Readonly<Record<string, string>>
}

/** Name space of event ids made from sessions, so that ending one twice records once. */
const SPACE = '6f1f3c9e-0a53-4b0b-9a39-1f0f3f9c2d10'
const VERY_DULL_UM = 18
const KEPT_UP_UM = 8
const LATEST_SESSIONS = 5

/** Recipes of a house: its own in place of those every house starts with. */
export async function houseRecipes(db: Queryable, houseId: string): Promise<Recipe[]> {
  const own = await listRecipes(db, houseId)
  return [...RECIPES.map((recipe) => own.find(({ id }) => id === recipe.id) ?? recipe), ...own.filter(({ id }) => RECIPES.every((recipe) => recipe.id !== id))]
}

interface Bench {
  readonly knife: StoredKnife
  readonly present: PresentKnife
  readonly action: Action
  readonly shelf: readonly Gear[]
  readonly recipes: readonly Recipe[]
  readonly reading: FleetReading
  readonly burrTimes: ReadonlyMap<string, readonly BurrTime[]>
  readonly schools: readonly School[]
}

async function loadBench(db: Queryable, caller: Caller, knifeId: string, now: Date): Promise<Bench> {
  const knife = await findKnife(db, caller.house.id, knifeId)
  if (!knife) throw notFound('knife')
  const reading = await loadReading(db, caller.house, now)
  const stored = reading.states.get(knifeId)
  if (!stored) throw notFound('knife')
  const present = presentKnife(knife, stored, reading, 'until-dull')
  const { action } = verdict(present.state, present.blade.geometry, present.blade.role, present.rules)
  const gear = await listGear(db, caller.house.id)
  return { knife, present, action, shelf: gear.filter((one) => one.active), recipes: await houseRecipes(db, caller.house.id), reading, burrTimes: await burrTimesOf(db, caller.house.id, caller.person.id), schools: await listSchools(db, caller.house.id) }
}

/** Stones on the shelf, each as fast as it has been in this person's hands. */
const stonesOf = ({ shelf, burrTimes }: Bench): ProgressionStone[] =>
  shelf.flatMap((gear) => {
    const micron = micronOf(gear)
    const { rate } = learnedRate(burrTimes.get(gear.id) ?? [])
    return isStone(gear.kind) && micron !== null ? [{ id: gear.id, micron, diamond: isDiamond(gear.kind), rate }] : []
  })

const worstBluntUm = ({ state, blade }: PresentKnife): number =>
  Math.max(...ZONES.map((zone) => bluntWidth({ wornAreaUm2: state.zones[zone].wornAreaUm2, dps: blade.nature.dps })))

function conditionOf(present: PresentKnife): EdgeCondition {
  const blunt = worstBluntUm(present)
  if (present.state.defects.glint.length > 0 || blunt > VERY_DULL_UM) return 'very-dull'
  return blunt < KEPT_UP_UM ? 'kept-up' : 'dull'
}

/** A bevel that has to be made anew reaches further back than its apex: glint and very dull edges lose about a tenth of a millimetre (assumed). */
const REWORK_MM = 0.1

function workOf(present: PresentKnife, recipeId: string): Omit<ProgressionInput, 'finishMicron' | 'stones'> {
  const { blade, state, rules } = present
  const geometry = { ...blade.geometry, dps: blade.nature.dps }
  const chip = state.defects.chip
  if (recipeId === 'thin') {
    const target = Math.min(rules.thicknessLimitMm, blade.measures.bteNewMm)
    return { blade: geometry, thinning: { byMm: Math.max(0.02, geometry.bteMm - target) } }
  }
  if (chip) return { blade: geometry, chip }
  const apexMm = recessionToApexUm(worstBluntUm(present), geometry.dps) / 1000
  return { blade: geometry, recessionMm: conditionOf(present) === 'kept-up' ? BURR_ALLOWANCE_UM / 1000 : Math.max(apexMm, REWORK_MM) }
}

/** What a recipe is chosen by, with the hardness that stands in where nobody measured it. */
const recipeKnife = ({ knife, present }: Bench): RecipeKnife => ({ ...knife, hrc: present.blade.nature.hrc })

/** Actions that a house's school of honing, and of stone work, has a say in. */
const WORK_OF: Partial<Record<Action, School['work']>> = { hone: 'hone', stone: 'stone', 'touch-up': 'stone' }

/** The recipe of the house's school for this kind of knife, where it fits the blade. */
function preferred({ schools, present, action }: Bench, fitting: readonly Recipe[]): Recipe | undefined {
  const school = schools.find(({ role, work }) => role === present.blade.role && work === WORK_OF[action])
  return fitting.find(({ id }) => id === school?.recipeId)
}

function chooseRecipe(bench: Bench, wish: BenchWish): Recipe {
  const fitting = recipesFor(bench.recipes, recipeKnife(bench), bench.action)
  const chosen = wish.recipeId === undefined ? (preferred(bench, fitting) ?? fitting[0]) : bench.recipes.find(({ id }) => id === wish.recipeId)
  if (!chosen) throw notFound('recipe')
  return chosen
}

interface Laid {
  readonly recipe: Recipe
  readonly plan: SessionPlan
  readonly input: ProgressionInput | null
}

function lay(bench: Bench, wish: BenchWish): Laid {
  const recipe = chooseRecipe(bench, wish)
  const stones = stonesOf(bench)
  if (recipe.stones !== 'none' && stones.length === 0) throw new Fault('conflict', 'no-stones')
  const choices = { ...Object.fromEntries(recipe.choices.map(({ id, chosen }) => [id, chosen])), ...wish.choices }
  const progression = recipe.stones === 'none' ? null : { ...workOf(bench.present, recipe.id), stones, ...(wish.startWith === undefined ? {} : { startWith: wish.startWith }) }
  try {
    const plan = planSession({ recipe, progression, condition: conditionOf(bench.present), ratioRight: bench.knife.ratioRight, choices })
    return { recipe, plan, input: progression && { ...progression, finishMicron: recipe.finishMicron } }
  } catch (error) {
    if (error instanceof MeasureError) throw new Fault('conflict', 'session-impossible')
    throw error
  }
}

const nameOf = (shelf: readonly Gear[], stoneId: string): string => shelf.find(({ id }) => id === stoneId)?.name ?? ''
const tenth = (value: number): number => Math.round(value * 10) / 10

function planView({ plan }: Laid, shelf: readonly Gear[]): BenchPlan {
  return {
    recipeId: plan.recipeId, minutes: plan.minutes, finishMicron: plan.finishMicron, choices: { ...plan.choices },
    stages: plan.stages.map(({ stone, minutes, strokesPerSide, newtons, takes }) => ({
      stoneId: stone.id, stoneName: nameOf(shelf, stone.id), micron: stone.micron, minutes: tenth(minutes), strokesPerSide, newtons, takes,
    })),
    notes: plan.notes.map((note) => ({ ...note })),
    steps: plan.steps.map((step) => ({
      ...step, minutes: tenth(step.minutes), rungs: step.rungs.map((rung) => ({ ...rung })), checks: [...step.checks], cautions: [...step.cautions],
    })),
  }
}

/** The plan of a stored session as the core folds it; what was shown and what is folded are one. */
const storedPlan = (plan: BenchPlan): SessionPlan => ({
  ...plan,
  notes: [],
  stages: plan.stages.map(({ stoneId, micron, ...stage }) => ({ ...stage, stone: { id: stoneId, micron }, removesMm3: 0 })),
})

const asSessionAction = ({ personId, action }: StoredAction): SessionAction => ({ ...action, personId, atMs: new Date(action.at).getTime() })

const stateOf = (session: StoredSession, actions: readonly StoredAction[]): SessionState =>
  sessionState(storedPlan(session.plan), session.startedAt.getTime(), session.startedBy, actions.map(asSessionAction))

/** What the last session on a knife left for the next. */
async function carriedOver(db: Queryable, houseId: string, knifeId: string): Promise<BenchOffer['carriedOver']> {
  const last = (await sessionsOfKnife(db, houseId, knifeId, LATEST_SESSIONS)).find(({ outcome }) => outcome === 'finished')
  return last ? stateOf(last, await listActions(db, houseId, last.id)).carryOver.map((one) => ({ ...one })) : []
}

/** What could be done to a knife now, how, and what stands in the way. */
export async function benchOffer(db: Database, clock: Clock, caller: Caller, knifeId: string, wish: BenchWish): Promise<BenchOffer> {
  const bench = await loadBench(db, caller, knifeId, clock())
  const laid = lay(bench, wish)
  const { plan, input } = laid
  const used = bench.shelf.filter(({ id }) => plan.stages.some(({ stone }) => stone.id === id))
  const fitting = new Set(recipesFor(bench.recipes, recipeKnife(bench), bench.action).map(({ id }) => id))
  const open = (await openSessions(db, caller.house.id)).find((session) => session.knifeId === knifeId)
  return {
    recipes: bench.recipes.map(({ id, choices }) => ({ id, fits: fitting.has(id), choices: choices.map((choice) => ({ ...choice, options: [...choice.options] })) })),
    plan: planView(laid, bench.shelf),
    starts: input === null || laid.recipe.stones === 'last' ? [] : input.stones
      .map((stone) => ({ stoneId: stone.id, stoneName: nameOf(bench.shelf, stone.id), planned: stone.id === plan.stages[0]?.stone.id, micron: stone.micron, ...overruling(input, stone.id) }))
      .sort((a, b) => b.micron - a.micron)
      .map(({ micron: _, ...start }) => ({ ...start, minutes: tenth(start.minutes), minutesToBurr: tenth(start.minutesToBurr) })),
    soak: used.filter(({ soakMinutes }) => soakMinutes > 0).map(({ id, name, soakMinutes, bath }) => ({ stoneId: id, stoneName: name, minutes: soakMinutes, bath })),
    flatten: used.flatMap((gear) => {
      const { because } = gearView(gear).flatten
      return because === null ? [] : [{ stoneId: gear.id, stoneName: gear.name, because }]
    }),
    warnings: [...new Set([
      ...used.flatMap((gear) => gearWarnings({ kind: gear.kind, micron: micronOf(gear), thicknessLeftMm: gear.thicknessMm, newtons: pressing(micronOf(gear) ?? 0) })),
      ...(plan.recipeId === 'steel' ? gearWarnings({ kind: 'smooth-steel', micron: null, hrc: bench.present.blade.nature.hrc }) : []),
    ])],
    carriedOver: await carriedOver(db, caller.house.id, knifeId),
    open: open ? { sessionId: open.id, personName: bench.reading.people.find(({ id }) => id === open.startedBy)?.name ?? '', startedAt: open.startedAt.toISOString() } : null,
  }
}

const sessionView = (session: StoredSession, actions: readonly StoredAction[]): BenchSession => ({
  id: session.id, knifeId: session.knifeId, startedAt: session.startedAt.toISOString(), startedBy: session.startedBy,
  endedAt: session.endedAt?.toISOString() ?? null, outcome: session.outcome, plan: session.plan, actions: [...actions],
})

/**
 * Begins a session on a knife. Asking again with the same id gives the session that was begun.
 *
 * @throws Fault `session-open` when somebody is at this knife already
 */
export async function startSession(db: Database, clock: Clock, caller: Caller, input: BenchWish & { readonly id: string; readonly knifeId: string }): Promise<BenchSession> {
  const now = clock()
  return await db.transaction(async (client) => {
    const again = await findSession(client, caller.house.id, input.id)
    if (again) return sessionView(again, await listActions(client, caller.house.id, again.id))
    if (!(await lockKnife(client, caller.house.id, input.knifeId))) throw notFound('knife')
    const bench = await loadBench(client, caller, input.knifeId, now)
    const open = (await openSessions(client, caller.house.id)).find((session) => session.knifeId === input.knifeId)
    if (open) throw new Fault('conflict', 'session-open', { name: bench.reading.people.find(({ id }) => id === open.startedBy)?.name ?? '', code: bench.knife.code })
    const laid = lay(bench, input)
    const asHoning = laid.recipe.stones === 'none' && laid.recipe.actions.includes('hone')
    assertMay(caller, asHoning ? 'log-hone' : 'log-sharpening')
    const session: StoredSession = {
      id: input.id, knifeId: input.knifeId, startedBy: caller.person.id, startedAt: now, endedAt: null, outcome: null, plan: planView(laid, bench.shelf),
    }
    await insertSession(client, caller.house.id, session)
    await touchHouse(client, caller.house.id)
    return sessionView(session, [])
  })
}

export async function readSession(db: Queryable, caller: Caller, sessionId: string): Promise<BenchSession> {
  const session = await findSession(db, caller.house.id, sessionId)
  if (!session) throw notFound('session')
  return sessionView(session, await listActions(db, caller.house.id, sessionId))
}

const readingsOf = (forces: SessionState['before']): { zone: Zone; forcesGf: number[] }[] =>
  ZONES.flatMap((zone) => { const force = forces[zone]; return force === undefined ? [] : [{ zone, forcesGf: [force] }] })

/** Strokes each side got: the first side is the right one. */
function strokesBySide(plan: BenchPlan, state: SessionState): { left: number; right: number } {
  const counted = (side: 'first' | 'second'): number => plan.steps
    .filter((step) => step.side === side)
    .reduce((sum, { id }) => sum + Object.values(state.steps[id]?.strokes ?? {}).reduce((all, count) => all + count, 0), 0)
  return { left: counted('second'), right: counted('first') }
}

/** What a finished session says about the knife, as events of its log. */
function eventsOf(session: StoredSession, state: SessionState, at: Date, caller: Caller): EventWrite[] {
  const event = (name: string, kind: EventWrite['kind'], moment: Date, payload: object): EventWrite =>
    ({ id: idFrom(`${session.id}/${name}`, SPACE), knifeId: session.knifeId, kind, at: moment, personId: state.personId ?? caller.person.id, deviceId: caller.deviceId, payload })
  const { plan } = session
  const [before, after] = [readingsOf(state.before), readingsOf(state.after)]
  const [first] = plan.stages
  const workedMs = Object.values(state.steps).reduce((sum, step) => sum + step.spentMs, 0)
  const tool = plan.recipeId === 'strop' ? 'strop' : plan.recipeId === 'rod-ladder' ? 'diamond-rod' : 'smooth-steel'
  const strokes = Math.max(0, ...plan.steps.filter(({ kind }) => kind === 'hone' || kind === 'strop').map((step) => step.strokes))
  const isHoning = plan.stages.length === 0 && !plan.recipeId.startsWith('serrated')
  const done = isHoning
    ? event('honed', 'honed', at, { tool, strokesPerSide: strokes })
    : event('sharpened', 'sharpened', at, { finishMicron: plan.finishMicron, minutes: Math.min(600, Math.round(workedMs / 60_000)), strokes: strokesBySide(plan, state), ...(first ? { startGrit: gritNear(first.micron) } : {}) })
  return [
    ...(before.length > 0 ? [event('before', 'checked', session.startedAt, { readings: before, ladder: [] })] : []),
    done,
    ...(after.length > 0 ? [event('after', 'checked', new Date(at.getTime() + 1), { readings: after, ladder: [] })] : []),
  ]
}

/** JIS grit nearest to a grain, for the log; the sizes of JIS R 6001 that benches have. */
function gritNear(micron: number): number {
  const grits: readonly (readonly [number, number])[] = [[220, 63], [320, 40], [400, 30], [600, 20], [800, 14], [1000, 11.5], [2000, 6.7], [3000, 4], [4000, 3], [6000, 2], [8000, 1.2]]
  return [...grits].sort((a, b) => Math.abs(Math.log(a[1] / micron)) - Math.abs(Math.log(b[1] / micron)))[0]?.[0] ?? 1000
}

/**
 * Keeps what was done in a session. When it ends, what it did to the knife goes into the knife's log in
 * the same transaction; a session broken off leaves no mark on the edge but stays readable.
 *
 * @throws Fault `session-over` for something new in a session that has ended
 */
export async function actInSession(db: Database, clock: Clock, caller: Caller, sessionId: string, actions: readonly BenchAction[]): Promise<BenchSession> {
  const now = clock()
  return await db.transaction(async (client) => {
    const found = await findSession(client, caller.house.id, sessionId)
    if (!found) throw notFound('session')
    const knife = await lockKnife(client, caller.house.id, found.knifeId)
    const session = await findSession(client, caller.house.id, sessionId, true)
    if (!session || !knife) throw notFound('session')
    const known = new Set((await listActions(client, caller.house.id, sessionId)).map(({ action }) => action.id))
    const fresh = actions.filter(({ id }) => !known.has(id))
    if (session.endedAt && fresh.length > 0) throw new Fault('conflict', 'session-over')
    await insertActions(client, caller.house.id, sessionId, { personId: caller.person.id, deviceId: caller.deviceId }, fresh)
    const all = await listActions(client, caller.house.id, sessionId)
    const state = stateOf(session, all)
    const ends = state.status !== 'open' && !session.endedAt
    if (ends) {
      await endSession(client, caller.house.id, sessionId, state.status === 'finished' ? 'finished' : 'abandoned', now)
      if (state.status === 'finished') {
        const writes = eventsOf(session, state, now, caller)
        await insertEvents(client, caller.house.id, writes)
        await foldOn(client, await loadContext(client, caller.house), knife, writes.map(asKnifeEvent))
        for (const time of minutesToBurr(storedPlan(session.plan), state)) {
          await insertBurrTime(client, caller.house.id, sessionId, { ...time, personId: state.personId ?? caller.person.id })
        }
        await countKnifeOn(client, caller.house.id, session.plan.stages.map(({ stoneId }) => stoneId))
      }
      await touchHouse(client, caller.house.id)
    }
    return await readSession(client, caller, sessionId)
  })
}
