'use client';
import { useQuery } from '@tanstack/react-query';
import type { Boat } from '@/core/document';
import { targetOf } from '@/core/evaluate';
import type { HeldByBoat } from '@/core/revision';
import { api } from './api';
import { EffectOf } from './EffectOf';
import { useEffectOf } from './useProofs';

/** What taking the yard's figures over would do to a boat. */
export function EffectOnBoat({ of }: { of: HeldByBoat }) {
  const { data } = useQuery({
    queryKey: ['boat to try', of.boatId, of.version],
    queryFn: () => api<{ boat: Boat }>('GET', `/api/boats/${of.boatId}`),
    structuralSharing: false,
  });
  return data ? <Tried boat={data.boat} of={of} /> : <p className="soft small mb-0">Reading {of.name} …</p>;
}

function Tried({ boat, of }: { boat: Boat; of: HeldByBoat }) {
  const { effect, current } = useEffectOf(boat, of.edits);
  return <EffectOf effect={effect} current={current} target={targetOf(boat)} />;
}
