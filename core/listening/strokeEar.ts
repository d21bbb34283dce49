import { BAND_HZ, FRAMES_A_SECOND } from './bands'
import { Rhythm, STONE_KNOWN, STONE_UNKNOWN, type Sound } from './rhythm'

/** One stroke as it was heard. */
export interface HeardStroke {
  /** s since the listening began */
  readonly at: number
  readonly seconds: number
  /** which way it sounded like, where the two ways sound apart */
  readonly way: 'one' | 'other' | null
}

/** How a stone sounds: its colour, and how loud it is where somebody listened to it. */
export interface StoneSound {
  /** rise of each band over a quiet room, dB; 0 where voices and hoods are */
  readonly colourDb: readonly number[]
  /** level of each band while a stroke is made, dB of full scale; null before anybody listened */
  readonly levelsDb: readonly number[] | null
}

/** Steel on stone before anybody has listened: a hiss that has most of itself above 2 kHz, where voices have little (assumed). */
export const ANY_STONE: StoneSound = { colourDb: [0, 0, 0, 0, 0.5, 2, 6, 8, 8, 6, 4], levelsDb: null }
/** What a stroke is taken to rise to before anybody listened, dB (assumed). */
const USUAL_DB = 5

/** The room is what is still there a fifth of the time. */
const ROOM_SECONDS = 5
const ROOM_QUANTILE = 0.2
/** No kitchen is quieter, and no microphone tells of less, dB of full scale a band (assumed). */
const QUIETEST_ROOM_DB = -68
const ROOM_EVERY_FRAMES = 5
const MOST_RISE_DB = 60
/** A level is a mean over this long: shorter ones of a hiss jump by themselves. */
const SMOOTHING_FRAMES = 5
const LEAST_ON_DB = 2
/** A stroke begins at half of what it should rise to, or so far below that; it is over when it has fallen so far again. */
const [ON_SHARE, ON_BELOW_DB, OFF_SHARE, OFF_BELOW_DB] = [0.5, 8, 0.45, 10]
const beginsAt = (expected: number): number => Math.max(LEAST_ON_DB, ON_SHARE * expected, expected - ON_BELOW_DB)
const endsAt = (peak: number): number => Math.max(LEAST_ON_DB / 2, OFF_SHARE * peak, peak - OFF_BELOW_DB)
/** The colour of a sound is what of it stands within so much of its strongest band, dB. */
const COLOUR_DB = 20
const OFF_FRAMES = 2
/** A hiss of speech is as short as a stroke in a hurry, and told from it only once the stone is known. */
const [SHORTEST_S, SHORTEST_KNOWN_S, LONGEST_S] = [0.26, 0.2, 2.6]
const LEAST_ALIKE = 0.75
const APART = 1.5
const ENOUGH = 4

const meanOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

/** Cosine between two colours of sound, by the bands in which stones sound. */
export function alike(a: readonly number[], b: readonly number[]): number {
  const lengths = Math.hypot(...a) * Math.hypot(...b)
  return lengths > 0 ? a.reduce((sum, value, at) => sum + value * (b[at] ?? 0), 0) / lengths : 0
}

/** Bands below this tell voices and hoods, not stones. */
const LOWEST_HZ = 1800
const ofStones = (rise: readonly number[]): number[] =>
  rise.map((value, band) => ((BAND_HZ[band] ?? 0) < LOWEST_HZ ? 0 : value))
function colourOf(rise: readonly number[]): number[] {
  const own = ofStones(rise)
  const least = Math.max(0, Math.max(...own) - COLOUR_DB)
  return own.map((value) => Math.max(0, value - least))
}

/**
 * Hears strokes in frames of band levels. A sound counts where it is as long as a stroke, has the colour of this stone, and
 * stands in a rhythm with its neighbours; the first of a rhythm are counted once it is one. Voices have another colour,
 * falling pans are too short, water is part of the room.
 */
export class StrokeEar {
  private frame = 0
  private readonly latest: (readonly number[])[] = []
  private readonly past: number[][] = []
  private room: number[] | null = null
  private open: { from: number; sum: number[]; frames: number; quiet: number; peak: number } | null = null
  private readonly rhythm: Rhythm
  private readonly heard: Sound[] = []

  constructor(
    private readonly onStroke: (stroke: HeardStroke) => void,
    private readonly stone: StoneSound = ANY_STONE,
  ) {
    this.rhythm = new Rhythm(
      (sound) => {
        this.tell(sound)
      },
      this.stone.levelsDb ? STONE_KNOWN : STONE_UNKNOWN,
    )
  }

