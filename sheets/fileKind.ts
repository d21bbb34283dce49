import { filetypeinfo } from 'magic-bytes.js'
import { SheetFault } from './sheet'

/** What a file is by its first bytes, as far as a table can be in it. */
export type FileKind = 'zip' | 'ole' | 'text'

const HEAD_BYTES = 4100
/** Kinds people drop by mistake, by the beginning of their media type; the word is the catalogue's `file.kind.<word>`. */
const WRONG: readonly (readonly [start: string, word: string])[] = [
  ['image/', 'picture'],
  ['video/', 'video'],
  ['audio/', 'sound'],
  ['application/pdf', 'pdf'],
  ['application/rtf', 'letter'],
  ['application/gzip', 'packed'],
  ['application/x-7z', 'packed'],
  ['application/x-rar', 'packed'],
  ['application/vnd.rar', 'packed'],
  ['application/x-sqlite', 'database'],
  ['application/vnd.sqlite', 'database'],
  ['application/x-msdownload', 'program'],
  ['application/x-elf', 'program'],
]
const OLE = [0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1, 0x1a, 0xe1]
const ZIP = [0x50, 0x4b]
const RTF = '{\\rtf'
/** Kinds a magic number does not tell from text with certainty: the signature must be longer than a chance. */
const startsWith = (bytes: Uint8Array, start: readonly number[]): boolean =>
  start.every((byte, at) => bytes[at] === byte)

/**
 * Tells what a file is.
 *
 * @throws SheetFault `empty-file` for no bytes, `wrong-kind` with a word for what is no table at all
 */
export function fileKind(bytes: Uint8Array): FileKind {
  if (bytes.length === 0) throw new SheetFault('empty-file')
  if (startsWith(bytes, OLE)) return 'ole'
  if (startsWith(bytes, ZIP)) return 'zip'
  const head = bytes.subarray(0, HEAD_BYTES)
  const start = new TextDecoder('latin1').decode(head.subarray(0, 400)).trimStart()
  if (start.startsWith(RTF)) throw new SheetFault('wrong-kind', { kind: 'letter' })
  if (/^(<!doctype html|<html)/i.test(start)) throw new SheetFault('wrong-kind', { kind: 'page' })
  const guesses = filetypeinfo(head).map(({ mime = '' }) => mime)
  const wrong = WRONG.find(([beginning]) => guesses.some((mime) => mime.startsWith(beginning)))
  if (wrong && !looksWritten(head)) throw new SheetFault('wrong-kind', { kind: wrong[1] })
  return 'text'
}

/** Letters, digits and line ends: a first word that happens to be somebody's magic number does not make a picture. */
function looksWritten(head: Uint8Array): boolean {
  if (head.length >= 5 && new TextDecoder('latin1').decode(head.subarray(0, 5)) === '%PDF-') return false
  return head.every((byte) => byte >= 0x20 || byte === 0x09 || byte === 0x0a || byte === 0x0d)
}
