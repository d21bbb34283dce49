import type { z } from 'zod'

/** A value nobody may change, however deep: what crossed the wire is what was said. */
export type DeepReadonly<T> = T extends readonly (infer Item)[]
  ? readonly DeepReadonly<Item>[]
  : T extends object
    ? { readonly [Key in keyof T]: DeepReadonly<T[Key]> }
    : T

/** Type of what a schema lets through, as it crosses the wire. */
export type Wire<Schema extends z.ZodType> = DeepReadonly<z.infer<Schema>>

/** The same value open for editing, however deep: the draft of a form. */
export type Editable<T> = T extends readonly (infer Item)[]
  ? Editable<Item>[]
  : T extends object
    ? { -readonly [Key in keyof T]: Editable<T[Key]> }
    : T
