import type { Editable } from '../../contract/wire'

/** A copy of what the server said that a form may change. It is JSON, and may be wrapped in what makes it reactive. */
export const editableCopy = <T>(value: T): Editable<T> => JSON.parse(JSON.stringify(value)) as Editable<T>
