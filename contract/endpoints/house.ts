import { z } from 'zod'
import { byId, endpoint } from '../endpoint'
import {
  Backups,
  House,
  HousePatch,
  Missing,
  NewPerson,
  Person,
  PersonPatch,
  Station,
  StationPatch,
  TrailPage,
  Walk,
  WeeklySpan,
  WeeklySpans,
} from '../house'
import { Job } from '../learning'
import { HoneToolName } from '../scalars'

export const houseEndpoints = {
  editHouse: endpoint('patch', '/api/house', 'manage-house', 'Change name, zone, units or limits', {
    body: HousePatch,
    answer: House,
  }),
  missing: endpoint(
    'get',
    '/api/house/missing',
    'manage-house',
    'What the house has not said yet, and what it would buy',
    {
      answer: Missing,
    },
  ),
  backups: endpoint('get', '/api/house/backups', 'manage-house', 'How old the newest backup is', { answer: Backups }),
  trail: endpoint('get', '/api/house/trail', 'manage-house', 'Who changed what of the house, newest first', {
    query: z.object({ before: z.coerce.number().int().min(1).max(Number.MAX_SAFE_INTEGER).optional() }),
    answer: TrailPage,
  }),
  addPerson: endpoint('post', '/api/people', 'manage-house', 'Add a person', { body: NewPerson, answer: Person }),
  editPerson: endpoint('patch', '/api/people/{id}', 'manage-house', 'Change a person', {
    params: byId,
    body: PersonPatch,
    answer: Person,
  }),
  recordWalks: endpoint(
    'post',
    '/api/walks',
    'manage-house',
    'Record whose steel was out and knives in order; sending the same ids again changes nothing',
    { body: z.object({ walks: z.array(Walk).min(1).max(100) }), answer: z.object({ recorded: z.number() }) },
  ),
  /** anybody says for themselves what they hone with; a manager for others */
  setHoneTool: endpoint('put', '/api/people/{id}/hone-tool', 'log-hone', 'Say what a person hones with', {
    params: byId,
    body: z.object({ tool: HoneToolName.nullable() }),
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
  rebuild: endpoint('post', '/api/jobs/rebuild', 'manage-house', 'Reckon every knife anew from its log', {
    answer: Job,
  }),
  jobs: endpoint('get', '/api/jobs', 'manage-house', 'Long work of the house, newest first', { answer: z.array(Job) }),
  cancelJob: endpoint('delete', '/api/jobs/{id}', 'manage-house', 'Ask long work to stop; what is done stays done', {
    params: byId,
    answer: Job,
  }),
} as const
