import { parentPort, workerData } from 'node:worker_threads'
import type { CalendarAnswer, CalendarTask } from './readInThread'
import { CalendarFault, readCalendar } from './readCalendar'

const { text, window } = workerData as CalendarTask

function answer(): CalendarAnswer {
  try {
    return { reading: readCalendar(text, window) }
  } catch (error) {
    if (error instanceof CalendarFault) return { fault: error.key, event: error.event }
    throw error
  }
}
parentPort?.postMessage(answer())
