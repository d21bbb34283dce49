import { MINUTE_MS } from '../../core/time'
import type { Listener } from '../db/listen'

/** Channel on which the database says that a session, tablet or key of a house has ended. */
export const DOORS_CHANNEL = 'yorvik_doors'

/** What expires on its own is noticed after so long. */
const LOOK_MS = MINUTE_MS

/** Something that stays open: whose it is, whether what let it in still stands, and how it ends. */
export interface Opened {
  readonly houseId: string
  readonly stillMay: () => Promise<boolean>
  readonly end: () => void
}

/** Streams and sockets that end with the session, tablet or key that opened them. */
export interface Doors {
  /** @returns a function to be called when it has closed of itself */
  watch(opened: Opened): () => void
  /** ends all of them: the server goes */
  close(): void
}

/** Looks after what is open on this server: at once where the database says that something ended, and now and then. */
export function watchDoors(listener: Listener): Doors {
  const all = new Set<Opened>()
  const look = (opened: Opened): void => {
    opened.stillMay().then(
      (may) => {
        if (!may && all.delete(opened)) opened.end()
      },
      // a database that is away has ended nothing
      () => undefined,
    )
  }
  const forget = listener.on(DOORS_CHANNEL, (houseId) => {
    all.forEach((opened) => {
      if (opened.houseId === houseId) look(opened)
    })
  })
  const looking = setInterval(() => {
    all.forEach(look)
  }, LOOK_MS)
  looking.unref()
  return {
    watch: (opened) => {
      all.add(opened)
      return () => all.delete(opened)
    },
    close: () => {
      clearInterval(looking)
      forget()
      all.forEach(({ end }) => {
        end()
      })
      all.clear()
    },
  }
}
