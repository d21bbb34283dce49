import type { WorkshopView } from '../../contract/workshop'
import { meanDps } from '../../core/knife/knifeTypes'
import type { WearAsk } from '../../core/workshop/budget'
import { lengthPerHeight } from '../../core/workshop/tip'
import { tenth } from '../../words/format'
import { say } from '../i18n'

/** The life of a single bevel is reckoned at no less than this, degrees per side. */
const LEAST_DPS = 5
export const lifeDps = (blade: { readonly dpsLeft: number; readonly dpsRight: number }): number =>
  Math.max(LEAST_DPS, meanDps(blade))

/** What a blade's life is reckoned from, as the workshop sees the blade. */
export function lifeAsk({ blade, life, type, lengthMm }: WorkshopView): WearAsk {
  const { heelHeightMm, bteMm, spineMm } = blade
  return {
    ...life,
    heelHeightMm,
    bteMm,
    spineMm,
    lengthMm,
    dps: lifeDps(blade),
    lengthPerHeight: lengthPerHeight({ type, lengthMm, heelHeightMm }),
  }
}

const MONTHS = 12
/** A span of years in words: months while there are few. */
export const lifeSpan = (years: number): string =>
  years < 2 ? say('workshop.months', { n: Math.round(MONTHS * years) }) : say('workshop.years', { n: tenth(years) })
