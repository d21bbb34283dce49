import { readFile } from '../../sheets/readFile'
import { SheetFault, type Book, type Cell } from '../../sheets/sheet'
import { writeBook } from '../../sheets/writeBook'

export type SheetTask =
  | { readonly kind: 'read'; readonly bytes: Uint8Array; readonly name: string; readonly encoding: string | undefined }
  | { readonly kind: 'write'; readonly name: string; readonly rows: readonly (readonly Cell[])[] }
export type SheetAnswer =
  | { readonly kind: 'read'; readonly book: Book }
  | { readonly kind: 'written'; readonly bytes: Uint8Array }
  | { readonly kind: 'fault'; readonly key: string; readonly values: Readonly<Record<string, string | number>> }

/** Opens and writes files off the page's thread: whatever is in one, the page stays at hand. */
addEventListener('message', ({ data }: MessageEvent<SheetTask>) => {
  let answer: SheetAnswer
  try {
    answer =
      data.kind === 'read'
        ? { kind: 'read', book: readFile(data.bytes, data.name, data.encoding) }
        : { kind: 'written', bytes: writeBook([{ name: data.name, rows: data.rows }]) }
  } catch (error) {
    answer =
      error instanceof SheetFault
        ? { kind: 'fault', key: error.key, values: error.values }
        : { kind: 'fault', key: 'broken-file', values: {} }
  }
  postMessage(answer)
})
