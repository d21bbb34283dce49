/** The server's notion of now; a test or a picture can start it at a moment of its choosing. */
export type Clock = () => Date

export const systemClock: Clock = () => new Date()

/** A clock that reads `startsAt` at this moment and runs on from there. */
export function clockFrom(startsAt: Date): Clock {
  const offset = startsAt.getTime() - Date.now()
  return () => new Date(Date.now() + offset)
}
