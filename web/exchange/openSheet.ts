import { MOST_HOUSE_BYTES } from '../../contract/wholeHouse'
import type { HouseAsRows } from '../../sheets/houseFolder'
import { MOST_FILE_BYTES, SheetFault, type Book, type Cell } from '../../sheets/sheet'
import type { SheetAnswer, SheetTask } from '../workers/sheetWorker'

/** No file of a kitchen takes longer; one that does was made to. */
const MOST_MS = 30_000

/** Does one task in a worker of its own, which is ended whatever it has come to when time is up or nobody waits. */
async function inWorker(task: SheetTask, signal: AbortSignal): Promise<SheetAnswer> {
  const worker = new Worker(new URL('../workers/sheetWorker.ts', import.meta.url), { type: 'module' })
  try {
    return await new Promise<SheetAnswer>((settle, fail) => {
      const timer = setTimeout(() => {
        fail(new SheetFault('stopped'))
      }, MOST_MS)
      signal.addEventListener('abort', () => {
        fail(new DOMException('stopped', 'AbortError'))
      })
      worker.onmessage = ({ data }: MessageEvent<SheetAnswer>) => {
        clearTimeout(timer)
        settle(data)
      }
      // a worker that ran out of memory says no more than that
      worker.onerror = () => {
        fail(new SheetFault('broken-file'))
      }
      worker.postMessage(task)
    })
  } finally {
    worker.terminate()
  }
}

/**
 * A file as sheets of cells, or as the whole house that it is.
 *
 * @throws SheetFault with what is wrong with it; AbortError when nobody waits for it any more
 */
export async function openFile(
  file: File,
  encoding: string | undefined,
  signal: AbortSignal,
): Promise<{ readonly book: Book } | { readonly house: HouseAsRows }> {
  const isHouse = /\.(json|zip)$/i.test(file.name)
  const most = isHouse ? MOST_HOUSE_BYTES : MOST_FILE_BYTES
  if (file.size > most) throw new SheetFault('too-big', { most: most / 1e6 })
  const bytes = new Uint8Array(await file.arrayBuffer())
  const answer = await inWorker({ kind: 'read', bytes, name: file.name, encoding }, signal)
  if (answer.kind === 'fault') throw new SheetFault(answer.key, answer.values)
  if (answer.kind === 'house') return { house: answer.house }
  if (answer.kind !== 'read') throw new SheetFault('broken-file')
  return { book: answer.book }
}

/** Rows as an .xlsx file. */
export async function sheetFile(name: string, rows: readonly (readonly Cell[])[]): Promise<Blob> {
  const answer = await inWorker({ kind: 'write', name, rows }, new AbortController().signal)
  if (answer.kind !== 'written') throw new SheetFault('broken-file')
  return new Blob([answer.bytes as Uint8Array<ArrayBuffer>])
}
