import { HONING_RULES, POLICY_SCOPES, policyProblems, SCHOOLS } from '../core/policy/policy'
import { z } from 'zod'
import { GAPS, MOVE_IN_STEPS } from '../core/house/movingIn'
import { Marking } from './marks'
import {
  BoardName,
  DAY_ORDERS,
  HoneToolName,
  Id,
  LanguageTag,
  Instant,
  KnifeRoleName,
  Measure,
  Name,
  Password,
  PersonRoleName,
  Pin,
  ProductName,
  RightName,
  SignInName,
  StatedHabitName,
  TimeZone,
  WallTime,
} from './scalars'
import type { Wire } from './wire'

export const ServiceLimits = z.record(KnifeRoleName, z.number().min(100).max(2000))

/** A rule of how often some knives are sharpened, how they are honed, and by whom. */
export const PolicyRule = z.object({
  scope: z.enum(POLICY_SCOPES),
  /** kind of knife, or the id of a station or person; empty for the whole house */
  of: z.string().max(60),
  school: z.enum(SCHOOLS),
  weeks: z.number().int().min(1).max(26),
  timesAYear: z.union([z.literal(2), z.literal(3)]),
  honing: z.enum(HONING_RULES),
  ownHands: z.boolean(),
})
/** Rules that contradict each other, or themselves, are refused by the field they stand in. */
export const PolicyRules = z
  .array(PolicyRule)
  .max(60)
  .superRefine((rules, context) => {
    for (const { at, problem } of policyProblems(rules))
      context.addIssue({
        code: 'custom',
        params: { fault: `rule-${problem}` },
        path: [at, problem === 'twice' ? 'of' : 'honing'],
      })
  })

export const House = z.object({
  id: Id,
  name: Name,
  zone: TimeZone,
  units: z.enum(['mm', 'in']),
  serviceLimits: ServiceLimits,
  /** how the house says its knives are honed; null while nobody has said */
  honingHabit: StatedHabitName.nullable(),
  /** how the house writes the parts of a day in figures */
  dayOrder: z.enum(DAY_ORDERS),
  /** what the house speaks, to whoever has not chosen otherwise */
  language: LanguageTag,
  /** parts of moving in that somebody has said are right */
  settled: z.array(z.enum(MOVE_IN_STEPS)).max(MOVE_IN_STEPS.length),
  policies: PolicyRules,
  isDemo: z.boolean(),
})
export type House = Wire<typeof House>
export const HousePatch = House.pick({
  name: true,
  zone: true,
  units: true,
  serviceLimits: true,
  honingHabit: true,
  dayOrder: true,
  language: true,
  settled: true,
  policies: true,
}).partial()

/** What a house has not said yet, most pressing first, and what saying it would buy. */
export const Missing = z.object({
  gaps: z.array(
    z.object({
      gap: z.enum(GAPS),
      codes: z.array(z.string()),
      names: z.array(z.string()),
    }),
  ),
  /** minutes of needless work and dull service that one everyday sign of each edge nobody has looked at would save */
  lookMinutes: z.number(),
  /** days until a fresh edge is dull, honed before each service and never honed */
  habitGain: z.object({ daysHoned: z.number(), daysUnhoned: z.number() }).nullable(),
})
export type Missing = Wire<typeof Missing>

export const Person = z.object({
  id: Id,
  name: Name,
  role: PersonRoleName,
  active: z.boolean(),
  hasPin: z.boolean(),
  signInName: z.string().nullable(),
  /** the angle this person really works at, degrees per side; null when nobody has measured it */
  workingDps: Measure.workingDps.nullable(),
  /** how this person hones, where it differs from the house; and with what, where the knife does not decide */
  honingHabit: StatedHabitName.nullable(),
  honeTool: HoneToolName.nullable(),
})
export type Person = Wire<typeof Person>
export const NewPerson = z.object({ id: Id, name: Name, role: PersonRoleName, pin: Pin.optional() })
export const PersonPatch = z
  .object({
    name: Name,
    role: PersonRoleName,
    active: z.boolean(),
    pin: Pin,
    workingDps: Measure.workingDps.nullable(),
    honingHabit: StatedHabitName.nullable(),
    honeTool: HoneToolName.nullable(),
  })
  .partial()

