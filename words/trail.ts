import type { TrailEntry } from '../contract/house'
import { PERSON_ROLES } from '../core/house/rights'
import { SKILLS } from '../core/house/skills'
import type { Say } from './say'
import en from './en.json'

const SAYINGS: Readonly<Record<string, unknown>> = en.trail.say
const FIELDS: Readonly<Record<string, string>> = en.trail.field
/** Parts of an added thing that are worth a line: the rest can be looked at where it stands. */
const TOLD_WHEN_ADDED: ReadonlySet<string> = new Set(['role', 'kind', 'skill'])

/** What was done, as a sentence without its end. */
export function trailSentence({ subject, subjectId, subjectName, act, changed }: TrailEntry, say: Say): string {
  const acts = SAYINGS[subject]
  if (typeof acts !== 'object' || acts === null || !(act in acts)) return say('trail.say.other')
  const named = changed['name']
  const name = subjectName ?? (Array.isArray(named) ? String(named[0] ?? named[1] ?? '') : '')
  return say(`trail.say.${subject}.${act}`, { name: name || subjectId, id: subjectId.replace(/^\/api\//, '') })
}

const isOneOf = (all: readonly string[], value: unknown): value is string =>
  typeof value === 'string' && all.includes(value)

/** A value as it is said; null where it is too long for a line. */
function valueWords(value: unknown, say: Say): string | null {
  if (value === null || value === undefined || value === '') return say('trail.none')
  if (typeof value === 'boolean') return say(value ? 'trail.yes' : 'trail.no')
  if (isOneOf(PERSON_ROLES, value)) return say(`person.${value}`)
  if (isOneOf(SKILLS, value)) return say(`skill.${value}`)
  return typeof value === 'string' || typeof value === 'number' ? String(value) : null
}

/** What of it changed, a line a field. */
export function trailFields({ act, changed }: TrailEntry, say: Say): string[] {
  return Object.entries(changed)
    .filter(([field]) => act === 'changed' || TOLD_WHEN_ADDED.has(field))
    .map(([key, change]) => {
      const field = say(`trail.field.${key in FIELDS ? key : 'other'}`)
      if (change === true) return say('trail.did', { field })
      const [before, after] = change.map((value) => valueWords(value, say))
      if (before === null || after === null || before === undefined || after === undefined)
        return say('trail.did', { field })
      if (act === 'changed') return say('trail.fromTo', { field, before, after })
      return say('trail.became', { field, after: act === 'removed' ? before : after })
    })
}
