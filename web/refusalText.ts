import { Refusal } from './api'
import { say } from './i18n'

/** What to tell a person about something that failed. */
export function refusalText(error: unknown): string {
  if (error instanceof Refusal) return error.code === 'offline' ? say('shell.offline') : error.sentence
  return say('shell.unexpected')
}
