import { ZONES, type Zone } from '../core/knife/zones'

/** Kinds of instrument that speak the line protocol of docs/instruments.md. */
export const INSTRUMENT_KINDS = ['force-tester', 'inclinometer', 'scale', 'loupe'] as const
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number]

/** One line from an instrument, understood. */
export type InstrumentLine =
  | { readonly verb: 'hello'; readonly kind: InstrumentKind; readonly name: string; readonly key: string | null }
  | { readonly verb: 'zero' }
  /** running value, gf */
  | { readonly verb: 'force'; readonly forceGf: number }
  /** highest value of one cut, gf: this is the reading */
  | { readonly verb: 'peak'; readonly forceGf: number }
  /** edge angle the blade is held at, degrees per side, by an inclinometer; and how sure, where it says so */
  | { readonly verb: 'angle'; readonly dps: number; readonly sureDps?: number }
  /** pressing force on the stone, N, by a scale under it */
  | { readonly verb: 'press'; readonly newtons: number }
  /** the shutter of a loupe camera: a picture of the edge at one zone, its blunt width µm and its bent share where it can tell */
  | { readonly verb: 'picture'; readonly zone: Zone; readonly bluntUm: number; readonly roll: number }
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
  return factor === undefined || value === undefined || value === '' || !Number.isFinite(number)
    ? null
    : number * factor
}

function readNumber(value: string | undefined): number | null {
  const number = Number(value)
  return value === undefined || value === '' || !Number.isFinite(number) ? null : number
}

/** What an instrument can honestly say; outside this it raves, and nothing it says is believed. */
export const PLAUSIBLE = { dps: [0, 60], newtons: [0, 200], bluntUm: [0, 500], roll: [0, 1] } as const
export const isPlausible = (quantity: keyof typeof PLAUSIBLE, value: number): boolean =>
  value >= PLAUSIBLE[quantity][0] && value <= PLAUSIBLE[quantity][1]

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
    case 'angle': {
      const [dps, sureDps] = [readNumber(rest[0]), readNumber(rest[1])]
      return dps === null ? unreadable : { verb, dps, ...(sureDps === null ? {} : { sureDps }) }
    }
    case 'press': {
      const forceGf = readForce(rest[0], rest[1] ?? 'N')
      return forceGf === null ? unreadable : { verb, newtons: (forceGf * MILLINEWTONS_PER_GF) / 1000 }
    }
    case 'picture': {
      const zone = ZONES.find((known) => known === rest[0])
      const [bluntUm, roll] = [readNumber(rest[1]), readNumber(rest[2] ?? '0')]
      return zone && bluntUm !== null && roll !== null ? { verb, zone, bluntUm, roll } : unreadable
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
