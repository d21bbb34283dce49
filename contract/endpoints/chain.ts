import { z } from 'zod'
import { ChainPage, OwnChain, OwnHouse } from '../chain'
import { endpoint } from '../endpoint'
import { SignedIn } from '../house'
import { Id, Instant, Name } from '../scalars'

const Code = z.object({ code: z.string().max(60) })

export const chainEndpoints = {
  ownHouses: endpoint('get', '/api/me/houses', 'see', 'Houses one belongs to', { answer: z.array(OwnHouse) }),
  addOwnHouse: endpoint('post', '/api/me/houses', 'see', 'Add a house one belongs to, with a code from there', {
    body: Code,
    answer: z.array(OwnHouse),
  }),
  goToHouse: endpoint('post', '/api/session/house', 'see', 'Go on in another house one belongs to', {
    body: z.object({ houseId: Id }),
    answer: SignedIn,
  }),
  ownChain: endpoint('get', '/api/chain', 'manage-house', 'The chain this house is in', { answer: OwnChain }),
  makeChain: endpoint('post', '/api/chain', 'manage-house', 'Make a chain with this house in it', {
    body: z.object({ name: Name }),
    answer: OwnChain,
  }),
  leaveChain: endpoint('delete', '/api/chain', 'manage-house', 'Take this house out of its chain'),
  joinChain: endpoint(
    'post',
    '/api/chain/house',
    'manage-house',
    'Bring this house to a chain, with a link from there',
    {
      body: Code,
      answer: OwnChain,
    },
  ),
  allowNames: endpoint('put', '/api/chain/names', 'manage-house', 'Let people of this house be named to its chain', {
    body: z.object({ allowed: z.boolean() }),
    answer: OwnChain,
  }),
  makeChainLink: endpoint(
    'post',
    '/api/chain/links',
    'manage-house',
    'Make a link by which one more house comes to the chain, once, within a week',
    { answer: z.object({ code: z.string(), expiresAt: Instant }) },
  ),
  chainPage: endpoint('get', '/api/chain/page', 'manage-house', 'How the houses of a chain stand, for its owner', {
    answer: ChainPage,
  }),
} as const
