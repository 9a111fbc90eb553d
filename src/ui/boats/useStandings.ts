'use client';
import { useQueries } from '@tanstack/react-query';
import pLimit from 'p-limit';
import type { Standing } from '@/core/option';
import type { BoatSummary } from '@/core/revision';
import { api } from '../shared/api';

/** What is known of a boat's standing: not yet, or that it does not read. */
export type KnownStanding = Standing | 'waiting' | 'unread';

/** A browser keeps few lines to a server: some stay free, so that a click is answered while a long list is computed. */
const fewAtOnce = pLimit(3);

/** What boats come to, as the answers arrive; one that has not changed is not asked for again. */
export function useStandings(boats: readonly BoatSummary[]): ReadonlyMap<string, KnownStanding> {
  return useQueries({
    queries: boats.map(({ id, version }) => ({
      queryKey: ['standing', id, version],
      queryFn: () => fewAtOnce(() => api<Standing>('GET', `/api/boats/${id}/standing`)),
      staleTime: Infinity,
    })),
    combine: (results) =>
      new Map(
        boats.map(({ id }, i): [string, KnownStanding] => {
          const { data, isError } = results[i]!;
          return [id, data ?? (isError ? 'unread' : 'waiting')];
        }),
      ),
  });
}

/** Zones, stiffeners and details that fail. */
export const failuresOf = ({ zones, stiffenersFailing, detailsFailing }: Standing): number =>
  zones.failing + stiffenersFailing + detailsFailing;
