import { useQuery } from '@tanstack/react-query';
import { USUAL_RATES, type Offer, type PriceList, type Rates } from '@/core/cost';
import { api } from './api';

/** What a yard reckons cost and hours by. */
export interface YardBooks {
  rates: Rates;
  offers: readonly Offer[];
}
const usual: YardBooks = { rates: USUAL_RATES, offers: [] };

/** Rates and prices of the yard; null until they have come, the usual ones where the server does not answer. */
export function useYard(): YardBooks | null {
  const { data } = useQuery({
    queryKey: ['yard books'],
    queryFn: async (): Promise<YardBooks> => {
      const [rates, prices] = await Promise.all([
        api<{ body: Rates }>('GET', '/api/yard/rates'),
        api<{ body: PriceList }>('GET', '/api/yard/prices'),
      ]).catch(() => [{ body: usual.rates }, { body: { offers: [] } }] as const);
      return { rates: rates.body, offers: prices.body.offers };
    },
    structuralSharing: false,
  });
  return data ?? null;
}
