import { z } from 'zod'
import { SKILL_LEVELS, SKILLS } from '../core/house/skills'
import { JOB_KINDS } from '../core/plan/problem'
import { knifeOfJob } from '../core/plan/secondSessions'
import { Day, Id, Instant, Name, WallTime } from './scalars'
import type { Wire } from './wire'

export const SkillName = z.enum(SKILLS)

/** A shift of the weekly pattern, in the house's wall time. */
export const Shift = z.object({
  id: Id,
  personId: Id,
  weekday: z.number().int().min(1).max(7),
  starts: WallTime,
  ends: WallTime,
})
export type Shift = Wire<typeof Shift>
export const PersonShifts = z.array(Shift.omit({ id: true, personId: true })).max(28)

/** One day of one person in place of the pattern; no times: not in the house. */
export const ShiftDay = z.object({
  id: Id,
  personId: Id,
  day: Day,
  starts: WallTime.nullable(),
  ends: WallTime.nullable(),
  note: z.string().trim().max(80),
})
export type ShiftDay = Wire<typeof ShiftDay>
export const PersonDays = z.array(ShiftDay.omit({ id: true, personId: true })).max(100)

/** What of a calendar says nothing of anybody's hours, and why. */
export const CALENDAR_LEFT_OUT = [
  'cancelled',
  'free',
  'no-hours',
  'too-long',
  'on-a-day-off',
  'unknown-zone',
  'this-and-future',
  'unreadable',
] as const
export const CalendarLeftOut = z.object({ summary: z.string(), why: z.enum(CALENDAR_LEFT_OUT) })
export type CalendarLeftOut = Wire<typeof CalendarLeftOut>
export const CalendarReading = z.object({
  entries: z.array(ShiftDay.omit({ id: true, personId: true })),
  leftOut: z.array(CalendarLeftOut),
})
export type CalendarReading = Wire<typeof CalendarReading>

/** What somebody may do with nobody beside. */
export const PersonSkill = z.object({
  personId: Id,
  skill: SkillName,
  level: z.enum(SKILL_LEVELS),
  signedBy: Id.nullable(),
  signedAt: Instant,
})
export type PersonSkill = Wire<typeof PersonSkill>

export const BenchPlace = z.object({ id: Id, name: Name, active: z.boolean() })
export type BenchPlace = Wire<typeof BenchPlace>

/** A day that is not like its weekday: a banquet, a closed day. Its spans stand in place of the week's. */
export const SpecialDay = z.object({
  day: Day,
  name: Name,
  spans: z
    .array(z.object({ kind: z.enum(['service', 'quiet']), name: Name, starts: WallTime, ends: WallTime }))
    .max(12),
})
export type SpecialDay = Wire<typeof SpecialDay>

/** Who is in the house when, and what each may do. */
export const Crew = z.object({
  shifts: z.array(Shift),
  days: z.array(ShiftDay),
  skills: z.array(PersonSkill),
  benches: z.array(BenchPlace),
  special: z.array(SpecialDay),
  /** minutes taken against the table, by the sessions of each person */
  paces: z.array(z.object({ personId: Id, pace: z.number(), sessions: z.number() })),
})
export type Crew = Wire<typeof Crew>

const Weight = z.number().min(0).max(3)
export const PlanWeights = z.object({ dull: Weight, labour: Weight, steel: Weight, hands: Weight, fair: Weight })

/** Windows are named by span and start, so that the same window has the same name tomorrow. */
const WindowId = z.string().min(1).max(80)
/** A job is named by its knife, with a mark behind it for the second session. */
const JobId = z.string().refine((jobId) => Id.safeParse(knifeOfJob(jobId)).success)
export const Placement = z.object({ jobId: JobId, windowId: WindowId, benchId: Id, personId: Id })
export type Placement = Wire<typeof Placement>

