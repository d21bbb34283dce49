import { byId, endpoint } from '../endpoint'
import { Fleet } from '../fleet'
import { EdgeStory, KnifePatch, KnifeView, NewKnife } from '../knives'
import { HouseLearning } from '../learning'

export const fleetEndpoints = {
  fleet: endpoint('get', '/api/fleet', 'see', 'Every knife with its condition and next action, and who is here', {
    answer: Fleet,
  }),
  addKnife: endpoint('post', '/api/knives', 'edit-knife', 'Add a knife', { body: NewKnife, answer: KnifeView }),
  editKnife: endpoint('patch', '/api/knives/{id}', 'edit-knife', 'Correct the description of a knife', {
    params: byId,
    body: KnifePatch,
    answer: KnifeView,
  }),
  edgeStory: endpoint(
    'get',
    '/api/knives/{id}/edge',
    'see',
    'Edge and steel of a knife through time, with the forecast',
    { params: byId, answer: EdgeStory },
  ),
  learning: endpoint('get', '/api/learning', 'see', 'What the house has taught: boards, products, hands, tools', {
    answer: HouseLearning,
  }),
} as const
