import { benchEndpoints } from './endpoints/bench'
import { chainEndpoints } from './endpoints/chain'
import { exchangeEndpoints } from './endpoints/exchange'
import { fleetEndpoints } from './endpoints/fleet'
import { houseEndpoints } from './endpoints/house'
import { ledgerEndpoints } from './endpoints/ledger'
import { logEndpoints } from './endpoints/log'
import { photoEndpoints } from './endpoints/photos'
import { practiceEndpoints } from './endpoints/practice'
import { shelfEndpoints } from './endpoints/shelf'
import { signInEndpoints } from './endpoints/signIn'
import { signOffEndpoints } from './endpoints/signOff'
import { weekEndpoints } from './endpoints/week'

/** Every address of the API: what it takes, what it answers, which right it needs. Server, screens and description read it here. */
export const endpoints = {
  ...signInEndpoints,
  ...logEndpoints,
  ...shelfEndpoints,
  ...fleetEndpoints,
  ...benchEndpoints,
  ...photoEndpoints,
  ...practiceEndpoints,
  ...signOffEndpoints,
  ...weekEndpoints,
  ...ledgerEndpoints,
  ...houseEndpoints,
  ...chainEndpoints,
  ...exchangeEndpoints,
} as const
