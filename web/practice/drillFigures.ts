import type { Drill } from '../../contract/practice'
import { say } from '../i18n'
import type { Formats } from '../../words/format'
import { tenth } from '../../words/format'

export interface DrillFigure {
  readonly key: string
  readonly written: string
}

const HUNDRED = 100

/** The figures of a drill as they are read: degrees, newtons, shares and counts. */
export function drillFigures({ drill, verdict }: Drill, formats: Formats): DrillFigure[] {
  const figure = (name: string): number => verdict.figures[name] ?? 0
  const angle = (name: string): string => formats.angle(tenth(figure(name)))
  const percent = (share: number): string => say('practice.percent', { percent: Math.round(HUNDRED * share) })
  const row = (key: string, written: string): DrillFigure => ({ key, written })
  switch (drill.kind) {
    case 'hold':
      return [
        row('off', angle('offDps')),
        row('within', angle('withinDps')),
        row('between', angle('betweenDps')),
        row('drift', angle('driftDps')),
        row('tip', angle('tipLiftDps')),
      ]
    case 'press':
      return [
        row('start', formats.pressure(figure('startN'))),
        row('end', formats.pressure(figure('endN'))),
        row('along', percent(figure('alongShare'))),
      ]
    case 'burr':
      return [
        row('right', say('practice.of', { n: figure('right'), all: figure('zones') })),
        row('missed', String(figure('missed'))),
        row('imagined', String(figure('imagined'))),
      ]
    case 'read':
      return [row('factor', percent(figure('factor') - 1)), row('eye', percent(Math.exp(figure('logSd')) - 1))]
    case 'dry':
      return [row('late', percent(figure('lateShare')))]
  }
}

/** The one figure that shows progress, written, for a row of a list. */
export const progressOf = ({ drill, verdict }: Drill, formats: Formats): string =>
  drill.kind === 'hold'
    ? formats.angle(tenth(verdict.progress))
    : say('practice.percent', { percent: Math.round(HUNDRED * verdict.progress) })
