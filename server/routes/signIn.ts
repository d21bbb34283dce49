import { endpoints } from '../../contract/endpoints'
import { changeHouse } from '../db/changeHouse'
import { findHouse } from '../db/queries/house/houses'
import { findPerson, setLanguage } from '../db/queries/house/people'
import { listDevices, revokeDevice } from '../db/queries/house/signIn'
import { notFound } from '../faults'
import type { Mount } from '../mount'
import {
  changePassword,
  endOtherSessions,
  endOwnSession,
  enterByCode,
  giveDoorCode,
  ownSessions,
} from '../services/house/account'
import { makeHouse } from '../services/house/houses'
import {
  enrolDevice,
  signedInView,
  signInByPassword,
  signInByPin,
  signInPage,
  type SignInContext,
} from '../services/house/signIn'
import { closeSession, openSession } from '../signIn/sessions'

export function signInRoutes(mount: Mount, door: SignInContext, setUpCode: string): void {
  const { db, clock } = door
  mount(endpoints.signInPage, ({ request }) => signInPage(door, request))
  mount(endpoints.firstRun, async ({ body, request, response }) => {
    const { houseId, personId } = await makeHouse(db, setUpCode, body, clock())
    const [house, person] = [await findHouse(db, houseId), await findPerson(db, houseId, personId)]
    if (!house || !person) throw notFound('house')
    await openSession(db, clock, request, response, { houseId, personId, deviceId: null })
    return await signedInView(db, clock, { house, person, deviceId: null, deviceName: null })
  })
  mount(endpoints.signIn, ({ body, request, response }) => signInByPassword(door, request, response, body))
  mount(endpoints.signInByPin, ({ body, request, response }) => signInByPin(door, request, response, body))
  mount(endpoints.enterByCode, ({ body, request, response }) => enterByCode(door, request, response, body))
  mount(endpoints.giveDoorCode, ({ caller, params }) => giveDoorCode(db, caller.house.id, params.id, clock()))
  mount(endpoints.changePassword, ({ caller, request, body }) => changePassword(door, caller, request, body))
  mount(endpoints.setOwnLanguage, async ({ caller, body: { language } }) => {
    await setLanguage(db, caller.house.id, caller.person.id, language)
    return await signedInView(db, clock, { ...caller, person: { ...caller.person, language } })
  })
  mount(endpoints.ownSessions, ({ caller, request }) => ownSessions(door, caller, request))
  mount(endpoints.endOwnSession, ({ caller, params }) => endOwnSession(db, caller, params.id))
  mount(endpoints.endOtherSessions, ({ caller, request }) => endOtherSessions(door, caller, request))
  mount(endpoints.session, ({ caller }) => signedInView(db, clock, caller))
  mount(endpoints.signOut, async ({ request, response }) => {
    await closeSession(db, request, response)
    return {}
  })
  mount(endpoints.enrol, ({ caller, body, request, response }) => enrolDevice(door, caller, request, response, body))
  mount(endpoints.devices, ({ caller }) => listDevices(db, caller.house.id))
  mount(endpoints.revoke, async ({ caller, params }) => {
    await changeHouse(db, caller.house.id, async (change) => {
      if (!(await revokeDevice(change, caller.house.id, params.id))) throw notFound('device')
    })
    return {}
  })
}
