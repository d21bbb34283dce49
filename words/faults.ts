import type { z } from 'zod'
import type { Say, SayValues } from './say'

export interface IssueWords {
  readonly path: string
  readonly sentence: string
}

type Issue = z.core.$ZodIssue

const written = (value: unknown): string | number =>
  typeof value === 'number'
    ? value
    : typeof value === 'bigint'
      ? Number(value)
      : typeof value === 'string'
        ? value
        : (JSON.stringify(value) ?? '')

/** Name of a field as people know it: the last named step of its path. */
function fieldName(path: readonly PropertyKey[], say: Say): string {
  const name = path.findLast((step) => typeof step === 'string')
  if (name === undefined) return say('field.it')
  const key = `field.${String(name)}`
  const label = say(key)
  return label === key ? String(name) : label
}

function keyAndValues(issue: Issue): { key: string; values: SayValues } {
  switch (issue.code) {
    case 'too_small':
      return {
        key: issue.origin === 'string' || issue.origin === 'array' ? 'too-short' : 'too-small',
        values: { limit: written(issue.minimum) },
      }
    case 'too_big':
      return {
        key: issue.origin === 'string' || issue.origin === 'array' ? 'too-long' : 'too-big',
        values: { limit: written(issue.maximum) },
      }
    case 'invalid_type':
      // issues do not carry their input; the library's own message says whether there was any
      return {
        key: /received (undefined|null)$/.test(issue.message) ? 'missing' : 'wrong-type',
        values: { expected: issue.expected },
      }
    case 'invalid_value':
      return { key: 'not-one-of', values: { options: issue.values.map(String).join(', ') } }
    case 'invalid_format':
      return { key: 'wrong-form', values: {} }
    case 'custom':
      return { key: typeof issue.params?.['fault'] === 'string' ? issue.params['fault'] : 'wrong-form', values: {} }
    case 'not_multiple_of':
    case 'unrecognized_keys':
    case 'invalid_union':
    case 'invalid_key':
    case 'invalid_element':
      return { key: 'wrong-form', values: {} }
  }
}

/** What a schema found wrong, one sentence a field, in the words of the catalogue. */
export function issueWords(issues: readonly Issue[], say: Say): IssueWords[] {
  return issues.map((issue) => {
    const { key, values } = keyAndValues(issue)
    return {
      path: issue.path.map(String).join('.'),
      sentence: say(`fault.${key}`, { field: fieldName(issue.path, say), ...values }),
    }
  })
}
