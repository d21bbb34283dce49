/** The first letters of a name, as they are chalked on a board. */
export const initialsOf = (name: string): string =>
  name
    .split(' ')
    .map((part) => [...part][0] ?? '')
    .join('')
