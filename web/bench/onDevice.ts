import type { BenchOffer, BenchSession, GearView, StackPiece } from '../../contract/bench'
import { DATA } from '../offline/kept'

/** What the bench needs of one knife, as it was when the server was last asked. */
export interface Brought {
  readonly offer: BenchOffer
  readonly gear: readonly GearView[]
  readonly pieces: readonly StackPiece[]
  readonly atMs: number
}

type Kind = 'brought' | 'running'
const addressOf = (kind: Kind, knifeId: string): string => `/kept/${kind}/${knifeId}`
/** Kept among what was read, so that it is forgotten with it when somebody else comes; none where the browser keeps nothing. */
const cache = async (): Promise<Cache | null> =>
  typeof caches === 'undefined' ? null : await caches.open(DATA).catch(() => null)

async function keep(kind: Kind, knifeId: string, value: unknown): Promise<void> {
  // a device without room is no worse off than one that kept nothing
  await (await cache())?.put(addressOf(kind, knifeId), Response.json(value)).catch(() => undefined)
}
async function kept<T>(kind: Kind, knifeId: string): Promise<T | null> {
  const found = await (await cache())?.match(addressOf(kind, knifeId))
  return found ? ((await found.json()) as T) : null
}

export const keepBrought = (knifeId: string, brought: Brought): Promise<void> => keep('brought', knifeId, brought)
export const brought = (knifeId: string): Promise<Brought | null> => kept<Brought>('brought', knifeId)

/** A session that runs on this device, as far as the server has heard of it. */
export const keepRunning = (session: BenchSession): Promise<void> => keep('running', session.knifeId, session)
export const runningHere = (knifeId: string): Promise<BenchSession | null> => kept<BenchSession>('running', knifeId)
export async function forgetRunning(knifeId: string): Promise<void> {
  await (await cache())?.delete(addressOf('running', knifeId))
}