/** What the chef saw of one person on a walk through the kitchen. */
export const Walk = z.object({ id: Id, personId: Id, at: Instant, inOrder: z.boolean() })
export type Walk = Wire<typeof Walk>

export const Station = z.object({
  id: Id,
  name: Name,
  board: BoardName,
  product: ProductName,
  hoursPerService: Measure.hours,
  active: z.boolean(),
  /** how much a dull service here counts against another station's; 1 is usual */
  weight: z.number().min(0).max(5).default(1),
})
export type Station = Wire<typeof Station>
export const StationPatch = Station.omit({ id: true })
  .extend({ weight: z.number().min(0).max(5) })
  .partial()

export const WeeklySpan = z.object({
  id: Id,
  kind: z.enum(['service', 'quiet']),
  weekday: z.number().int().min(1).max(7),
  name: Name,
  starts: WallTime,
  ends: WallTime,
})
export type WeeklySpan = Wire<typeof WeeklySpan>
/** The whole week at once: what is not listed is gone. */
export const WeeklySpans = z.array(WeeklySpan).max(100)

export const Device = z.object({
  id: Id,
  kind: z.enum(['tablet', 'instrument']),
  name: Name,
  enrolledAt: Instant,
  revokedAt: Instant.nullable(),
})
export type Device = Wire<typeof Device>

export const SignedIn = z.object({
  person: z.object({ id: Id, name: Name, role: PersonRoleName }),
  house: House,
  rights: z.array(RightName),
  deviceName: z.string().nullable(),
  now: Instant,
  /** what is spoken to this person, and what they chose themselves; null follows the house */
  language: LanguageTag,
  ownLanguage: LanguageTag.nullable(),
  marking: Marking,
})
export type SignedIn = Wire<typeof SignedIn>

/** What the door may know before anybody has signed in. */
export const SignInPage = z.object({
  needsSetup: z.boolean(),
  /** of the house the tablet is in, or of the first of this server */
  language: LanguageTag,
  device: z.object({ name: Name, houseName: Name, people: z.array(z.object({ id: Id, name: Name })) }).nullable(),
  demo: z.object({ houseName: Name, signInName: z.string(), password: z.string(), pin: z.string() }).nullable(),
})
export type SignInPage = Wire<typeof SignInPage>

export const FirstRun = z.object({
  /** printed by the start, inside the address it gives */
  setUpCode: z.string().max(60),
  houseName: Name,
  zone: TimeZone,
  units: z.enum(['mm', 'in']),
  language: LanguageTag.default('en'),
  honingHabit: StatedHabitName.nullable().default(null),
  managerName: Name,
  signInName: SignInName,
  password: Password,
})

/** Where a person is signed in. */
export const OwnSession = z.object({
  id: Id,
  since: Instant,
  until: Instant,
  /** tablet, where it is one */
  deviceName: z.string().nullable(),
  /** what the browser calls itself */
  agent: z.string(),
  isThis: z.boolean(),
})
export type OwnSession = Wire<typeof OwnSession>

/** Something that was done to the house, as the database wrote it down. */
export const TrailEntry = z.object({
  entry: z.number().int(),
  at: Instant,
  /** null for what came from the command line */
  personId: Id.nullable(),
  deviceId: Id.nullable(),
  /** kind of thing: people, devices, gear, recipes, houses, plans … */
  subject: z.string(),
  subjectId: z.string(),
  /** what it is called now, where it has a name */
  subjectName: z.string().nullable(),
  act: z.enum(['added', 'changed', 'removed', 'signed-in', 'locked-out', 'exported']),
  /** field to what it was and what it is; `true` where only that it changed is kept */
  changed: z.record(z.string(), z.union([z.tuple([z.unknown(), z.unknown()]), z.literal(true)])),
})
export type TrailEntry = Wire<typeof TrailEntry>
export const TrailPage = z.object({ entries: z.array(TrailEntry), more: z.boolean() })
export type TrailPage = Wire<typeof TrailPage>

/** Backups that this server makes of itself; null where somebody else's PostgreSQL is looked after elsewhere. */
export const Backups = z.object({
  kept: z.object({ newestAt: Instant.nullable(), count: z.number(), everyHours: z.number() }).nullable(),
})
