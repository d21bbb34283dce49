import { signInEndpoints } from './endpoints/signIn'
import { logEndpoints } from './endpoints/log'
import { shelfEndpoints } from './endpoints/shelf'
import { fleetEndpoints } from './endpoints/fleet'
import { benchEndpoints } from './endpoints/bench'
import { weekEndpoints } from './endpoints/week'
import { houseEndpoints } from './endpoints/house'
import { exchangeEndpoints } from './endpoints/exchange'

/** Every address of the API: what it takes, what it answers, which right it needs. Server, screens and description read it here. */
export const endpoints = {
  ...signInEndpoints,
  ...logEndpoints,
  ...shelfEndpoints,
  ...fleetEndpoints,
  ...benchEndpoints,
  ...weekEndpoints,
  ...houseEndpoints,
  ...exchangeEndpoints,
} as const
