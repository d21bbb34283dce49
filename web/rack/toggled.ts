/** A set with one member more, or less where it was there. */
export function toggled<T>(set: ReadonlySet<T>, member: T): ReadonlySet<T> {
  return set.has(member) ? new Set([...set].filter((one) => one !== member)) : new Set([...set, member])
}
