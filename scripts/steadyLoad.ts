/** Asks one address at a steady rate and prints what it saw as JSON: url, cookie, requests a second, seconds. */
const [url = '', cookie = '', rate = '50', seconds = '10'] = process.argv.slice(2)
const total = Number(rate) * Number(seconds)
const spent: number[] = []
let failures = 0
let sent = 0

async function ask(): Promise<void> {
  const started = performance.now()
  try {
    const response = await fetch(url, { headers: { cookie } })
    await response.arrayBuffer()
    if (!response.ok) failures += 1
  } catch {
    failures += 1
  }
  spent.push(performance.now() - started)
}

const inFlight: Promise<void>[] = []
const timer = setInterval(
  () => {
    sent += 1
    inFlight.push(ask())
    if (sent < total) return
    clearInterval(timer)
    void Promise.all(inFlight).then(() => {
      spent.sort((a, b) => a - b)
      const at = (share: number): number => spent[Math.floor(share * (spent.length - 1))] ?? 0
      console.log(JSON.stringify({ requests: spent.length, failures, p50: at(0.5), p95: at(0.95), p99: at(0.99) }))
    })
  },
  1000 / Number(rate),
)
