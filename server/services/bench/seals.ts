import { createHmac, timingSafeEqual } from 'node:crypto'
import { BenchPlan } from '../../../contract/bench'
import type { Skill } from '../../../core/house/skills'
import { DAY_MS } from '../../../core/time'
import type { Database } from '../../db/database'
import { Fault } from '../../faults'
import { keyOfHouse } from '../../signIn/marks'
import type { Caller } from '../../signIn/sessions'

/** A tablet is two days away from every network at the most (assumed); after that knives have changed too much. */
const HOLDS_MS = 2 * DAY_MS

/** What a device may begin by itself: this plan, for this knife, by this person. */
export interface Sealed {
  readonly knifeId: string
  readonly plan: BenchPlan
  readonly skill: Skill | null
}

async function macOf(db: Database, caller: Caller, sealed: Sealed, issuedMs: number): Promise<Buffer> {
  const key = await keyOfHouse(db, caller.house.id)
  // read by its schema first, so that it is written alike on its way out and on its way back
  const plan = BenchPlan.parse(sealed.plan)
  const text = JSON.stringify([caller.house.id, caller.person.id, sealed.knifeId, sealed.skill, issuedMs, plan])
  return createHmac('sha256', key).update(text).digest()
}

/** Signs a plan, so that a device without a network may begin by it and this server knows it again. */
export async function seal(db: Database, caller: Caller, sealed: Sealed, now: Date): Promise<string> {
  const mac = await macOf(db, caller, sealed, now.getTime())
  return `${now.getTime()}.${mac.toString('base64url')}`
}

/** When a plan was signed. @throws Fault `seal` where it was not signed here, for this person and knife, within two days */
export async function sealedAt(db: Database, caller: Caller, sealed: Sealed, text: string, now: Date): Promise<Date> {
  const [issued = '', mac = ''] = text.split('.')
  const issuedMs = Number(issued)
  const wanted = await macOf(db, caller, sealed, issuedMs)
  const given = Buffer.from(mac, 'base64url')
  const isOwn = given.length === wanted.length && timingSafeEqual(given, wanted)
  if (!isOwn || now.getTime() - issuedMs > HOLDS_MS) throw new Fault('conflict', 'seal')
  return new Date(issuedMs)
}
