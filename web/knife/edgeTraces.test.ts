import { describe, expect, it } from 'vitest'
import type { EdgeStory } from '../../contract/knives'
import { speaker } from '../../words/say'
import type { Tones } from '../charts/tones'
import { edgeLayout, edgeTraces } from './edgeTraces'

const say = speaker()
const tones: Tones = {
  ink: '#000000',
  soft: '#555555',
  rule: '#cccccc',
  ember: '#aa4400',
  keen: '#006666',
  out: '#880022',
  ground: '#ffffff',
  face: 'x',
}
const at = (day: number): string => new Date(Date.UTC(2026, 10, day, 12)).toISOString()
const moment = (day: number, forceGf: number): EdgeStory['zones']['heel'][number] => ({
  at: at(day),
  forceGf,
  lowGf: forceGf - 20,
  highGf: forceGf + 20,
})
const story: EdgeStory = {
  limitGf: 350,
  now: at(20),
  zones: {
    heel: [moment(10, 200), moment(20, 240)],
    belly: [moment(10, 210), moment(20, 260)],
    tip: [moment(10, 220), moment(20, 300)],
  },
  readings: [
    { at: at(12), zone: 'tip', forceGf: 231 },
    { at: at(12), zone: 'heel', forceGf: 205 },
  ],
  marks: [
    { at: at(11), kind: 'honed', personName: 'Milo' },
    { at: at(12), kind: 'checked', personName: 'Milo' },
    { at: at(13), kind: 'checked', personName: 'Ilse' },
    { at: at(14), kind: 'sharpened', personName: 'Oda' },
  ],
  ahead: [
    {
      serviceName: 'dinner',
      startsAt: at(21),
      endsAt: at(22),
      chanceDull: 0.02,
      zones: { heel: moment(22, 250), belly: moment(22, 270), tip: moment(22, 320) },
    },
    {
      serviceName: 'lunch',
      startsAt: at(23),
      endsAt: at(24),
      chanceDull: 0.6,
      zones: { heel: moment(24, 260), belly: moment(24, 290), tip: moment(24, 370) },
    },
  ],
  learned: {} as EdgeStory['learned'],
  steel: {} as EdgeStory['steel'],
}
interface Drawn {
  readonly name?: string
  readonly x: readonly string[]
  readonly y: readonly number[]
}
const drawn = (zone: 'heel' | 'tip'): Drawn[] => edgeTraces(story, zone, tones, say) as unknown as Drawn[]
const named = (name: string, zone: 'heel' | 'tip' = 'tip'): Drawn | undefined =>
  drawn(zone).find((trace) => trace.name === name)

describe('the curve of an edge', () => {
  it('shows the readings of the zone in front, and the other zones behind it', () => {
    expect(named('read')?.y).toEqual([231])
    expect(named('read', 'heel')?.y).toEqual([205])
    expect(named('heel')?.y).toEqual([200, 240])
    expect(named('tip')?.y).toEqual([220, 300])
  })

  it('goes on from now into the services ahead', () => {
    expect(named('ahead')?.y).toEqual([300, 320, 370])
  })

  it('marks every honing, and a check that had no number', () => {
    expect(named('honed')?.x).toEqual([at(11)])
    expect(named('looked at')?.x).toEqual([at(13)])
  })

  it('shades services by their risk, draws the limit and names who stoned it', () => {
    const { shapes = [], annotations = [] } = edgeLayout(story, tones, say)
    const shaded = shapes.filter((shape) => shape.type === 'rect')
    expect(shaded.map((shape) => shape.y1)).toEqual([0.6])
    expect(shapes.some((shape) => shape.y0 === 350 && shape.y1 === 350)).toBe(true)
    expect(annotations.map((one) => one.text)).toEqual(['limit 350 gf', 'stoned, Oda'])
  })
})
