/** The first screen is drawn and read by then: fetching everything else beside it would hold it up. */
const AFTER_MS = 5000

/** Has the browser keep the app, so that it opens without a network; after the first screen, which it must not hold up. */
export function keepForOffline(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  const register = (): void => {
    setTimeout(() => {
      // a browser that will not, or a page that is not served safely, works as it always did
      navigator.serviceWorker.register('/sw.js', { scope: '/' }).catch(() => undefined)
    }, AFTER_MS)
  }
  // the words of the first screen may have come after everything else had
  if (document.readyState === 'complete') register()
  else window.addEventListener('load', register)
}
