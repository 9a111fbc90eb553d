'use client';
import { fillingSchema, USUAL_FILLING, type Filling } from '@/core/fill';
import type { Kept } from '../shared/useSetting';
import { YardCard } from '../shared/YardCard';

const ADDITIONS = {
  fabrics: { family: 'biaxial', along: 50, across: 50, through: 1, fraction: 0.5 },
  stack: { name: 'Breather', covers: 'part', extra: 0.1 },
};

/** How cloth lets resin through, and how the yard bags and fills. */
export function FillingCard({ filling, onKept }: { filling: Kept<Filling>; onKept: (kept: Kept<Filling>) => void }) {
  return (
    <YardCard
      name="filling"
      title="How we fill, and what our cloth lets through"
      schema={fillingSchema}
      usual={USUAL_FILLING}
      kept={filling}
      additions={ADDITIONS}
      onKept={onKept}
    />
  );
}