const JobRoute = z.object({
  benchId: Id,
  openingMinutes: z.number(),
  stages: z.array(z.object({ stoneId: Id, minutes: z.number() })),
  closingMinutes: z.number(),
})
/** Everything the planner weighs, as the core reads it. */
export const PlanProblem = z.object({
  windows: z.array(
    z.object({
      id: WindowId,
      name: z.string(),
      startMs: z.number(),
      endMs: z.number(),
      soakFromMs: z.number(),
      overlapsService: z.boolean(),
    }),
  ),
  people: z.array(
    z.object({
      id: Id,
      skills: z.array(SkillName),
      pace: z.number(),
      present: z.record(WindowId, z.object({ fromMs: z.number(), toMs: z.number() })),
    }),
  ),
  benches: z.array(z.object({ id: Id, name: z.string() })),
  stones: z.array(
    z.object({
      id: Id,
      name: z.string(),
      micron: z.number(),
      soakMinutes: z.number(),
      flattenMinutes: z.number(),
      knivesBetween: z.number(),
    }),
  ),
  jobs: z.array(
    z.object({
      id: JobId,
      knifeId: Id,
      kind: z.enum(JOB_KINDS),
      skill: SkillName,
      routes: z.array(JobRoute),
      dullHours: z.array(z.number()),
      dullHoursLeft: z.number(),
      chanceAt: z.array(z.number()),
      wastedUm: z.array(z.number()),
      dueShare: z.number(),
      wanted: z.boolean(),
      dullBy: z.object({ name: z.string(), startMs: z.number() }).nullable(),
      daysSinceStone: z.number().nullable(),
      lastHands: Id.nullable(),
      onlyHands: Id.nullable(),
      group: z.string(),
      mayBeAway: z.number(),
      follows: z.object({ jobId: JobId, window: z.number() }).nullable(),
      next: z
        .object({
          skill: SkillName,
          routes: z.array(JobRoute),
          freshChances: z.array(z.number()),
          steelUm: z.number(),
          services: z.array(z.object({ name: z.string(), startMs: z.number(), hours: z.number() })),
        })
        .nullable(),
    }),
  ),
  weights: PlanWeights,
  sitting: z.object({ beforeMinutes: z.number(), afterMinutes: z.number() }),
  locks: z.array(Placement),
})

/** A session of an accepted plan, in its minutes. */
export const PlannedSession = Placement.extend({
  knifeId: Id,
  kind: z.enum(JOB_KINDS),
  startsAt: Instant,
  endsAt: Instant,
})
export type PlannedSession = Wire<typeof PlannedSession>

/** The plan the house goes by. */
export const AcceptedPlan = z.object({
  version: z.number().int(),
  acceptedAt: Instant,
  acceptedBy: Id.nullable(),
  weights: PlanWeights,
  locks: z.array(Placement),
  sessions: z.array(PlannedSession),
  /** cost in minutes of work, and what no plan could have cost less than; null before that was proven */
  cost: z.number(),
  bound: z.number().nullable(),
  /** honing and checks at the stations, by person and service */
  rounds: z.array(
    z.object({
      personId: Id,
      service: z.string(),
      startsAt: Instant,
      hone: z.array(Id),
      check: z.array(Id),
      after: z.array(Id).default([]),
    }),
  ),
})
export type AcceptedPlan = Wire<typeof AcceptedPlan>

export const Round = z.object({
  kind: z.enum(['hone', 'check', 'after']),
  knifeId: Id,
  personId: Id,
  service: z.string(),
  startsAt: Instant,
})

/** The days ahead: what there is to plan, the plan that holds, and what has moved since. */
export const PlanView = z.object({
  now: Instant,
  problem: PlanProblem,
  accepted: AcceptedPlan.nullable(),
  /** what the accepted plan stood on and is gone, and what has come up since; empty for a plan that still stands */
  moved: z.object({ gone: z.array(z.string()), fresh: z.array(z.string()) }),
  services: z.array(z.object({ name: z.string(), startsAt: Instant, endsAt: Instant })),
  /** by job: the chance of working dull in each service if nothing is done, and in the services after a session */
  chances: z.array(z.object({ jobId: Id, left: z.array(z.number()), fresh: z.array(z.number()) })),
  /** knives that go by a rule of the calendar: their hours count from the day the rule asks for them */
  byRule: z.array(Id),
  rounds: z.array(Round),
  unheld: z.array(z.object({ knifeId: Id, service: z.string(), startsAt: Instant })),
})
export type PlanView = Wire<typeof PlanView>

export const NewPlan = z.object({
  /** version of the plan this one was made from; 0 where there was none */
  basedOn: z.number().int().min(0),
  weights: PlanWeights,
  locks: z.array(Placement).max(400),
  placements: z.array(Placement).max(400),
  /** the improvement that was made of this plan: its proven bound is kept with it, where it answers the same question */
  improvementId: Id.nullable(),
})
export type NewPlan = Wire<typeof NewPlan>

/** What the exact solver is asked, and has found so far. */
export const ImproveAsk = z.object({
  weights: PlanWeights,
  locks: z.array(Placement).max(400),
  placements: z.array(Placement).max(400),
  seconds: z.number().min(1).max(60),
})
export type ImproveAsk = Wire<typeof ImproveAsk>
export const Improvement = z.object({
  status: z.enum(['waiting', 'running', 'done', 'cancelled', 'failed']),
  seconds: z.number(),
  bound: z.number().nullable(),
  cost: z.number().nullable(),
  placements: z.array(Placement).nullable(),
  proven: z.boolean(),
})
export type Improvement = Wire<typeof Improvement>
