import type { Marking } from '../../contract/marks'

const base64url = (bytes: Uint8Array): string =>
  btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '')

const bytesOf = (text: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (one) => one.charCodeAt(0))

/**
 * Marks a text as made on this device by whoever is signed in, so that it can go out when somebody else is.
 *
 * @returns null where the browser signs nothing: a page over plain HTTP from another machine
 */
export async function markText(marking: Marking, text: string): Promise<string | null> {
  const subtle = (globalThis.crypto as Partial<Crypto> | undefined)?.subtle
  if (!subtle) return null
  const key = await subtle.importKey('raw', bytesOf(marking.key), { name: 'HMAC', hash: 'SHA-256' }, false, ['sign'])
  const mac = await subtle.sign('HMAC', key, new TextEncoder().encode(text))
  return `${marking.begin}.${base64url(new Uint8Array(mac))}`
}
