import fc from 'fast-check'
import { openApi } from '../openapi'

type Schema = Readonly<Record<string, unknown>>

/** One operation of the description, with what it takes. */
export interface Operation {
  readonly id: string
  readonly method: string
  readonly path: string
  readonly parameters: readonly { readonly name: string; readonly in: 'path' | 'query'; readonly schema: Schema }[]
  readonly body: Schema | null
}

/** A request as it goes over the wire. */
export interface FuzzRequest {
  readonly operation: string
  readonly method: string
  readonly path: string
  readonly body: string | undefined
}

interface Described {
  readonly operationId: string
  readonly parameters: Operation['parameters']
  readonly requestBody?: { readonly content: { readonly 'application/json': { readonly schema: Schema } } }
}

/** Every operation of the OpenAPI description: one that is added is fuzzed from its first day. */
export function operations(): Operation[] {
  const paths = openApi()['paths'] as Record<string, Record<string, Described>>
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { operationId, parameters, requestBody }]) => ({
      id: operationId,
      method: method.toUpperCase(),
      path,
      parameters,
      body: requestBody?.content['application/json'].schema ?? null,
    })),
  )
}

/** Text that has broken servers before: NUL, half a surrogate pair, directions, length, what other languages run. */
const HOSTILE_TEXT = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\udfff\ud800',
  '\u202e\u2066',
  '=1+1',
  "'; drop table knives; --",
  '${7*7}{{7*7}}',
  '../../etc/passwd',
  '%ED%A0%80',
  '9'.repeat(400),
  'x'.repeat(5000),
  '👩🏽‍🍳'.repeat(40),
  '__proto__',
  'constructor',
  '0001-01-01T00:00:00.000Z',
  '+275760-09-13T00:00:00.000Z',
]
/** Numbers past what columns, clocks and counters hold. */
const HOSTILE_NUMBERS = [
  0,
  -0,
  -1,
  1e-320,
  0.1 + 0.2,
  2 ** 31,
  -(2 ** 31) - 1,
  2 ** 53,
  1e21,
  1e308,
  -1e308,
  Number.MIN_VALUE,
]
const HOSTILE: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom(...HOSTILE_TEXT),
  fc.constantFrom(...HOSTILE_NUMBERS),
  fc.constantFrom(null, true, [], {}, [[]], { __proto__: null }, Array(300).fill(0)),
)

/** A value where only text can stand. */
const asText = (value: unknown): string => (typeof value === 'string' ? value : JSON.stringify(value))

const number = (schema: Schema, key: string): number | undefined =>
  typeof schema[key] === 'number' ? schema[key] : undefined

function textOf(schema: Schema, known: readonly string[]): fc.Arbitrary<unknown> {
  const { format, pattern } = schema
  if (format === 'uuid') return fc.oneof({ weight: 5, arbitrary: fc.constantFrom(...known) }, fc.uuid())
  if (format === 'date-time')
    return fc.oneof(
      fc
        .date({ min: new Date('2025-06-01'), max: new Date('2027-06-01'), noInvalidDate: true })
        .map((date) => date.toISOString()),
      fc.constantFrom('0001-01-01T00:00:00.000Z', '9999-12-31T23:59:59.999Z'),
    )
  const [least, most] = [number(schema, 'minLength') ?? 0, Math.min(number(schema, 'maxLength') ?? 40, 60)]
  const plain = fc.string({ minLength: Math.min(least, most), maxLength: most, unit: 'grapheme' })
  return typeof pattern === 'string' ? fc.oneof(fc.stringMatching(new RegExp(pattern)), plain) : plain
}

function numberOf(schema: Schema, isWhole: boolean): fc.Arbitrary<unknown> {
  const [min, max] = [number(schema, 'minimum') ?? -1e6, number(schema, 'maximum') ?? 1e6]
  const within = isWhole
    ? fc.integer({ min: Math.ceil(Math.max(min, -(2 ** 31))), max: Math.floor(Math.min(max, 2 ** 31 - 1)) })
    : fc.double({ min, max, noNaN: true })
  return fc.oneof(within, fc.constantFrom(min, max))
}

function objectOf(schema: Schema, known: readonly string[]): fc.Arbitrary<unknown> {
  const properties = (schema['properties'] ?? {}) as Readonly<Record<string, Schema>>
  const required = (schema['required'] ?? []) as readonly string[]
  const fields = Object.fromEntries(Object.entries(properties).map(([name, one]) => [name, valueOf(one, known)]))
  const { additionalProperties, propertyNames } = schema
  if (typeof additionalProperties === 'object' && additionalProperties !== null)
    return fc.dictionary(
      (propertyNames ? valueOf(propertyNames as Schema, known) : fc.string({ maxLength: 12 })).map(asText),
      valueOf(additionalProperties as Schema, known),
      { maxKeys: 6 },
    )
  return fc.record(fields, { requiredKeys: required.filter((name) => name in fields) })
}

/** Values that fit a schema, with now and then one that does not in their middle. */
export function valueOf(schema: Schema, known: readonly string[]): fc.Arbitrary<unknown> {
  const fitting = (): fc.Arbitrary<unknown> => {
    for (const key of ['anyOf', 'oneOf', 'allOf'] as const) {
      const options = schema[key]
      if (Array.isArray(options)) return fc.oneof(...options.map((one: Schema) => valueOf(one, known)))
    }
    if ('const' in schema) return fc.constant(schema['const'])
    if (Array.isArray(schema['enum'])) return fc.constantFrom(...(schema['enum'] as unknown[]))
    switch (schema['type']) {
      case 'string':
        return textOf(schema, known)
      case 'number':
      case 'integer':
        return numberOf(schema, schema['type'] === 'integer')
      case 'boolean':
        return fc.boolean()
      case 'null':
        return fc.constant(null)
      case 'array':
        return fc.array(valueOf((schema['items'] ?? {}) as Schema, known), {
          minLength: Math.min(number(schema, 'minItems') ?? 0, 3),
          maxLength: Math.min(number(schema, 'maxItems') ?? 4, 4),
        })
      case 'object':
        return objectOf(schema, known)
      default:
        return HOSTILE
    }
  }
  return fc.oneof({ weight: 30, arbitrary: fitting() }, { weight: 1, arbitrary: HOSTILE })
}

const inPath = (value: unknown): string => {
  const text = asText(value)
  // half a surrogate pair has no encoding of its own: it goes as the bytes it would have had
  return /\p{Surrogate}/u.test(text) ? '%ED%A0%80' : encodeURIComponent(text)
}

/** Requests to one operation, most of which its schema takes. */
export function requestsTo(operation: Operation, known: readonly string[]): fc.Arbitrary<FuzzRequest> {
  const parameters = fc.tuple(...operation.parameters.map(({ schema }) => valueOf(schema, known)))
  const body = operation.body === null ? fc.constant(undefined) : valueOf(operation.body, known)
  return fc.tuple(parameters, body).map(([values, content]) => {
    const query = new URLSearchParams()
    let path = operation.path
    for (const [at, { name, in: where }] of operation.parameters.entries()) {
      if (where === 'path') path = path.replace(`{${name}}`, inPath(values[at]) || '%00')
      else if (values[at] !== undefined) query.append(name, asText(values[at]))
    }
    return {
      operation: operation.id,
      method: operation.method,
      path: query.size > 0 ? `${path}?${query.toString()}` : path,
      body: content === undefined ? undefined : JSON.stringify(content),
    }
  })
}
