import type { Data, Layout, Shape } from 'plotly.js'
import type { EdgeStory } from '../../contract/knives'
import { ZONES, type Zone } from '../../core/knife/zones'
import { DAY_MS } from '../../core/time'
import type { Say } from '../../words/say'
import { faint, type Tones } from '../charts/tones'

type Moment = EdgeStory['zones']['heel'][number]

/** Zones are told apart by the stroke as well as by the word beside it. */
const DASH: Readonly<Record<Zone, 'solid' | 'dash' | 'dot'>> = { heel: 'dot', belly: 'dash', tip: 'solid' }

const band = (points: readonly Moment[], tone: string): Partial<Data>[] => [
  {
    x: points.map(({ at }) => at),
    y: points.map(({ highGf }) => highGf),
    mode: 'lines',
    line: { width: 0 },
    hoverinfo: 'skip',
  },
  {
    x: points.map(({ at }) => at),
    y: points.map(({ lowGf }) => lowGf),
    mode: 'lines',
    line: { width: 0 },
    fill: 'tonexty',
    fillcolor: tone,
    hoverinfo: 'skip',
  },
]

const curve = (
  points: readonly Moment[],
  name: string,
  tone: string,
  dash: 'solid' | 'dash' | 'dot',
  width: number,
): Partial<Data> => ({
  x: points.map(({ at }) => at),
  y: points.map(({ forceGf }) => forceGf),
  mode: 'lines',
  name,
  line: { color: tone, width, dash },
  hovertemplate: `${name} %{y} gf<extra></extra>`,
})

/** What was believed, read and is coming, for one zone in front and the others behind it. */
export function edgeTraces(story: EdgeStory, zone: Zone, tones: Tones, say: Say): Partial<Data>[] {
  const past = story.zones[zone]
  const ahead = [...past.slice(-1), ...story.ahead.map((service) => service.zones[zone])]
  const others = ZONES.filter((other) => other !== zone)
  const read = story.readings.filter((reading) => reading.zone === zone)
  const honed = story.marks.filter(({ kind }) => kind === 'honed')
  const readAt = new Set(story.readings.map(({ at }) => at))
  // a check by eye, paper or fruit has no number to draw, but it was one
  const looked = story.marks.filter(({ kind, at }) => kind === 'checked' && !readAt.has(at))
  return [
    ...band(past, faint(tones.keen, 0.16)),
    ...band(ahead, faint(tones.ember, 0.16)),
    ...others.map((other) => curve(story.zones[other], say(`zone.${other}`), tones.soft, DASH[other], 1)),
    curve(past, say(`zone.${zone}`), tones.keen, 'solid', 2),
    curve(ahead, say('curve.ahead'), tones.ember, 'dash', 2),
    {
      x: read.map(({ at }) => at),
      y: read.map(({ forceGf }) => forceGf),
      mode: 'markers',
      name: say('curve.reading'),
      marker: { symbol: 'circle-open', size: 7, color: tones.ink, line: { width: 1.5 } },
      hovertemplate: `${say('curve.reading')} %{y} gf<extra></extra>`,
    },
    {
      x: looked.map(({ at }) => at),
      y: looked.map(() => LOWEST_GF + 22),
      mode: 'markers',
      name: say('curve.looked'),
      marker: { symbol: 'diamond-open', size: 8, color: tones.ink },
      text: looked.map(({ personName }) => personName ?? ''),
      hovertemplate: `${say('curve.looked')}, %{text}<extra></extra>`,
    },
    {
      x: honed.map(({ at }) => at),
      y: honed.map(() => LOWEST_GF + 8),
      mode: 'markers',
      name: say('curve.honed'),
      marker: { symbol: 'line-ns-open', size: 7, color: tones.soft, line: { width: 1 } },
      text: honed.map(({ personName }) => personName ?? ''),
      hovertemplate: `${say('curve.honed')}, %{text}<extra></extra>`,
    },
  ]
}

const LOWEST_GF = 100
/** A risk below this is not worth a shade. */
const SHADED_FROM = 0.05

/** Days the chart opens on: long enough for a life or two, short enough to see a service. */
const OPENS_ON_DAYS = 28

const upright = (at: string, line: Partial<Shape['line']>): Partial<Shape> => ({
  type: 'line',
  x0: at,
  x1: at,
  yref: 'paper',
  y0: 0,
  y1: 1,
  line,
  layer: 'below',
})

export function edgeLayout(story: EdgeStory, tones: Tones, say: Say, days: number = OPENS_ON_DAYS): Partial<Layout> {
  const now = new Date(story.now).getTime()
  const from = new Date(now - days * DAY_MS).toISOString()
  const last = story.ahead.at(-1)?.endsAt ?? new Date(now + 3 * DAY_MS).toISOString()
  const events = story.marks.filter(({ kind }) => kind !== 'honed' && kind !== 'checked')
  const seen = ZONES.flatMap((zone) => [
    ...story.zones[zone].filter(({ at }) => at >= from),
    ...story.ahead.map((service) => service.zones[zone]),
  ])
  const read = story.readings.filter(({ at }) => at >= from).map(({ forceGf }) => forceGf)
  const tallest = Math.max(story.limitGf * 1.15, ...seen.map(({ forceGf }) => forceGf), ...read)
  return {
    xaxis: { type: 'date', range: [from, last], hoverformat: '%a %e %b, %H:%M', tickformat: '%e %b' },
    yaxis: { range: [LOWEST_GF, tallest * 1.08], ticksuffix: ' gf' },
    shapes: [
      ...story.ahead
        .filter(({ chanceDull }) => chanceDull >= SHADED_FROM)
        .map(({ startsAt, endsAt, chanceDull }): Partial<Shape> => ({
          type: 'rect',
          x0: startsAt,
          x1: endsAt,
          yref: 'paper',
          y0: 0,
          y1: chanceDull,
          fillcolor: faint(tones.out, 0.28),
          line: { width: 0 },
          layer: 'below',
        })),
      {
        type: 'line',
        xref: 'paper',
        x0: 0,
        x1: 1,
        y0: story.limitGf,
        y1: story.limitGf,
        line: { color: tones.out, width: 1.5, dash: 'longdash' },
      },
      upright(story.now, { color: tones.ember, width: 2 }),
      ...events.map(({ at, kind }) =>
        upright(at, { color: tones.soft, width: 1.2, dash: kind === 'sharpened' ? 'solid' : 'dot' }),
      ),
    ],
    annotations: [
      {
        xref: 'paper',
        x: 1,
        xanchor: 'right',
        y: story.limitGf,
        yanchor: 'bottom',
        text: say('curve.limit', { limit: story.limitGf }),
        showarrow: false,
        font: { color: tones.out, size: 13 },
      },
      ...events
        .filter(({ at }) => at >= from)
        .map(({ at, kind, personName }) => ({
          x: at,
          yref: 'paper' as const,
          y: 1,
          yanchor: 'top' as const,
          xanchor: 'left' as const,
          xshift: 3,
          showarrow: false,
          textangle: '-90',
          text: say(`curve.${kind}`, { name: personName ?? '' }),
          font: { color: tones.soft, size: 12 },
        })),
    ],
  }
}
