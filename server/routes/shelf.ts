import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { listGear, listPieces } from '../db/queries/shelf/gear'
import { listRecipePreferences } from '../db/queries/shelf/recipes'
import type { Mount } from '../mount'
import { addGear, editGear, gearView, setPieces } from '../services/shelf/gear'
import { houseWays, setWays } from '../services/shelf/ways'
import { recipeViews, restoreRecipe, setRecipe, setRecipePreferences } from '../services/shelf/recipes'

export function shelfRoutes(mount: Mount, db: Database, clock: Clock): void {
  mount(endpoints.gear, async ({ caller }) => (await listGear(db, caller.house.id)).map(gearView))
  mount(endpoints.addGear, ({ caller, body }) => addGear(db, clock, caller, body))
  mount(endpoints.editGear, ({ caller, params, body }) => editGear(db, clock, caller, params.id, body))
  mount(endpoints.pieces, ({ caller }) => listPieces(db, caller.house.id))
  mount(endpoints.setPieces, ({ caller, body }) => setPieces(db, caller, body))
  mount(endpoints.recipes, ({ caller }) => recipeViews(db, caller.house.id))
  mount(endpoints.setRecipe, ({ caller, params, body }) => setRecipe(db, caller, params.id, body))
  mount(endpoints.restoreRecipe, ({ caller, params }) => restoreRecipe(db, caller, params.id))
  mount(endpoints.ways, ({ caller }) => houseWays(db, caller))
  mount(endpoints.setWays, ({ caller, body }) => setWays(db, caller, body))
  mount(endpoints.recipePreferences, ({ caller }) => listRecipePreferences(db, caller.house.id))
  mount(endpoints.setRecipePreferences, ({ caller, body }) => setRecipePreferences(db, caller, body))
}
