import { z } from 'zod'
import { byId, endpoint } from '../endpoint'
import { Device, FirstRun, OwnSession, SignedIn, SignInPage } from '../house'
import { Id, Instant, LanguageTag, Name, Password, Pin, SignInName } from '../scalars'

export const signInEndpoints = {
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
  enterByCode: endpoint('post', '/api/session/code', 'open', 'Choose a password with a code that was given', {
    body: z.object({ code: z.string().max(60), signInName: SignInName.optional(), password: Password }),
    answer: SignedIn,
  }),
  giveDoorCode: endpoint(
    'post',
    '/api/people/{id}/door-code',
    'manage-house',
    'Give somebody a code to choose a password with, once, within a day',
    { params: byId, answer: z.object({ code: z.string(), expiresAt: Instant }) },
  ),
  changePassword: endpoint('put', '/api/me/password', 'see', 'Change one’s own password', {
    body: z.object({ password: z.string().max(200), next: Password }),
  }),
  setOwnLanguage: endpoint(
    'put',
    '/api/me/language',
    'see',
    'Say what one wants to be spoken to in; null as the house',
    {
      body: z.object({ language: LanguageTag.nullable() }),
      answer: SignedIn,
    },
  ),
  ownSessions: endpoint('get', '/api/me/sessions', 'see', 'Where one is signed in', { answer: z.array(OwnSession) }),
  endOwnSession: endpoint('delete', '/api/me/sessions/{id}', 'see', 'Sign out elsewhere', { params: byId }),
  endOtherSessions: endpoint('delete', '/api/me/sessions', 'see', 'Sign out everywhere else'),
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
} as const
