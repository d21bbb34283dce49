const FIRST_PAUSE_MS = 1000
const LONGEST_PAUSE_MS = 20_000
/**
 * A change is followed a moment after it was heard: whoever made it is answered first, and those that come in a burst
 * are followed together.
 */
const FOLLOWED_AFTER_MS = 150

/**
 * Listens to the house's changes. A feed that the server closes (a restart, a 503) is opened again, with growing
 * pauses; having been away counts as a change, since nobody knows what was missed.
 *
 * @param onChange called for every change, at most one call at a time; changes heard meanwhile are one more call
 */
export function openChangeFeed(onChange: () => Promise<unknown>): { close: () => void } {
  let source: EventSource | null = null
  let retry: ReturnType<typeof setTimeout> | null = null
  let soon: ReturnType<typeof setTimeout> | null = null
  let pauseMs = FIRST_PAUSE_MS
  let following = false
  let heardMeanwhile = false
  let closed = false

  async function follow(): Promise<void> {
    if (following) {
      heardMeanwhile = true
      return
    }
    following = true
    do {
      heardMeanwhile = false
      await onChange().catch(() => undefined)
    } while (heardMeanwhile && !closed)
    following = false
  }

  function open(wasAway: boolean): void {
    source = new EventSource('/api/changes')
    source.addEventListener('changed', () => {
      soon ??= setTimeout(() => {
        soon = null
        void follow()
      }, FOLLOWED_AFTER_MS)
    })
    source.addEventListener('open', () => {
      pauseMs = FIRST_PAUSE_MS
      if (wasAway) void follow()
      // a browser opens a broken feed again by itself, and what happened in between was missed
      wasAway = true
    })
    source.addEventListener('error', () => {
      if (closed || source?.readyState !== EventSource.CLOSED) return
      source.close()
      retry = setTimeout(() => {
        open(true)
      }, pauseMs)
      pauseMs = Math.min(LONGEST_PAUSE_MS, 2 * pauseMs)
    })
  }
  open(false)

  return {
    close: () => {
      closed = true
      if (retry) clearTimeout(retry)
      if (soon) clearTimeout(soon)
      source?.close()
    },
  }
}
