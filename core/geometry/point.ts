/** A place on a drawing, mm. */
export interface Point {
  readonly x: number
  readonly y: number
}
