import encodeQR from 'qr'

/** A code drawn as squares: one path, in units of its squares. */
export interface QrDrawing {
  readonly size: number
  readonly path: string
}

/** Light squares that a code needs around it (ISO/IEC 18004). */
const QUIET = 4

/**
 * A QR code for a label. A quarter of it may be scratched or wet and it still reads (error correction Q of
 * ISO/IEC 18004).
 *
 * @param text capitals, figures and ` $%*+-./:` only
 */
export function qrPath(text: string): QrDrawing {
  const squares = encodeQR(text, 'raw', { ecc: 'quartile', encoding: 'alphanumeric', border: QUIET })
  const path = squares.flatMap((row, y) =>
    row.flatMap((dark, x) =>
      dark && !row[x - 1] ? [`M${x} ${y}h${row.slice(x).findIndex((one) => !one)}v1H${x}z`] : [],
    ),
  )
  return { size: squares.length, path: path.join('') }
}
