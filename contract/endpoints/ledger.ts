import { z } from 'zod'
import { endpoint } from '../endpoint'
import { Ledger, Money, MoneyChange } from '../ledger'
import { Report } from '../report'

export const ledgerEndpoints = {
  ledger: endpoint(
    'get',
    '/api/ledger',
    'manage-house',
    'What knives cost, what has to be bought, and who grinds how',
    {
      answer: Ledger,
    },
  ),
  report: endpoint('get', '/api/reports/{month}', 'manage-house', 'A month of the house on one page', {
    params: z.object({ month: z.string().regex(/^20\d\d-(0[1-9]|1[0-2])$/) }),
    answer: Report,
  }),
  setMoney: endpoint('put', '/api/money', 'manage-house', 'Say what the house pays; a new currency needs its rate', {
    body: MoneyChange,
    answer: Money,
  }),
} as const
