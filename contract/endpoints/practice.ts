import { z } from 'zod'
import { byId, endpoint } from '../endpoint'
import { Drill, NewDrill } from '../practice'

export const practiceEndpoints = {
  drills: endpoint(
    'get',
    '/api/people/{id}/drills',
    'see',
    'What somebody practised, oldest first; theirs and the chef’s to see',
    {
      params: byId,
      answer: z.array(Drill),
    },
  ),
  recordDrill: endpoint(
    'post',
    '/api/drills',
    'see',
    'Keep a drill of one’s own; sending the same id again changes nothing',
    {
      body: NewDrill,
      answer: Drill,
    },
  ),
  deleteDrill: endpoint('delete', '/api/drills/{id}', 'see', 'Take back a drill of one’s own', { params: byId }),
} as const
