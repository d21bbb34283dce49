import type { TableName } from '../../../contract/exchange'
import { LANGUAGES } from '../../../contract/languages'
import { speaker } from '../../../words/say'

/** What Yorvik itself calls a column, in every language it speaks: a list titled after one screen is read at another. */
export const ownTitles = (table: TableName, key: string): readonly string[] =>
  LANGUAGES.map((language) => speaker(language)(`column.${table}.${key}.name`))
