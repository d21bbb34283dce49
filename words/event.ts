import type { TimelineEvent } from '../contract/events'
import type { SectionMeasure } from '../contract/workshop'
import type { EventPayloads } from '../core/edge/model/events'
import type { Formats } from './format'
import type { Say } from './say'

export interface Names {
  readonly station: (id: string) => string
  readonly person: (id: string) => string
}

const average = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

function checkedWords(payload: EventPayloads['checked'], say: Say, formats: Formats): string {
  const readings = payload.readings.map(
    ({ zone, forcesGf }) => `${say(`zone.${zone}`)} ${formats.force(average(forcesGf))}`,
  )
  const rungs = payload.ladder.map(({ zone, rung }) =>
    say('event.rung', { zone: say(`zone.${zone}`), rung: say(`ladder.${rung}`) }),
  )
  const { defects } = payload
  const found = defects
    ? [
        ...(defects.chip
          ? [
              say('event.chip', {
                zone: say(`zone.${defects.chip.zone}`),
                depth: formats.thickness(defects.chip.depthMm),
              }),
            ]
          : []),
        ...defects.glint.map((zone) => say('event.glint', { zone: say(`zone.${zone}`) })),
        ...(['burrLeft', 'wedges', 'tipBent', 'tipGone', 'handleLoose', 'cracked'] as const).flatMap((defect) =>
          defects[defect] ? [say(`defect.${defect}`)] : [],
        ),
      ]
    : []
  return say('event.checked', { found: [...readings, ...rungs, ...found].join(', ') || say('event.noDefect') })
}

/** What workshop work left of a blade, for the line of its session. */
function leftWords(
  { bteMm, lengthLossMm, chipLeftMm }: EventPayloads['sharpened'],
  say: Say,
  formats: Formats,
): string[] {
  return [
    bteMm === undefined ? '' : say('event.leftThick', { thickness: formats.thickness(bteMm) }),
    lengthLossMm === undefined ? '' : say('event.leftShorter', { length: formats.length(lengthLossMm) }),
    chipLeftMm === undefined ? '' : say('event.leftChip', { depth: formats.thickness(chipLeftMm) }),
  ]
}

/** One line of a knife's history. The payload was checked by the server's schema when it was written. */
export function eventSentence(event: TimelineEvent, say: Say, formats: Formats, names: Names): string {
  const payload = event.payload as Partial<EventPayloads[keyof EventPayloads]> & Record<string, unknown>
  switch (event.kind) {
    case 'checked':
      return checkedWords(payload as EventPayloads['checked'], say, formats)
    case 'honed': {
      const honed = payload as EventPayloads['honed']
      const tool = say(`tool.${honed.tool}`)
      const base = honed.strokesPerSide
        ? say('event.honedCount', { tool, strokes: honed.strokesPerSide })
        : say('event.honed', { tool })
      return honed.cameBack ? `${base} ${say(`event.cameBack.${honed.cameBack}`)}` : base
    }
    case 'came-back':
      return say(`event.came-back.${String(payload['said'])}`)
    case 'sharpened': {
      const sharpened = payload as EventPayloads['sharpened']
      const from = sharpened.startGrit ? say('event.from', { grit: formats.grit(sharpened.startGrit) }) : ''
      const time = sharpened.minutes ? formats.minutes(sharpened.minutes) : ''
      return [
        say('event.sharpened', { micron: formats.amount(sharpened.finishMicron) }),
        from,
        time,
        sharpened.claimed ? say('event.claimed') : '',
        ...leftWords(sharpened, say, formats),
      ]
        .filter((part) => part !== '')
        .join(', ')
    }
    case 'measured': {
      const measured = payload as EventPayloads['measured'] & { readonly sections?: readonly SectionMeasure[] }
      const parts = [
        measured.heelHeightMm === undefined
          ? ''
          : `${say('field.heelHeightMm')} ${formats.length(measured.heelHeightMm)}`,
        measured.spineMm === undefined ? '' : `${say('field.spineMm')} ${formats.length(measured.spineMm)}`,
        measured.bteMm === undefined ? '' : `${say('field.bteMm')} ${formats.thickness(measured.bteMm)}`,
        ...(measured.sections ?? []).map(({ zone }) => say('event.section', { zone: say(`zone.${zone}`) })),
      ]
      return say('event.measured', { found: parts.filter((part) => part !== '').join(', ') })
    }
    case 'moved': {
      const moved = payload as EventPayloads['moved']
      const parts = [
        moved.stationId === undefined ? '' : say('event.toStation', { station: names.station(moved.stationId) }),
        moved.holderId === undefined
          ? ''
          : moved.holderId === null
            ? say('event.putDown')
            : say('event.toPerson', { person: names.person(moved.holderId) }),
      ]
      return parts.filter((part) => part !== '').join(' ')
    }
    case 'sent-out': {
      const sentOut = payload as EventPayloads['sent-out']
      const due = sentOut.dueOn ? say('event.dueOn', { day: formats.shortDay(`${sentOut.dueOn}T12:00:00Z`) }) : ''
      return [say('event.sent-out', { name: sentOut.to }), due].filter((part) => part !== '').join(' ')
    }
    case 'returned': {
      const back = payload as EventPayloads['returned']
      return [
        say(back.ground ? 'event.returned' : 'event.returnedAsWas'),
        back.dps === undefined ? '' : say('event.atAngle', { angle: formats.angle(back.dps) }),
        back.note ?? '',
      ]
        .filter((part) => part !== '')
        .join(' ')
    }
    case 'used':
      return say('event.used', { hours: formats.hours(Number(payload['hours'])) })
    case 'added':
      return say(payload['condition'] === 'new' ? 'event.addedNew' : 'event.addedInUse')
    default:
      return say(`event.${event.kind}`, { reason: String(payload['reason'] ?? payload['note'] ?? '') })
  }
}
