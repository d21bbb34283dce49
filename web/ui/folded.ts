/** A text as searching reads it: small letters without marks, so that é is found by e. */
export const folded = (text: string): string =>
  text
    .normalize('NFKD')
    .replaceAll(/\p{Mark}/gu, '')
    .replaceAll('ß', 'ss')
    .toLowerCase()
