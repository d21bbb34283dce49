import type { KnifeType } from '../knife/knifeTypes'
import type { Bladeless } from './outlines'

/** Form of a blade as shares of its length and height. */
export interface Form {
  /** straight part of the edge from the heel */
  readonly edgeFlat: number
  /** height at which the edge ends */
  readonly tipRise: number
  readonly edgePower: number
  /** how far the edge hollows between heel and belly, as a share of the height */
  readonly hollow?: number
  /** where along the edge the hollow ends; 0.6 where left out */
  readonly hollowEnds?: number
  /** how far both ends of the edge rise above its middle, as a share of the height */
  readonly rock?: number
  /** how far the spine sinks between its ends, as a share of the height */
  readonly spineBow?: number
  /** straight part of the spine; 1 makes a squared end */
  readonly spineStraight: number
  readonly spineTaper: number
  readonly spinePower: number
  readonly spineRound: number
}

/** Outlines of ordinary knives of each kind (drawn from common practice, measured on none). */
export const FORMS: Readonly<Record<Exclude<KnifeType, Bladeless>, Form>> = {
  chef: {
    edgeFlat: 0.3,
    tipRise: 0.34,
    edgePower: 2.3,
    spineStraight: 0.45,
    spineTaper: 0.04,
    spinePower: 2,
    spineRound: 1.25,
  },
  santoku: {
    edgeFlat: 0.5,
    tipRise: 0.12,
    edgePower: 2.2,
    spineStraight: 0.62,
    spineTaper: 0.03,
    spinePower: 2.4,
    spineRound: 1.5,
  },
  nakiri: {
    edgeFlat: 0.82,
    tipRise: 0.07,
    edgePower: 2,
    spineStraight: 1,
    spineTaper: 0.02,
    spinePower: 2,
    spineRound: 1,
  },
  petty: {
    edgeFlat: 0.4,
    tipRise: 0.38,
    edgePower: 2.2,
    spineStraight: 0.4,
    spineTaper: 0.05,
    spinePower: 1.8,
    spineRound: 1.15,
  },
  utility: {
    edgeFlat: 0.45,
    tipRise: 0.44,
    edgePower: 2.2,
    spineStraight: 0.45,
    spineTaper: 0.05,
    spinePower: 1.7,
    spineRound: 1.1,
  },
  paring: {
    edgeFlat: 0.35,
    tipRise: 0.4,
    edgePower: 2,
    spineStraight: 0.35,
    spineTaper: 0.06,
    spinePower: 1.7,
    spineRound: 1.1,
  },
  turning: {
    edgeFlat: 0,
    hollow: 0.24,
    hollowEnds: 1,
    tipRise: 0.02,
    edgePower: 2,
    spineStraight: 0.3,
    spineTaper: 0.02,
    spinePower: 2.2,
    spineRound: 1.25,
  },
  slicer: {
    edgeFlat: 0.68,
    tipRise: 0.5,
    edgePower: 2.6,
    spineStraight: 0.78,
    spineTaper: 0.06,
    spinePower: 2,
    spineRound: 1.3,
  },
  carving: {
    edgeFlat: 0.55,
    tipRise: 0.56,
    edgePower: 2.2,
    spineStraight: 0.6,
    spineTaper: 0.06,
    spinePower: 1.7,
    spineRound: 1.1,
  },
  'salmon-slicer': {
    edgeFlat: 0.94,
    tipRise: 0.42,
    edgePower: 2,
    spineStraight: 0.94,
    spineTaper: 0.06,
    spinePower: 2,
    spineRound: 2,
  },
  bread: {
    edgeFlat: 1,
    tipRise: 0,
    edgePower: 1,
    spineStraight: 0.86,
    spineTaper: 0.04,
    spinePower: 2,
    spineRound: 1.8,
  },
  sausage: {
    edgeFlat: 0.9,
    tipRise: 0.3,
    edgePower: 2,
    spineStraight: 0.6,
    spineTaper: 0.06,
    spinePower: 1.8,
    spineRound: 1.2,
  },
  cheese: {
    edgeFlat: 0.86,
    tipRise: 0.2,
    edgePower: 2,
    spineStraight: 0.8,
    spineTaper: 0.12,
    spinePower: 2,
    spineRound: 1.8,
  },
  rocker: {
    edgeFlat: 0,
    tipRise: 0,
    edgePower: 1,
    rock: 0.34,
    spineStraight: 1,
    spineTaper: 0,
    spinePower: 1,
    spineRound: 1,
  },
  mezzaluna: {
    edgeFlat: 0,
    tipRise: 0,
    edgePower: 1,
    rock: 0.86,
    spineStraight: 1,
    spineTaper: 0,
    spineBow: 0.42,
    spinePower: 1,
    spineRound: 1,
  },
  fillet: {
    edgeFlat: 0.35,
    tipRise: 0.62,
    edgePower: 1.9,
    spineStraight: 0.15,
    spineTaper: 0.06,
    spinePower: 1.3,
    spineRound: 1,
  },
  oyster: {
    edgeFlat: 0.2,
    tipRise: 0.5,
    edgePower: 1.7,
    spineStraight: 0.2,
    spineTaper: 0,
    spinePower: 1.7,
    spineRound: 1,
  },
  'boning-stiff': {
    edgeFlat: 0.45,
    hollow: 0.1,
    tipRise: 0.7,
    edgePower: 2.1,
    spineStraight: 0.3,
    spineTaper: 0.14,
    spinePower: 1.5,
    spineRound: 1,
  },
  'boning-curved': {
    edgeFlat: 0.3,
    hollow: 0.12,
    tipRise: 1,
    edgePower: 2,
    spineStraight: 0.25,
    spineTaper: 0.24,
    spinePower: 1.6,
    spineRound: 1,
  },
  'boning-flexible': {
    edgeFlat: 0.4,
    hollow: 0.14,
    tipRise: 0.85,
    edgePower: 2,
    spineStraight: 0.25,
    spineTaper: 0.12,
    spinePower: 1.4,
    spineRound: 1,
  },
  skinning: {
    edgeFlat: 0.12,
    tipRise: 1.02,
    edgePower: 2.2,
    spineStraight: 0.5,
    spineTaper: 0.14,
    spinePower: 2,
    spineRound: 1,
  },
  breaking: {
    edgeFlat: 0.25,
    tipRise: 1,
    edgePower: 1.9,
    spineStraight: 0.6,
    spineTaper: 0.1,
    spinePower: 1.6,
    spineRound: 1,
  },
  scimitar: {
    edgeFlat: 0.3,
    tipRise: 1.04,
    edgePower: 1.8,
    spineStraight: 0.72,
    spineTaper: 0.08,
    spinePower: 1.7,
    spineRound: 1,
  },
  cleaver: {
    edgeFlat: 0.55,
    tipRise: 0.06,
    edgePower: 2,
    spineStraight: 1,
    spineTaper: 0,
    spinePower: 2,
    spineRound: 1,
  },
  'single-bevel-slicer': {
    edgeFlat: 0.62,
    tipRise: 0.62,
    edgePower: 2.2,
    spineStraight: 0.7,
    spineTaper: 0.08,
    spinePower: 1.6,
    spineRound: 1.05,
  },
  'heavy-single-bevel': {
    edgeFlat: 0.3,
    tipRise: 0.3,
    edgePower: 2,
    spineStraight: 0.35,
    spineTaper: 0.04,
    spinePower: 1.7,
    spineRound: 1.1,
  },
  shears: {
    edgeFlat: 0.3,
    tipRise: 0.3,
    edgePower: 1.6,
    spineStraight: 0.1,
    spineTaper: 0.1,
    spinePower: 1.3,
    spineRound: 1,
  },
}
