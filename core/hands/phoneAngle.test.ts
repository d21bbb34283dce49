import fc from 'fast-check'
import { mat3, quat, vec3 } from 'gl-matrix'
import { describe, expect, it } from 'vitest'
import { faceAngle } from '../geometry/stack'
import { radians } from '../measure'
import { chance } from '../statistics/random'
import { angleBetween, phoneAngle, upOf, type PhoneTilt } from './phoneAngle'

/** Tilt of a phone that lay flat and was turned about an axis in its own plane, by a rotation library. */
function tiltOf(turned: quat): PhoneTilt {
  const m = mat3.fromQuat(mat3.create(), turned)
  // columns are the phone's axes in the room; its third row is up in the phone's frame
  const [x, y, z] = [m[2] ?? 0, m[5] ?? 0, m[8] ?? 0]
  const beta = Math.asin(Math.max(-1, Math.min(1, y)))
  return { betaDeg: (beta * 180) / Math.PI, gammaDeg: (Math.atan2(-x, z) * 180) / Math.PI }
}

describe('up, seen from a phone', () => {
  it('is where gl-matrix’s quaternions put it, however the phone is turned', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.double({ min: -89, max: 89, noNaN: true }),
        fc.double({ min: -89, max: 89, noNaN: true }),
        (alpha, betaDeg, gammaDeg) => {
          const turn = (axis: vec3, by: number): quat => quat.setAxisAngle(quat.create(), axis, radians(by))
          const whole = quat.create()
          quat.multiply(whole, turn([0, 0, 1], alpha), turn([1, 0, 0], betaDeg))
          quat.multiply(whole, whole, turn([0, 1, 0], gammaDeg))
          const up = vec3.transformQuat(vec3.create(), [0, 0, 1], quat.invert(quat.create(), whole))
          upOf({ betaDeg, gammaDeg }).forEach((value, at) => {
            expect(value).toBeCloseTo(up[at] ?? NaN, 5)
          })
        },
      ),
    )
  })
})

describe('an angle told by a phone', () => {
  it('is the blade’s, whichever way round the phone lies on it and wherever the stone stands', () => {
    const blade = { heelHeightMm: 45, spineMm: 2.2 }
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.double({ min: -6, max: 6, noNaN: true }),
        (wanted, round, slope) => {
          // a bench that is not level, a phone laid at any angle on the face, then the spine raised
          const bench = quat.setAxisAngle(quat.create(), [1, 0, 0], radians(slope))
          const axis: vec3 = [Math.cos(radians(round)), Math.sin(radians(round)), 0]
          const raised = quat.setAxisAngle(quat.create(), axis, radians(wanted - faceAngle(blade)))
          const zero = tiltOf(bench)
          const now = tiltOf(quat.multiply(quat.create(), bench, raised))
          expect(phoneAngle([zero], [now], faceAngle(blade)).dps).toBeCloseTo(wanted, 3)
        },
      ),
    )
  })

  it('says how sure it is: 80 of 100 made-up readings lie within what it says', () => {
    const luck = chance(4)
    let within = 0
    const TRIES = 2000
    for (let tries = 0; tries < TRIES; tries++) {
      const noisy = (betaDeg: number): PhoneTilt => ({ betaDeg: betaDeg + 0.3 * luck.normal(), gammaDeg: 0 })
      const { dps, sureDps } = phoneAngle([noisy(0)], [noisy(15)], 0)
      if (Math.abs(dps - 15) <= sureDps) within++
    }
    expect(within / TRIES).toBeGreaterThan(0.78)
  })

  it('is less sure of a hand that shakes', () => {
    const luck = chance(9)
    const held = (shake: number): PhoneTilt[] =>
      Array.from({ length: 20 }, () => ({ betaDeg: 15 + shake * luck.normal(), gammaDeg: shake * luck.normal() }))
    const still = phoneAngle([{ betaDeg: 0, gammaDeg: 0 }], held(0.05), 0)
    const shaking = phoneAngle([{ betaDeg: 0, gammaDeg: 0 }], held(1.5), 0)
    expect(shaking.sureDps).toBeGreaterThan(2 * still.sureDps)
    expect(still.dps).toBeCloseTo(15, 1)
  })

  it('is exact for angles so small that an arc cosine loses them', () => {
    const tiny = angleBetween(upOf({ betaDeg: 0, gammaDeg: 0 }), upOf({ betaDeg: 0.001, gammaDeg: 0 }))
    expect(tiny).toBeCloseTo(0.001, 9)
  })
})
