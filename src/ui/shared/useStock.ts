import { useQuery, useQueryClient } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import type { StockBooking, StockLine } from '@/core/kit';
import { api, wordsOf } from './api';

const keyOf = (material: string) => ['stock', material];

/** What lies in the store of a material, and how something is booked: all of it, or why not in words. */
export function useStock(material: string) {
  const cache = useQueryClient();
  const { data } = useQuery({
    queryKey: keyOf(material),
    queryFn: () => api<StockLine[]>('GET', `/api/stock?material=${encodeURIComponent(material)}`),
  });
  const book = async (booking: StockBooking): Promise<string | null> => {
    try {
      await api<StockLine[]>('POST', '/api/stock', booking);
      await cache.invalidateQueries({ queryKey: ['stock'] });
      return null;
    } catch (error) {
      return wordsOf(error);
    }
  };
  return { stock: data ?? null, book };
}

/** A new id of a lot or a movement. */
export const newStockId = () => `s-${nanoid(14)}`;
