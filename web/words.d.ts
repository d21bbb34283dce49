/** Parts of a catalogue, as scripts/catalogueParts.ts makes them. */
declare module 'virtual:words/*' {
  const words: Record<string, object>
  export default words
}
