import { YearHouse } from '../year'
import { z } from 'zod'
import { byId, bytesForText, endpoint } from '../endpoint'
import { Day, Id } from '../scalars'
import {
  AcceptedPlan,
  BenchPlace,
  CalendarReading,
  Crew,
  ImproveAsk,
  Improvement,
  NewPlan,
  PersonDays,
  PersonShifts,
  PlanView,
  SkillName,
  SpecialDay,
} from '../week'

const MOST_CALENDAR_CHARACTERS = 400_000

export const weekEndpoints = {
  yearHouse: endpoint('get', '/api/year', 'manage-house', 'What a year of the house is played through with', {
    answer: YearHouse,
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
      body: z.object({ calendar: z.string().max(MOST_CALENDAR_CHARACTERS), apply: z.boolean() }),
      mostBytes: bytesForText(MOST_CALENDAR_CHARACTERS),
      answer: CalendarReading.extend({ applied: z.boolean() }),
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
} as const
