import { beatAdvice, beatScore, type DryDrill } from '../hands/beatScore'
import { burrAdvice, burrScore, type HuntedEdge } from '../hands/burrScore'
import { eyeAdvice, eyeScore, type ReadEdge } from '../hands/eyeScore'
import { adviceOn, holdScore, type Stroke } from '../hands/holdScore'
import { pressAdvice, pressScore, type PressedStroke } from '../hands/pressScore'

/** What an instrument told, or somebody said, in a drill of any kind. */
export type ToldDrill =
  | { readonly kind: 'hold'; readonly wantedDps: number; readonly strokes: readonly Stroke[] }
  | { readonly kind: 'press'; readonly strokes: readonly PressedStroke[] }
  | { readonly kind: 'burr'; readonly edges: readonly HuntedEdge[] }
  | { readonly kind: 'read'; readonly edges: readonly ReadEdge[] }
  | ({ readonly kind: 'dry' } & DryDrill)

/** Every drill says the same three things: what to work on, its figures, and one of them that shows progress. */
export function drillVerdict(drill: ToldDrill) {
  switch (drill.kind) {
    case 'hold': {
      const score = holdScore(drill.strokes, drill.wantedDps)
      // spread of the strokes and within them, degrees
      return {
        advice: adviceOn(score),
        figures: { ...score },
        progress: Math.hypot(score.withinDps, score.betweenDps),
      }
    }
    case 'press': {
      const score = pressScore(drill.strokes)
      return { advice: pressAdvice(score), figures: { ...score }, progress: score.endN / score.startN }
    }
    case 'burr': {
      const score = burrScore(drill.edges)
      return { advice: burrAdvice(score), figures: { ...score }, progress: 1 - score.right / score.zones }
    }
    case 'read': {
      const score = eyeScore(drill.edges)
      // how far off a reading of this eye is, bias and scatter together
      return {
        advice: eyeAdvice(score),
        figures: { ...score },
        progress: Math.hypot(Math.log(score.factor), score.logSd),
      }
    }
    case 'dry': {
      const score = beatScore(drill)
      return { advice: beatAdvice(score), figures: { ...score }, progress: Math.abs(score.lateShare) }
    }
  }
}
