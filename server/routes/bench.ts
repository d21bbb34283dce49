import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { listRecipePreferences, openSessions } from '../db/queries/bench/sessions'
import { listGear, listPieces } from '../db/queries/shelf/gear'
import type { Mount } from '../mount'
import { actInSession, benchOffer, knifeSessions, readSession, startSession } from '../services/bench/sessions'
import { recipeViews, restoreRecipe, setRecipe, setRecipePreferences } from '../services/shelf/recipes'
import { setWorkOrder, workshopView } from '../services/bench/workshop'
import { addGear, editGear, gearView, setPieces } from '../services/shelf/gear'

export function benchRoutes(mount: Mount, db: Database, clock: Clock): void {
  mount(endpoints.gear, async ({ caller }) => (await listGear(db, caller.house.id)).map(gearView))
  mount(endpoints.addGear, ({ caller, body }) => addGear(db, caller, body))
  mount(endpoints.editGear, ({ caller, params, body }) => editGear(db, caller, params.id, body))
  mount(endpoints.pieces, ({ caller }) => listPieces(db, caller.house.id))
  mount(endpoints.setPieces, ({ caller, body }) => setPieces(db, caller, body))
  mount(endpoints.recipes, ({ caller }) => recipeViews(db, caller.house.id))
  mount(endpoints.setRecipe, ({ caller, params, body }) => setRecipe(db, caller, params.id, body))
  mount(endpoints.restoreRecipe, ({ caller, params }) => restoreRecipe(db, caller, params.id))
  mount(endpoints.recipePreferences, ({ caller }) => listRecipePreferences(db, caller.house.id))
  mount(endpoints.setRecipePreferences, ({ caller, body }) => setRecipePreferences(db, caller, body))
  mount(endpoints.benchOffer, ({ caller, params, body }) => benchOffer(db, clock, caller, params.id, body))
  mount(endpoints.workshop, ({ caller, params }) => workshopView(db, clock, caller, params.id))
  mount(endpoints.setWorkOrder, ({ caller, params, body }) =>
    setWorkOrder(db, clock, caller, params.id, body.operation),
  )
  mount(endpoints.deleteWorkOrder, ({ caller, params }) => setWorkOrder(db, clock, caller, params.id, null))
  mount(endpoints.knifeSessions, ({ caller, params }) => knifeSessions(db, caller, params.id))
  mount(endpoints.startSession, ({ caller, body }) => startSession(db, clock, caller, body))
  mount(endpoints.benchSession, ({ caller, params }) => readSession(db, caller, params.id))
  mount(endpoints.openSessions, async ({ caller }) =>
    (await openSessions(db, caller.house.id)).map(({ id, knifeId, startedBy, startedAt }) => ({
      id,
      knifeId,
      startedBy,
      startedAt: startedAt.toISOString(),
    })),
  )
  mount(endpoints.actInSession, ({ caller, params, body }) => actInSession(db, clock, caller, params.id, body.actions))
}
