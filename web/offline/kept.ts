/** Header of an answer that was kept on the device, with the device's moment at which it was given. */
export const KEPT_HEADER = 'Yorvik-Kept'

/** Where what was read is kept. */
export const DATA = 'yorvik-data'

/** Addresses that are not kept: streams, files, what is only for whoever looks after the server, and one's own sign-ins. */
const NOT_KEPT =
  /^\/api\/(changes|calendar|exchange|health|ready|openapi\.json|instruments|photos|house\/(whole|trail|backups)|me|sign-in|jobs|year|plan\/improvements)\b/

/** Whether what an address answers is kept for when there is no network. */
export const isKept = (path: string): boolean => path.startsWith('/api/') && !NOT_KEPT.test(path)

/** Addresses with which somebody comes or goes: what was kept for the one before is forgotten. */
export const changesHands = (method: string, path: string): boolean =>
  method !== 'GET' && /^\/api\/(session(\/\w+)?|first-run)$/.test(path)

/**
 * A kept answer as it is given again: marked with when it was given, and, where it says what time it is, told by how long
 * ago that was, so that the page's clock stays right.
 */
export function givenAgain(text: string, keptMs: number, nowMs: number): string {
  const answer: unknown = JSON.parse(text)
  if (typeof answer !== 'object' || answer === null || !('person' in answer) || !('now' in answer)) return text
  const { now } = answer
  if (typeof now !== 'string') return text
  return JSON.stringify({ ...answer, now: new Date(Date.parse(now) + nowMs - keptMs).toISOString() })
}
