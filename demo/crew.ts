import type { Skill } from '../core/house/skills'

/** Two benches of Hallow Quay. */
export const BENCHES = ['Window bench', 'Back bench'] as const

/** Gear that stays where it is; the rest goes where it is wanted. */
export const STAYS: Readonly<Record<string, (typeof BENCHES)[number]>> = {
  'Coarse 220': 'Window bench',
  'Diamond 400': 'Back bench',
}

const MAKES_EDGES: readonly Skill[] = ['hone', 'maintenance', 'full']

/** Who may do what; everybody else hones. */
export const SKILLS_OF: Readonly<Record<string, readonly Skill[]>> = {
  'Maren Voss': [...MAKES_EDGES, 'serrated', 'asymmetric', 'thinning', 'machine'],
  'Oda Finch': [...MAKES_EDGES, 'asymmetric', 'thinning'],
  'Corin Hale': [...MAKES_EDGES, 'serrated', 'asymmetric'],
  'Teun Aalders': [...MAKES_EDGES, 'thinning'],
  'Ilse Brandt': ['hone', 'maintenance'],
  'Leif Oster': ['hone', 'maintenance'],
}

interface Pattern {
  readonly weekdays: readonly number[]
  readonly starts: string
  readonly ends: string
}
const pattern = (weekdays: readonly number[], starts: string, ends: string): Pattern => ({ weekdays, starts, ends })

/** The weekly shifts; 1 is Monday. */
export const SHIFTS: Readonly<Record<string, readonly Pattern[]>> = {
  'Maren Voss': [pattern([2, 3, 4, 5, 6], '10:30', '22:30')],
  'Oda Finch': [pattern([2, 3, 4, 5, 6], '09:00', '17:30')],
  'Corin Hale': [pattern([3, 4, 5, 6, 7], '10:00', '15:30'), pattern([3, 5, 6], '16:30', '22:30')],
  'Teun Aalders': [pattern([1, 2, 3, 4, 5], '07:00', '15:45')],
  'Ilse Brandt': [pattern([1, 2, 3, 4, 5], '14:30', '22:30')],
  'Milo Tarn': [pattern([3, 4, 5, 6, 7], '14:00', '22:30')],
  'Wren Askew': [pattern([1, 2, 3, 6, 7], '10:00', '18:00')],
  'Leif Oster': [pattern([2, 3, 4, 5, 6], '15:00', '23:00')],
  'Nadia Corbel': [pattern([1, 2, 3, 4, 5], '06:00', '14:30'), pattern([5], '16:00', '21:00')],
  'Bram Kessel': [pattern([3, 4, 5, 6, 7], '12:00', '22:30')],
  'Edda Rowe': [pattern([1, 2, 5, 6, 7], '11:00', '22:30')],
  'Sunniva Holt': [pattern([2, 3, 4, 5, 6], '08:00', '16:30')],
  'Finn Harrow': [pattern([2, 3, 4, 5, 6], '09:30', '18:30')],
  'Kit Larkin': [pattern([4, 5, 6, 7, 1], '13:30', '22:30')],
}

/** Days that are not like the pattern, counted from today. */
export const DAYS_OFF: readonly { readonly name: string; readonly inDays: number; readonly note: string }[] = [
  { name: 'Teun Aalders', inDays: 2, note: 'day off in lieu' },
  { name: 'Wren Askew', inDays: 4, note: 'at a wedding' },
]

/** A banquet four days from now: no lunch, a long evening, and only the morning to sharpen in. */
export const BANQUET = {
  inDays: 4,
  name: 'Harbour banquet',
  spans: [
    { kind: 'quiet', name: 'morning', starts: '09:00', ends: '11:15' },
    { kind: 'service', name: 'banquet', starts: '17:00', ends: '23:00' },
  ],
} as const
