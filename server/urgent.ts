import { setImmediate, setTimeout as pause } from 'node:timers/promises'

/** Long reckoning stands aside no longer than this at a time, so that it ends where somebody always records something. */
const STANDS_ASIDE_MS = 250

let underWay = 0
let whenDone: (() => void)[] = []

/** Does what somebody stands and waits for: long reckoning of this process stands aside meanwhile. */
export async function urgently<T>(work: () => Promise<T>): Promise<T> {
  underWay++
  try {
    return await work()
  } finally {
    underWay--
    if (underWay === 0) {
      for (const goOn of whenDone) goOn()
      whenDone = []
    }
  }
}

/** Between two pieces of long reckoning: lets everybody else have a turn, and what is urgent come to its end. */
export async function standAside(): Promise<void> {
  await setImmediate()
  if (underWay === 0) return
  const done = new Promise<void>((settle) => whenDone.push(settle))
  await Promise.race([done, pause(STANDS_ASIDE_MS)])
}
