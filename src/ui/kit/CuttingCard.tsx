'use client';
import { cuttingSchema, USUAL_CUTTING, type Cutting } from '@/core/kit';
import type { Kept } from '../shared/useSetting';
import { YardCard } from '../shared/YardCard';

/** How the yard cuts: trim, laps, what is kept, what a cut takes. */
export function CuttingCard({ cutting, onKept }: { cutting: Kept<Cutting>; onKept: (kept: Kept<Cutting>) => void }) {
  return (
    <YardCard
      name="cutting"
      title="How we cut"
      schema={cuttingSchema}
      usual={USUAL_CUTTING}
      kept={cutting}
      onKept={onKept}
    />
  );
}
