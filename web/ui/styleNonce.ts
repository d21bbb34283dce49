/** The server's word that a style element made by a library is ours. */
export const styleNonce = document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce ?? ''