  /** @param levelsDb of the bands of {@link BAND_HZ}, fifty times a second */
  hear(levelsDb: readonly number[]): void {
    this.frame++
    this.latest.push(levelsDb)
    if (this.latest.length > SMOOTHING_FRAMES) this.latest.shift()
    const smoothed = levelsDb.map((_, band) => meanOf(this.latest.map((levels) => levels[band] ?? 0)))
    this.learnRoom(smoothed)
    const { room } = this
    if (!room) return
    const rise = smoothed.map((level, band) => Math.max(0, Math.min(MOST_RISE_DB, level - (room[band] ?? 0))))
    const loud = this.weigh(rise)
    const expected = this.expected(room)
    if (this.open) this.goOn(this.open, rise, loud)
    else if (loud > beginsAt(expected)) this.open = { from: this.frame, sum: rise, frames: 1, quiet: 0, peak: loud }
  }

  /** What was counted so far sounded like; for going on from with this stone in this room. Null before there is enough. */
  calibrated(): StoneSound | null {
    if (this.heard.length < ENOUGH) return null
    const mean = (of: (sound: Sound) => readonly number[]): number[] =>
      BAND_HZ.map((_, band) => meanOf(this.heard.map((sound) => of(sound)[band] ?? 0)))
    return { colourDb: colourOf(mean(({ rise }) => rise)), levelsDb: mean(({ levels }) => levels) }
  }

  /** How far a stroke should stand above the room as it is now, dB. */
  private expected(room: readonly number[]): number {
    const { levelsDb } = this.stone
    if (!levelsDb) return USUAL_DB
    return this.weigh(levelsDb.map((level, band) => Math.max(0, Math.min(MOST_RISE_DB, level - (room[band] ?? 0)))))
  }

  private goOn(open: NonNullable<StrokeEar['open']>, rise: readonly number[], loud: number): void {
    open.peak = Math.max(open.peak, loud)
    const isQuiet = loud < endsAt(open.peak)
    open.quiet = isQuiet ? open.quiet + 1 : 0
    if (!isQuiet) {
      open.sum = open.sum.map((sum, band) => sum + (rise[band] ?? 0))
      open.frames++
    }
    if (open.quiet < OFF_FRAMES) return
    this.open = null
    const seconds = (this.frame - open.from - open.quiet) / FRAMES_A_SECOND
    if (seconds < (this.stone.levelsDb ? SHORTEST_KNOWN_S : SHORTEST_S) || seconds > LONGEST_S) return
    const whole = open.sum.map((sum) => sum / open.frames)
    if (alike(colourOf(whole), this.stone.colourDb) < LEAST_ALIKE) return
    // by its own level, not above the room, which talk lifts and lowers
    const levels = whole.map((value, band) => value + (this.room?.[band] ?? 0))
    this.rhythm.take({
      at: open.from / FRAMES_A_SECOND,
      seconds,
      rise: whole,
      levels,
      loudDb: this.weigh(levels),
    })
  }

  private learnRoom(levelsDb: readonly number[]): void {
    this.past.push([...levelsDb])
    if (this.past.length > ROOM_SECONDS * FRAMES_A_SECOND) this.past.shift()
    if (this.frame % ROOM_EVERY_FRAMES !== 0 || this.past.length < FRAMES_A_SECOND / 2) return
    this.room = BAND_HZ.map((_, band) => {
      const sorted = this.past.map((levels) => levels[band] ?? 0).sort((a, b) => a - b)
      return Math.max(QUIETEST_ROOM_DB, sorted[Math.floor(ROOM_QUANTILE * sorted.length)] ?? 0)
    })
  }

  private weigh(rise: readonly number[]): number {
    const template = this.stone.colourDb
    const whole = template.reduce((sum, value) => sum + value, 0)
    return rise.reduce((sum, value, band) => sum + value * (template[band] ?? 0), 0) / Math.max(1e-9, whole)
  }

  private tell(sound: Sound): void {
    this.heard.push(sound)
    this.onStroke({ at: sound.at, seconds: sound.seconds, way: this.wayOf() })
  }

  /** Which way the last stroke went: ways take turns, where their colours differ by more than each way's own does. */
  private wayOf(): HeardStroke['way'] {
    const colour = ({ rise }: Sound): number => {
      const own = colourOf(rise)
      return (
        own.reduce((sum, value, at) => sum + at * value, 0) /
        Math.max(
          1e-9,
          own.reduce((sum, value) => sum + value, 0),
        )
      )
    }
    const [one, other] = [0, 1].map((way) => this.heard.filter((_, at) => at % 2 === way).map(colour))
    if (!one || !other || one.length < ENOUGH || other.length < ENOUGH) return null
    const spread = (values: readonly number[]): number => meanOf(values.map((value) => (value - meanOf(values)) ** 2))
    const sd = Math.sqrt((spread(one) + spread(other)) / 2)
    if (Math.abs(meanOf(one) - meanOf(other)) < APART * Math.max(sd, 1e-6)) return null
    return this.heard.length % 2 === 1 ? 'one' : 'other'
  }
}
