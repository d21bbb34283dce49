/** Drops the fields a patch leaves out, so that `undefined` never overwrites. */
export function applyPatch<T extends object>(before: T, patch: { readonly [K in keyof T]?: T[K] | undefined }): T {
  return { ...before, ...Object.fromEntries(Object.entries(patch).filter(([, value]) => value !== undefined)) }
}
