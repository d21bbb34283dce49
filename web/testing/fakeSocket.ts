/** A line to the instruments that a test speaks and listens on in place of a house's. */
export class FakeSocket extends EventTarget {
  static readonly OPEN = 1
  static readonly all: FakeSocket[] = []
  readonly sent: string[] = []
  readyState = 0
  constructor(readonly url: string) {
    super()
    FakeSocket.all.push(this)
  }

  send(line: string): void {
    this.sent.push(line)
  }
  close(): void {
    this.readyState = 3
    this.dispatchEvent(new Event('close'))
  }

  open(): void {
    this.readyState = FakeSocket.OPEN
    this.dispatchEvent(new Event('open'))
  }

  say(...lines: readonly string[]): void {
    for (const data of lines) this.dispatchEvent(new MessageEvent('message', { data }))
  }

  static last(): FakeSocket {
    const last = FakeSocket.all.at(-1)
    if (!last) throw new Error('nobody has opened a line')
    return last
  }
}
