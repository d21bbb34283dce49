/** The three marked spots of an edge, heel to tip. */
export const ZONES = ['heel', 'belly', 'tip'] as const
export type Zone = (typeof ZONES)[number]
export type ByZone<T> = Readonly<Record<Zone, T>>

export const eachZone = <T>(make: (zone: Zone) => T): ByZone<T> => ({
  heel: make('heel'),
  belly: make('belly'),
  tip: make('tip'),
})
