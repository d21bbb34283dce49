/** The parts of every catalogue, as scripts/catalogueParts.ts makes them. */
declare module 'virtual:words' {
  type Loaded = Promise<{ readonly default: object }>
  const parts: Readonly<Record<string, { readonly first: () => Loaded; readonly rest: () => Loaded }>>
  export default parts
}
