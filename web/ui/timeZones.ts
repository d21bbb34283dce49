/** Time zones to choose from, IANA names; the one that stands now is among them even where this browser does not list it. */
export function timeZoneChoices(now: string): { value: string; label: string }[] {
  const names = new Set([...Intl.supportedValuesOf('timeZone'), 'UTC', now])
  return [...names].sort().map((value) => ({ value, label: value }))
}
