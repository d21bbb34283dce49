import { z } from 'zod'
import type { Right } from '../core/house/rights'
import {
  BenchAction,
  BenchOffer,
  BenchSession,
  GearPatch,
  GearView,
  NewGear,
  Recipe,
  RecipeView,
  RecipePreferences,
  SessionLine,
  StackPieces,
} from './bench'
import { NewEvent, TimelineEvent } from './events'
import { ExchangeOutcome, TableName } from './exchange'
import type { Endpoint, Method } from './endpoint'
import {
  Device,
  SignInPage,
  FirstRun,
  House,
  HousePatch,
  NewPerson,
  Person,
  PersonPatch,
  SignedIn,
  Station,
  StationPatch,
  WeeklySpan,
  WeeklySpans,
} from './house'
import { EdgeStory, KnifePatch, KnifeView, NewKnife } from './knives'
import { HouseLearning, Job } from './learning'
import { Day, Id, Instant, Name, Pin } from './scalars'
import {
  AcceptedPlan,
  BenchPlace,
  Crew,
  ImproveAsk,
  Improvement,
  NewPlan,
  PersonDays,
  PersonShifts,
  PlanView,
  SkillName,
  SpecialDay,
} from './week'
import { Operation, WorkshopView } from './workshop'

const nothing = z.object({})
type Nothing = typeof nothing

function endpoint<
  P extends z.ZodType = Nothing,
  Q extends z.ZodType = Nothing,
  B extends z.ZodType = Nothing,
  A extends z.ZodType = Nothing,
>(
  method: Method,
  path: string,
  right: Right | 'open',
  summary: string,
  shape: { params?: P; query?: Q; body?: B; answer?: A } = {},
): Endpoint<P, Q, B, A> {
  const fallback = <S extends z.ZodType>(schema: S | undefined): S => schema ?? (nothing as unknown as S)
  return {
    method,
    path,
    right,
    summary,
    params: fallback(shape.params),
    query: fallback(shape.query),
    body: fallback(shape.body),
    answer: fallback(shape.answer),
  }
}

const byId = z.object({ id: Id })
const wish = {
  recipeId: z.string().max(40).optional(),
  startWith: Id.optional(),
  choices: z.record(z.string().max(20), z.string().max(40)).default({}),
}

export const Fleet = z.object({
  /** when this was reckoned, at most a minute ago */
  now: Instant,
  knives: z.array(KnifeView),
  people: z.array(Person),
  stations: z.array(Station),
  /** sessions of the accepted plan that are still ahead */
  planned: z.array(z.object({ knifeId: Id, personId: Id, startsAt: Instant, endsAt: Instant })),
  day: z.object({
    startsAt: Instant,
    services: z.array(z.object({ name: z.string(), startsAt: Instant, endsAt: Instant })),
    quiet: z.array(z.object({ name: z.string(), startsAt: Instant, endsAt: Instant })),
  }),
})
export type Fleet = z.infer<typeof Fleet>

