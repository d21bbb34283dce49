/** Things by what they have in common, in the order they came. */
export function groupedBy<K, T>(things: Iterable<T>, key: (thing: T) => K): ReadonlyMap<K, readonly T[]> {
  const groups = new Map<K, T[]>()
  for (const thing of things) {
    const group = groups.get(key(thing))
    if (group) group.push(thing)
    else groups.set(key(thing), [thing])
  }
  return groups
}
