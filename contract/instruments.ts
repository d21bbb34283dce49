/** Kinds of instrument that speak the line protocol of docs/instruments.md. */
export const INSTRUMENT_KINDS = ['force-tester'] as const
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number]

/** One line from an instrument, understood. */
export type InstrumentLine =
  | { readonly verb: 'hello'; readonly kind: InstrumentKind; readonly name: string; readonly key: string | null }
  | { readonly verb: 'zero' }
  /** running value, gf */
  | { readonly verb: 'force'; readonly forceGf: number }
  /** highest value of one cut, gf: this is the reading */
  | { readonly verb: 'peak'; readonly forceGf: number }
  | { readonly verb: 'bye' }
  | { readonly verb: 'unreadable'; readonly line: string }

/** Standard gravity, CGPM 1901: 1 gf is 9.80665 mN. */
const MILLINEWTONS_PER_GF = 9.80665
const GF_PER_UNIT: Readonly<Record<string, number>> = {
  gf: 1,
  g: 1,
  mN: 1 / MILLINEWTONS_PER_GF,
  N: 1000 / MILLINEWTONS_PER_GF,
}
/** Longer lines are noise. */
export const LONGEST_LINE = 200

function readForce(value: string | undefined, unit: string): number | null {
  const factor = GF_PER_UNIT[unit]
  const number = Number(value)
  return factor === undefined || value === undefined || value === '' || !Number.isFinite(number) ? null : number * factor
}

/** Reads one line; what it cannot read comes back as `unreadable`, never as a guess. */
export function readInstrumentLine(raw: string): InstrumentLine {
  const line = raw.trim()
  const unreadable: InstrumentLine = { verb: 'unreadable', line: line.slice(0, LONGEST_LINE) }
  if (line.length > LONGEST_LINE) return unreadable
  const [verb, ...rest] = line.split(/\s+/)
  switch (verb) {
    case 'hello': {
      const kind = INSTRUMENT_KINDS.find((known) => known === rest[0])
      return kind && rest[1] ? { verb, kind, name: rest[1], key: rest[2] ?? null } : unreadable
    }
    case 'force':
    case 'peak': {
      const forceGf = readForce(rest[0], rest[1] ?? 'gf')
      return forceGf === null ? unreadable : { verb, forceGf }
    }
    case 'zero':
    case 'bye':
      return { verb }
    default:
      return unreadable
  }
}

/** What a screen hears about instruments. */
export type ScreenLine =
  | { readonly verb: 'here'; readonly id: string; readonly kind: string; readonly name: string }
  | { readonly verb: 'gone'; readonly id: string }
  | { readonly verb: 'line'; readonly id: string; readonly line: string }

export function readScreenLine(raw: string): ScreenLine | null {
  const [verb, id, ...rest] = raw.trim().split(' ')
  if (!id) return null
  if (verb === 'here' && rest[0] && rest[1]) return { verb, id, kind: rest[0], name: rest[1] }
  if (verb === 'gone') return { verb, id }
  if (verb === 'line') return { verb, id, line: rest.join(' ') }
  return null
}
