import { z } from 'zod'
import { byId, endpoint } from '../endpoint'
import { Ledger, Money, MoneyChange } from '../ledger'
import { HouseWeeks, SafetyFile } from '../papers'
import { Report } from '../report'
import { Day } from '../scalars'
import { NewStockCount, Stock, Supply } from '../stock'

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
  houseWeeks: endpoint(
    'get',
    '/api/ledger/weeks',
    'manage-house',
    'Services, dull hours, minutes, steel and cost, week by week and knife by knife',
    { query: z.object({ weeks: z.coerce.number().int().min(4).max(104).default(26) }), answer: HouseWeeks },
  ),
  safetyFile: endpoint(
    'get',
    '/api/safety-file',
    'manage-house',
    'Knives in use, checks, what left service and what was washed, between two days',
    {
      query: z
        .object({ from: Day, until: Day })
        .refine(({ from, until }) => from <= until, { params: { fault: 'span-backwards' } }),
      answer: SafetyFile,
    },
  ),
  stock: endpoint(
    'get',
    '/api/stock',
    'manage-gear',
    'Stones, pastes, oil, labels and test lines: what runs out when',
    {
      answer: Stock,
    },
  ),
  setSupply: endpoint('put', '/api/supplies/{id}', 'manage-gear', 'Add something to keep a stock of, or change it', {
    params: byId,
    body: Supply,
    answer: Stock,
  }),
  countSupply: endpoint(
    'post',
    '/api/supplies/{id}/counts',
    'manage-gear',
    'Say what is there; sending the same id again changes nothing',
    { params: byId, body: NewStockCount, answer: Stock },
  ),
} as const
