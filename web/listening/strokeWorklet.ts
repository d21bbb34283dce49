import { BandFrames } from '../../core/listening/bands'
import { StrokeEar, type HeardStroke, type StoneSound } from '../../core/listening/strokeEar'

/** The scope an audio worklet runs in, as far as it is used here; the DOM types do not have it. */
declare const sampleRate: number
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void

export type EarSays =
  { readonly kind: 'stroke'; readonly stroke: HeardStroke } | { readonly kind: 'stone'; readonly stone: StoneSound }

/** So many strokes and the stone is known in this room. */
const LEARNED_FROM = 8

/** Hears strokes where the sound is: levels of bands and counts leave it, never the sound. */
class StrokeProcessor extends AudioWorkletProcessor {
  private ear = this.listen(null)
  private count = 0
  private readonly frames = new BandFrames(sampleRate, (levels) => {
    this.ear.hear(levels)
  })

  constructor() {
    super()
    // null: another stone, which nobody has listened to yet
    this.port.onmessage = ({ data }: MessageEvent<StoneSound | null>) => {
      this.count = 0
      this.ear = this.listen(data)
    }
  }

  process(inputs: readonly (readonly Float32Array[])[]): boolean {
    const samples = inputs[0]?.[0]
    if (samples) this.frames.feed(samples)
    return true
  }

  private listen(stone: StoneSound | null): StrokeEar {
    const ear: StrokeEar = new StrokeEar((stroke) => {
      this.say({ kind: 'stroke', stroke })
      if (stone || ++this.count !== LEARNED_FROM) return
      const learned = ear.calibrated()
      if (learned) this.say({ kind: 'stone', stone: learned })
    }, stone ?? undefined)
    return ear
  }

  private say(what: EarSays): void {
    this.port.postMessage(what)
  }
}
registerProcessor('stroke-ear', StrokeProcessor)
