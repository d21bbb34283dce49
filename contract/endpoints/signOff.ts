import { z } from 'zod'
import { SKILL_LEVELS, SKILLS } from '../../core/house/skills'
import { endpoint } from '../endpoint'
import { Id } from '../scalars'
import { SignOff } from '../signOff'

export const signOffEndpoints = {
  signOffs: endpoint(
    'get',
    '/api/sign-offs',
    'see',
    'How far people have come with each skill: all for the chef, else one’s own',
    {
      answer: z.array(SignOff),
    },
  ),
  signOff: endpoint(
    'put',
    '/api/people/{id}/levels/{skill}',
    'see',
    'Say how far somebody has come; whoever teaches a skill may say so up to “supervised”, the chef all of it, nobody of themself',
    {
      params: z.object({ id: Id, skill: z.enum(SKILLS) }),
      body: z.object({ level: z.enum(SKILL_LEVELS).nullable() }),
      answer: z.array(SignOff),
    },
  ),
} as const
