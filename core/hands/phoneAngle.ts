import { degrees, radians } from '../measure'
import { Z_80 } from '../statistics/normal'

/** How a phone lies, as its browser tells: turned about its own x axis by beta and about y by gamma, degrees. */
export interface PhoneTilt {
  readonly betaDeg: number
  readonly gammaDeg: number
}

/** A direction in the phone's own frame: x to the right of its screen, y to its top, z out of it. Of length 1. */
export type Direction = readonly [x: number, y: number, z: number]

/**
 * Where up is, seen from the phone: the last row of R = Rz(α)·Rx(β)·Ry(γ), in which the compass (α) has no part (W3C Device
 * Orientation and Motion, section 5).
 */
export function upOf({ betaDeg, gammaDeg }: PhoneTilt): Direction {
  const [beta, gamma] = [radians(betaDeg), radians(gammaDeg)]
  return [-Math.cos(beta) * Math.sin(gamma), Math.sin(beta), Math.cos(beta) * Math.cos(gamma)]
}

const dot = (a: Direction, b: Direction): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const cross = (a: Direction, b: Direction): Direction => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]

/** Angle between two directions, degrees, 0–180; exact for small ones, where an arc cosine is not. */
export function angleBetween(a: Direction, b: Direction): number {
  const sine = Math.hypot(...cross(a, b))
  return degrees(Math.atan2(sine, dot(a, b)))
}

/** The mean direction of some readings. */
export function meanDirection(readings: readonly PhoneTilt[]): Direction {
  const sum = readings.map(upOf).reduce<Direction>((a, b) => [a[0] + b[0], a[1] + b[1], a[2] + b[2]], [0, 0, 0])
  const length = Math.hypot(...sum)
  return length > 0 ? [sum[0] / length, sum[1] / length, sum[2] / length] : [0, 0, 1]
}

/** An angle as a phone tells it, with the half-width of its 80 % interval. Degrees. */
export interface PhoneAngle {
  readonly dps: number
  readonly sureDps: number
}

/** A phone's own sensor, against a level (assumed; common ones are better once they lie still). */
const SENSOR_SD_DEG = 0.3

const spreadAround = (readings: readonly PhoneTilt[], centre: Direction): number =>
  Math.sqrt(readings.reduce((sum, one) => sum + angleBetween(upOf(one), centre) ** 2, 0) / readings.length)

/**
 * Edge angle of a blade with a phone laid against its face.
 *
 * @param zero readings with the face flat on the stone, or on the rod; at least one
 * @param now readings of the last moment; at least one
 * @param faceDps angle between the blade's face and its centre plane: flat on its face a blade already stands at that
 */
export function phoneAngle(zero: readonly PhoneTilt[], now: readonly PhoneTilt[], faceDps: number): PhoneAngle {
  const [from, to] = [meanDirection(zero), meanDirection(now)]
  // the sensor is asked twice, for the zero and for the angle
  const sd = Math.hypot(spreadAround(zero, from), spreadAround(now, to), Math.SQRT2 * SENSOR_SD_DEG)
  return { dps: angleBetween(from, to) + faceDps, sureDps: Z_80 * sd }
}
