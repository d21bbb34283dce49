const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrome\//, 'Chrome'],
  [/Safari\//, 'Safari'],
]
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'macOS'],
  [/Linux/, 'Linux'],
]

/** A browser and its system as a person would call them, from what it calls itself; as it stands where it is another. */
export function agentName(agent: string): string {
  const named = [BROWSERS, SYSTEMS].flatMap((all) => all.find(([pattern]) => pattern.test(agent))?.[1] ?? [])
  return named.length > 0 ? named.join(', ') : agent.slice(0, 40) || '?'
}
