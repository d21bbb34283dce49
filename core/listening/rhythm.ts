/** A sound that could be a stroke. */
export interface Sound {
  /** s */
  readonly at: number
  readonly seconds: number
  /** bands above the room, dB, and as they were, dB of full scale */
  readonly rise: readonly number[]
  readonly levels: readonly number[]
  readonly loudDb: number
}

/** Between 20 and 90 strokes a minute, with some room, s from one to the next. */
const [FASTEST_S, SLOWEST_S] = [0.52, 3.5]
/** A hand is as even as this, as a share, and a beginning is heard as exactly as this, s. */
const [EVEN, HEARD_WITHIN_S] = [0.24, 0.08]
const isStep = (gap: number, step: number): boolean => Math.abs(gap - step) <= EVEN * step + HEARD_WITHIN_S
/** So many between the beats, and the beat is twice as quick. */
const BETWEEN = 3
/** What makes a row of sounds one of strokes. */
export interface Strictness {
  /** so many in one rhythm are strokes; before that they may be anything */
  readonly chain: number
  /** strokes of one hand are about as long and as loud as each other: times, and dB */
  readonly longer: number
  readonly louderDb: number
}
/** Where the stone is known its colour tells most; where it is not, the rhythm has to. */
export const STONE_KNOWN: Strictness = { chain: 4, longer: 2.6, louderDb: 14 }
export const STONE_UNKNOWN: Strictness = { chain: 6, longer: 1.8, louderDb: 7 }
const REMEMBERED = 24
const OF_LATE = 8

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0

/** Tells sounds that stand in a rhythm from those that do not; the first of a rhythm are told once it is one. */
export class Rhythm {
  private recent: Sound[] = []
  private gaps: number[] = []
  private last: Sound | null = null
  private between: Sound[] = []

  constructor(
    private readonly onStroke: (sound: Sound) => void,
    private readonly strictness: Strictness,
  ) {}

  take(sound: Sound): void {
    this.recent = [...this.recent.slice(1 - REMEMBERED), sound]
    if (this.last && this.goesOn(this.last, sound)) return
    this.begin(sound)
  }

  /** @returns true where the sound was dealt with by the rhythm that is going */
  private goesOn(last: Sound, sound: Sound): boolean {
    const period = median(this.gaps.slice(-OF_LATE))
    const turns = (sound.at - last.at) / period
    if (!this.isLike(last, sound) && turns < 2.5) return true
    // a stray sound, or a stroke heard in two halves; or every second one was missed so far
    if (turns < 0.62) {
      if (turns > 0.38) this.between.push(sound)
      if (this.between.length >= BETWEEN) this.beatTwiceAsQuick()
      return true
    }
    if (turns <= 1.45) {
      this.tell(sound, sound.at - last.at)
      return true
    }
    if (turns >= 1.6 && turns <= 2.4) {
      // one in between went under in something else
      this.tell({ ...sound, at: (last.at + sound.at) / 2 }, period)
      this.tell(sound, period)
      return true
    }
    return false
  }

  private beatTwiceAsQuick(): void {
    for (const missed of this.between) this.onStroke(missed)
    this.gaps = this.gaps.slice(-OF_LATE).map((gap) => gap / 2)
    this.last = this.between.at(-1) ?? this.last
    this.between = []
  }

  private tell(sound: Sound, gap: number): void {
    this.gaps.push(gap)
    this.last = sound
    this.onStroke(sound)
  }

  /** Looks back from a sound for others that lead up to it in even steps. */
  private begin(sound: Sound): void {
    for (const before of [...this.recent].reverse()) {
      const step = sound.at - before.at
      if (step < FASTEST_S) continue
      if (step > SLOWEST_S) return
      if (!this.isLike(before, sound)) continue
      const chain = this.leadingTo([before, sound])
      if (chain.length < this.strictness.chain) continue
      this.gaps = chain.slice(1).map(({ at }, index) => at - (chain[index]?.at ?? 0))
      const told = this.last?.at ?? -Infinity
      this.between = []
      this.last = sound
      for (const one of chain) if (one.at > told) this.onStroke(one)
      return
    }
  }

  private leadingTo(chain: readonly Sound[]): readonly Sound[] {
    const [first, second] = chain
    if (!first || !second) return chain
    const step = median(chain.slice(1).map(({ at }, index) => at - (chain[index]?.at ?? 0)))
    const at = (steps: number): Sound | undefined =>
      this.recent
        .filter((one) => one.at < first.at && this.isLike(one, second) && isStep((first.at - one.at) / steps, step))
        .sort((a, b) => Math.abs(first.at - a.at - steps * step) - Math.abs(first.at - b.at - steps * step))[0]
    const earlier = at(1)
    if (earlier) return this.leadingTo([earlier, ...chain])
    // where it is a rhythm already, one may have gone under in something else
    const before = chain.length >= this.strictness.chain ? at(2) : undefined
    return before ? this.leadingTo([before, { ...before, at: (before.at + first.at) / 2 }, ...chain]) : chain
  }

  private isLike(a: Sound, b: Sound): boolean {
    const { longer, louderDb } = this.strictness
    return (
      Math.max(a.seconds, b.seconds) <= longer * Math.min(a.seconds, b.seconds) &&
      Math.abs(a.loudDb - b.loudDb) <= louderDb
    )
  }
}
