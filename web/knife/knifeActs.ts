import type { RouteLocationRaw } from 'vue-router'
import type { KnifeView } from '../../contract/knives'
import type { Right } from '../../core/house/rights'
import { isCountedOnly } from '../../core/knife/knifeTypes'
import type { KnifeDialog } from './KnifeDialogs.vue'

/** One thing a person can do with a knife: where it leads, what it asks, or `hone` for the honing that was done. */
export interface KnifeAct {
  /** its words, under `knife.act` of the catalogue */
  readonly key: string
  readonly to?: RouteLocationRaw
  readonly dialog?: KnifeDialog
  readonly hone?: true
}

export interface KnifeActs {
  /** what the verdict says to do: the one dark key; nothing where it says to leave the knife */
  readonly first: KnifeAct | null
  /** the verdict's runner-up */
  readonly second: KnifeAct | null
  readonly more: readonly KnifeAct[]
}

/** What needs an edge that somebody keeps. */
const ON_AN_EDGE: ReadonlySet<string> = new Set(['check', 'measure', 'send-out', 'practice'])

/** The keys of a knife's page follow its verdict; whatever else can be done stands behind them. */
export function knifeActs(knife: KnifeView, may: (right: Right) => boolean): KnifeActs {
  const acts = actsByState(knife, may)
  if (!isCountedOnly(knife.type)) return acts
  const ofAThing = (act: KnifeAct | null): KnifeAct | null => (act && ON_AN_EDGE.has(act.key) ? null : act)
  return {
    first: ofAThing(acts.first),
    second: ofAThing(acts.second),
    more: acts.more.filter(({ key }) => !ON_AN_EDGE.has(key)),
  }
}

function actsByState(knife: KnifeView, may: (right: Right) => boolean): KnifeActs {
  const params = { code: knife.code }
  const check: KnifeAct = { key: 'check', to: { name: 'check', params } }
  const hone: KnifeAct = { key: 'honed', hone: true }
  const bench: KnifeAct = { key: 'bench', to: { name: 'bench', params } }
  const workshop: KnifeAct = { key: 'workshop', to: { name: 'workshop', params } }
  const asked = (dialog: KnifeDialog): KnifeAct => ({ key: dialog, dialog })
  const edit = may('edit-knife') ? [asked('edit')] : []
  const retire = may('retire-knife') && knife.status !== 'retired' ? [asked('retire')] : []
  const release = may('release') ? [asked('release')] : []
  const move = may('move-knife') ? [asked('move')] : []

  const practice = may('edit-knife') ? [asked('practice')] : []
  if (knife.status === 'practice')
    return { first: bench, second: null, more: [check, asked('measure'), ...release, ...edit, ...retire] }
  if (knife.status === 'retired') return { first: null, second: null, more: [...practice, ...release, ...edit] }
  if (knife.status === 'missing') return { first: asked('found'), second: null, more: [...move, ...edit, ...retire] }
  if (knife.status === 'away') return { first: asked('return'), second: null, more: [...edit, ...retire] }
  if (knife.status === 'counted')
    return { first: null, second: null, more: [...move, asked('quarantine'), asked('missing'), ...edit, ...retire] }
  if (knife.status !== 'in-service') {
    const [first = check] = release
    const sendOut = may('move-knife') && knife.status === 'quarantined' ? [asked('send-out')] : []
    return {
      first,
      second: first === check ? null : check,
      more: [asked('measure'), ...move, ...sendOut, ...edit, ...retire],
    }
  }
  const actOf = (action: KnifeView['verdict']['action']): KnifeAct | null => {
    switch (action) {
      case 'quarantine':
        return asked('quarantine')
      case 'hone':
        return hone
      case 'check':
        return check
      case 'change-role':
        return edit[0] ?? null
      case 'none':
        return null
      case 'repair':
      case 'stone':
      case 'thin':
      case 'touch-up':
        return bench
    }
  }
  const first = actOf(knife.verdict.action)
  const runnerUp = knife.verdict.runnerUp && actOf(knife.verdict.runnerUp.action)
  const second = runnerUp && runnerUp.key !== first?.key ? runnerUp : null
  const all = [
    check,
    hone,
    bench,
    workshop,
    ...(may('log-sharpening') ? [asked('sharpened')] : []),
    asked('measure'),
    ...move,
    asked('quarantine'),
    asked('missing'),
    ...(may('move-knife') ? [asked('send-out')] : []),
    ...practice,
    ...edit,
    ...retire,
  ]
  return { first, second, more: all.filter(({ key }) => key !== first?.key && key !== second?.key) }
}
