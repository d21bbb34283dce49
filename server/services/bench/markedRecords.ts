import type { z } from 'zod'
import { KeptRecord, type MarkedRecord } from '../../../contract/marks'
import type { Clock } from '../../clock'
import type { Database } from '../../db/database'
import { Fault } from '../../faults'
import { makerOf } from '../../signIn/marks'
import { actAs, type Caller } from '../../signIn/sessions'
import { recordCount } from '../fleet/counts'
import { recordEvents } from '../log/recordEvents'
import { actInSession, startSession } from './sessions'

/** A record as it was kept. @throws Fault where it is none */
function readRecord(text: string): KeptRecord {
  try {
    return KeptRecord.parse(JSON.parse(text))
  } catch {
    throw new Fault('invalid', 'invalid')
  }
}

/**
 * Takes what somebody recorded on a device and could not send before another signed in there: in the name of whoever made
 * it, with what they may do, whoever brings it.
 *
 * @throws Fault `other-person` where its mark does not hold; what its own address would refuse it for
 */
export async function takeMarkedRecord(
  db: Database,
  clock: Clock,
  carrier: Caller,
  marked: z.output<typeof MarkedRecord>,
): Promise<Record<string, never>> {
  const maker = await makerOf(db, carrier, marked, clock())
  const record = readRecord(marked.text)
  await actAs(maker, async () => {
    if (record.kind === 'event') await recordEvents(db, clock, maker, [record.event])
    else if (record.kind === 'count') await recordCount(db, clock, maker, record.count)
    else if (record.kind === 'touch') await actInSession(db, clock, maker, record.sessionId, [record.action])
    else {
      const { id, knifeId, besideId, begunAway } = record
      await startSession(db, clock, maker, { id, knifeId, choices: {}, begunAway, ...(besideId ? { besideId } : {}) })
    }
  })
  return {}
}
