import { z } from 'zod'
import { LESSON_IDS } from '../../core/course/lessons'
import { byId, endpoint } from '../endpoint'
import { Incidents, NewIncident } from '../incidents'
import { Drill, LessonAnswer, NewDrill, Practice } from '../practice'

export const practiceEndpoints = {
  practice: endpoint(
    'get',
    '/api/people/{id}/practice',
    'see',
    'What somebody practised and learned, and what to do next; theirs and the chef’s to see',
    { params: byId, answer: Practice },
  ),
  recordDrill: endpoint(
    'post',
    '/api/drills',
    'see',
    'Keep a drill of one’s own; sending the same id again changes nothing',
    { body: NewDrill, answer: Drill },
  ),
  deleteDrill: endpoint('delete', '/api/drills/{id}', 'see', 'Take back a drill of one’s own', { params: byId }),
  answerLesson: endpoint(
    'put',
    '/api/lessons/{lesson}',
    'see',
    'Answer a lesson’s question; the right answer ends it',
    {
      params: z.object({ lesson: z.enum(LESSON_IDS) }),
      body: LessonAnswer,
      answer: z.object({ right: z.boolean() }),
    },
  ),
  incidents: endpoint(
    'get',
    '/api/incidents',
    'manage-house',
    'Accidents and near misses, newest first, and how many',
    {
      answer: Incidents,
    },
  ),
  recordIncident: endpoint(
    'post',
    '/api/incidents',
    'see',
    'Write down an accident or a near miss; nobody’s name is kept with it',
    { body: NewIncident, answer: NewIncident },
  ),
} as const
