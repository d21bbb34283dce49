import { endpoint } from '../endpoint'
import { Ledger, Money, MoneyChange } from '../ledger'

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
  setMoney: endpoint('put', '/api/money', 'manage-house', 'Say what the house pays; a new currency needs its rate', {
    body: MoneyChange,
    answer: Money,
  }),
} as const
