import { GEAR_KINDS } from '../../core/abrasive/gear'
import type { TableName } from '../../contract/exchange'
import { PERSON_ROLES } from '../../core/house/rights'
import { GRINDS, KNIFE_TYPES } from '../../core/knife/knifeTypes'
import { ZONES } from '../../core/knife/zones'
import type { Formats } from '../../words/format'
import { say } from '../i18n'

interface Option {
  readonly value: string
  readonly label: string
}
const options = (group: string, values: readonly string[]): Option[] =>
  values.map((value) => ({ value, label: say(`${group}.${value}`) }))
const plainly = (values: readonly string[]): Option[] => values.map((value) => ({ value, label: value }))

/** What a cell of a column can be, where that is one of a set; null where it is anything. */
export function optionsOf(table: TableName, column: string): readonly Option[] | null {
  switch (column) {
    case 'type':
      return options('type', KNIFE_TYPES)
    case 'kind':
      return table === 'gear' ? plainly(GEAR_KINDS) : null
    case 'role':
      return options('person', PERSON_ROLES)
    case 'grind':
      return options('grind', GRINDS)
    case 'state':
      return options('status', ['in-service', 'quarantined', 'missing', 'retired'])
    case 'zone':
      return options('zone', ZONES)
    case 'serrated':
    case 'reactive':
    case 'active':
      return [
        { value: 'yes', label: say('exchange.yes') },
        { value: 'no', label: say('exchange.no') },
      ]
    case 'weekday':
      return plainly(['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'])
    default:
      return null
  }
}

/** Columns of millimetres. */
const IN_MM = new Set(['length', 'height', 'spine', 'thickness', 'thickness_new', 'dish'])

/** A value as it will stand, in the words and units of the house. */
export function shownValue(table: TableName, column: string, value: string, formats: Formats): string {
  if (value === '') return ''
  const number = Number(value)
  if (IN_MM.has(column) && Number.isFinite(number))
    return column === 'length' || column === 'height' ? formats.length(number) : formats.thickness(number)
  return optionsOf(table, column)?.find((option) => option.value === value)?.label ?? value
}