export const endpoints = {
  signInPage: endpoint('get', '/api/sign-in', 'open', 'What the sign-in page may know', { answer: SignInPage }),
  firstRun: endpoint('post', '/api/first-run', 'open', 'Make the first house and its manager', {
    body: FirstRun,
    answer: SignedIn,
  }),
  signIn: endpoint('post', '/api/session', 'open', 'Sign in with a name and a password', {
    body: z.object({ signInName: z.string().max(60), password: z.string().max(200) }),
    answer: SignedIn,
  }),
  signInByPin: endpoint('post', '/api/session/pin', 'open', 'Sign in on an enrolled tablet', {
    body: z.object({ personId: Id, pin: Pin }),
    answer: SignedIn,
  }),
  session: endpoint('get', '/api/session', 'see', 'Who is signed in', { answer: SignedIn }),
  signOut: endpoint('delete', '/api/session', 'open', 'Sign out'),
  enrol: endpoint('post', '/api/devices', 'manage-house', 'Enrol this tablet, or make a key for an instrument', {
    body: z.object({ name: Name, kind: z.enum(['tablet', 'instrument']) }),
    answer: z.object({ device: Device, key: z.string().nullable() }),
  }),
  devices: endpoint('get', '/api/devices', 'manage-house', 'Enrolled tablets and instruments', {
    answer: z.array(Device),
  }),
  revoke: endpoint('delete', '/api/devices/{id}', 'manage-house', 'Revoke a tablet or an instrument', { params: byId }),

  fleet: endpoint('get', '/api/fleet', 'see', 'Every knife with its condition and next action, and who is here', {
    answer: Fleet,
  }),
  addKnife: endpoint('post', '/api/knives', 'edit-knife', 'Add a knife', { body: NewKnife, answer: KnifeView }),
  editKnife: endpoint('patch', '/api/knives/{id}', 'edit-knife', 'Correct the description of a knife', {
    params: byId,
    body: KnifePatch,
    answer: KnifeView,
  }),
  timeline: endpoint('get', '/api/knives/{id}/events', 'see', 'History of a knife, newest first', {
    params: byId,
    query: z.object({ before: Instant.optional(), most: z.coerce.number().int().min(1).max(500).default(60) }),
    answer: z.array(TimelineEvent),
  }),
  edgeStory: endpoint(
    'get',
    '/api/knives/{id}/edge',
    'see',
    'Edge and steel of a knife through time, with the forecast',
    { params: byId, answer: EdgeStory },
  ),
  sendEvents: endpoint(
    'post',
    '/api/events',
    'see',
    'Record what happened; sending the same ids again changes nothing',
    {
      body: z.object({ events: z.array(NewEvent).min(1).max(200) }),
      answer: z.object({ knives: z.array(KnifeView) }),
    },
  ),

  editHouse: endpoint('patch', '/api/house', 'manage-house', 'Change name, zone, units or limits', {
    body: HousePatch,
    answer: House,
  }),
  addPerson: endpoint('post', '/api/people', 'manage-house', 'Add a person', { body: NewPerson, answer: Person }),
  editPerson: endpoint('patch', '/api/people/{id}', 'manage-house', 'Change a person', {
    params: byId,
    body: PersonPatch,
    answer: Person,
  }),
  addStation: endpoint('post', '/api/stations', 'manage-house', 'Add a station', { body: Station, answer: Station }),
  editStation: endpoint('patch', '/api/stations/{id}', 'manage-house', 'Change a station', {
    params: byId,
    body: StationPatch,
    answer: Station,
  }),
  week: endpoint('get', '/api/week', 'see', 'Services and quiet windows by weekday', { answer: z.array(WeeklySpan) }),
  setWeek: endpoint('put', '/api/week', 'manage-house', 'Replace services and quiet windows', {
    body: WeeklySpans,
    answer: z.array(WeeklySpan),
  }),

  gear: endpoint('get', '/api/gear', 'see', 'Stones, rods, strops and plates of the house', {
    answer: z.array(GearView),
  }),
  addGear: endpoint('post', '/api/gear', 'manage-gear', 'Add gear', { body: NewGear, answer: GearView }),
  editGear: endpoint('patch', '/api/gear/{id}', 'manage-gear', 'Change gear, or say that it was flattened', {
    params: byId,
    body: GearPatch,
    answer: GearView,
  }),
  pieces: endpoint('get', '/api/stack-pieces', 'see', 'Coins, cards and shims for setting an angle', {
    answer: StackPieces,
  }),
  setPieces: endpoint('put', '/api/stack-pieces', 'manage-gear', 'Replace coins, cards and shims', {
    body: StackPieces,
    answer: StackPieces,
  }),
  recipes: endpoint('get', '/api/recipes', 'see', 'What sessions do, step by step', { answer: z.array(RecipeView) }),
  setRecipe: endpoint('put', '/api/recipes/{id}', 'manage-gear', 'Make a recipe the house’s own', {
    params: z.object({ id: z.string().max(40) }),
    body: Recipe,
    answer: RecipeView,
  }),
  restoreRecipe: endpoint('delete', '/api/recipes/{id}', 'manage-gear', 'Back to the recipe every house starts with', {
    params: z.object({ id: z.string().max(40) }),
    answer: z.array(RecipeView),
  }),
  recipePreferences: endpoint(
    'get',
    '/api/recipe-preferences',
    'see',
    'Which recipe the house prefers for which kind of knife',
    { answer: RecipePreferences },
  ),
  setRecipePreferences: endpoint('put', '/api/recipe-preferences', 'manage-gear', 'Replace the house’s preferences', {
    body: RecipePreferences,
    answer: RecipePreferences,
  }),
  benchOffer: endpoint('post', '/api/knives/{id}/bench', 'see', 'What could be done to a knife at the bench, and how', {
    params: byId,
    body: z.object(wish),
    answer: BenchOffer,
  }),
  workshop: endpoint(
    'get',
    '/api/knives/{id}/workshop',
    'see',
    'A knife’s section as it is, and what its life is reckoned from',
    { params: byId, answer: WorkshopView },
  ),
  setWorkOrder: endpoint(
    'put',
    '/api/knives/{id}/work-order',
    'log-sharpening',
    'Save workshop work for a knife’s time at the bench',
    { params: byId, body: z.object({ operation: Operation }), answer: WorkshopView },
  ),
  deleteWorkOrder: endpoint(
    'delete',
    '/api/knives/{id}/work-order',
    'log-sharpening',
    'Drop the work saved for a knife',
    { params: byId, answer: WorkshopView },
  ),
  knifeSessions: endpoint(
    'get',
    '/api/knives/{id}/bench-sessions',
    'see',
    'Sessions a knife has been through, newest first',
    {
      params: byId,
      answer: z.array(SessionLine),
    },
  ),
  startSession: endpoint('post', '/api/bench-sessions', 'log-hone', 'Begin a session on a knife', {
    body: z.object({ id: Id, knifeId: Id, ...wish, operation: Operation.optional() }),
    answer: BenchSession,
  }),
  openSessions: endpoint('get', '/api/bench-sessions', 'see', 'Sessions nobody has ended', {
    answer: z.array(z.object({ id: Id, knifeId: Id, startedBy: Id, startedAt: Instant })),
  }),
  benchSession: endpoint('get', '/api/bench-sessions/{id}', 'see', 'A session with everything done in it', {
    params: byId,
    answer: BenchSession,
  }),
  actInSession: endpoint(
    'post',
    '/api/bench-sessions/{id}/actions',
    'log-hone',
    'Keep what was done; sending the same ids again changes nothing',
    {
      params: byId,
      body: z.object({ actions: z.array(BenchAction).min(1).max(500) }),
      answer: BenchSession,
    },
  ),

  learning: endpoint('get', '/api/learning', 'see', 'What the house has taught: boards, products, hands, tools', {
    answer: HouseLearning,
  }),
  rebuild: endpoint('post', '/api/jobs/rebuild', 'manage-house', 'Reckon every knife anew from its log', {
    answer: Job,
  }),
  jobs: endpoint('get', '/api/jobs', 'manage-house', 'Long work of the house, newest first', { answer: z.array(Job) }),
  cancelJob: endpoint('delete', '/api/jobs/{id}', 'manage-house', 'Ask long work to stop; what is done stays done', {
    params: byId,
    answer: Job,
  }),

  crew: endpoint('get', '/api/crew', 'see', 'Who is in the house when, and what each may do', { answer: Crew }),
  setShifts: endpoint('put', '/api/people/{id}/shifts', 'manage-house', 'Replace a person’s weekly shifts', {
    params: byId,
    body: z.object({ shifts: PersonShifts }),
    answer: Crew,
  }),
  setShiftDays: endpoint('put', '/api/people/{id}/shift-days', 'manage-house', 'Replace single days of a person', {
    params: byId,
    body: z.object({ days: z.array(Day).max(100), entries: PersonDays }),
    answer: Crew,
  }),
  importCalendar: endpoint(
    'post',
    '/api/people/{id}/shift-days/calendar',
    'manage-house',
    'Read single days of a person from an iCalendar file',
    {
      params: byId,
      body: z.object({ calendar: z.string().max(400_000), apply: z.boolean() }),
      answer: z.object({ entries: PersonDays, applied: z.boolean() }),
    },
  ),
  setSkills: endpoint('put', '/api/people/{id}/skills', 'manage-house', 'Sign a person off for skills', {
    params: byId,
    body: z.object({ skills: z.array(SkillName).max(7) }),
    answer: Crew,
  }),
  setBench: endpoint('put', '/api/benches', 'manage-gear', 'Add or change a bench', { body: BenchPlace, answer: Crew }),
  setSpecialDay: endpoint('put', '/api/special-days/{day}', 'manage-house', 'Make a day unlike its weekday', {
    params: z.object({ day: Day }),
    body: SpecialDay,
    answer: Crew,
  }),
  dropSpecialDay: endpoint('delete', '/api/special-days/{day}', 'manage-house', 'Make a day like its weekday again', {
    params: z.object({ day: Day }),
    answer: Crew,
  }),
  plan: endpoint('get', '/api/plan', 'see', 'The days ahead: what to plan, the plan that holds, what has moved', {
    answer: PlanView,
  }),
  acceptPlan: endpoint('put', '/api/plan', 'manage-house', 'Make a plan the one the house goes by', {
    body: NewPlan,
    answer: AcceptedPlan,
  }),
  improvePlan: endpoint('post', '/api/plan/improvements', 'manage-house', 'Ask for a better plan and a proven bound', {
    body: ImproveAsk,
    answer: z.object({ id: Id }),
  }),
  improvement: endpoint('get', '/api/plan/improvements/{id}', 'manage-house', 'How far an improvement has come', {
    params: byId,
    answer: Improvement,
  }),
  calendarLink: endpoint('get', '/api/people/{id}/calendar-link', 'see', 'Whether a person has a calendar address', {
    params: byId,
    answer: z.object({ standing: z.number() }),
  }),
  makeCalendarLink: endpoint(
    'post',
    '/api/people/{id}/calendar-link',
    'see',
    'Make a private calendar address; the old one ends',
    { params: byId, answer: z.object({ path: z.string() }) },
  ),
  revokeCalendarLink: endpoint('delete', '/api/people/{id}/calendar-link', 'see', 'End a person’s calendar address', {
    params: byId,
    answer: z.object({ standing: z.number() }),
  }),

  importTable: endpoint('post', '/api/exchange/{table}', 'import', 'Read a CSV file: a dry run, or all of it', {
    params: z.object({ table: TableName }),
    body: z.object({ csv: z.string().max(4_000_000), apply: z.boolean() }),
    answer: ExchangeOutcome,
  }),
} as const
