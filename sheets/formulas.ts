/** What a spreadsheet begins a formula with, in half and full width. */
const STARTS = '[=+\\-@＝＋－＠]'
/**
 * Where a cell may begin for one spreadsheet or another: at its start, and behind what some of them part cells by, since a
 * file with commas is opened as one with semicolons in half of Europe.
 */
const BEGINNING = '(^|[;\\t\\r\\n][ \\u00a0]*)'

const WOULD_RUN = new RegExp(`${BEGINNING}('*${STARTS})`, 'g')
const MADE_HARMLESS = new RegExp(`${BEGINNING}'('*${STARTS})`, 'g')

/** Whether some spreadsheet would run a part of a text. */
export const wouldRun = (text: string): boolean => text.search(WOULD_RUN) >= 0

/** A text that no spreadsheet runs: an apostrophe before whatever would begin a formula. */
export const harmless = (text: string): string => text.replace(WOULD_RUN, "$1'$2")

/** A text as it was before {@link harmless}; one apostrophe less before what would begin a formula. */
export const asWritten = (text: string): string => text.replace(MADE_HARMLESS, '$1$2')

/** JSON whose texts no spreadsheet runs: what would begin a formula is written by its number. */
export const harmlessJson = (json: string): string =>
  json.replace(
    new RegExp(`([;\\t]\\s*)(${STARTS})`, 'g'),
    (_all, before: string, start: string) => `${before}\\u${start.charCodeAt(0).toString(16).padStart(4, '0')}`,
  )
