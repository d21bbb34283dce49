import { toRaw } from 'vue'
import type { Editable } from '../../contract/wire'

/** A copy of what the server said that a form may change. */
export const editableCopy = <T>(value: T): Editable<T> => structuredClone(toRaw(value)) as Editable<T>
