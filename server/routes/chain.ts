import { endpoints } from '../../contract/endpoints'
import type { BackupKeeper } from '../backup/keepBackups'
import type { Mount } from '../mount'
import { chainPage } from '../services/house/chainPage'
import { addOwnHouse, goToHouse, ownHouses } from '../services/house/belonging'
import { joinChain, leaveChain, makeChain, makeChainLink, ownChain, setNamesAllowed } from '../services/house/chains'
import type { SignInContext } from '../services/house/signIn'

/** Several houses on one server: who belongs to which, and what belongs to one owner. */
export function chainRoutes(mount: Mount, door: SignInContext, backups: BackupKeeper | null): void {
  const { db, clock } = door
  mount(endpoints.ownHouses, ({ caller }) => ownHouses(db, caller))
  mount(endpoints.addOwnHouse, ({ caller, body }) => addOwnHouse(door, caller, body.code))
  mount(endpoints.goToHouse, ({ caller, request, response, body }) =>
    goToHouse(door, caller, request, response, body.houseId),
  )
  mount(endpoints.ownChain, ({ caller }) => ownChain(db, caller))
  mount(endpoints.makeChain, ({ caller, body }) => makeChain(db, caller, body.name))
  mount(endpoints.leaveChain, ({ caller }) => leaveChain(db, caller))
  mount(endpoints.joinChain, ({ caller, body }) => joinChain(db, caller, body.code, clock()))
  mount(endpoints.allowNames, ({ caller, body }) => setNamesAllowed(db, caller, body.allowed))
  mount(endpoints.makeChainLink, ({ caller }) => makeChainLink(db, caller, clock()))
  mount(endpoints.chainPage, async ({ caller }) => {
    const [newest] = backups ? await backups.list() : []
    return await chainPage(db, caller, newest?.at.toISOString() ?? null, clock())
  })
}
