'use client';
import { formatReserve } from '@/core/quantity';
import { zoneVerdict, type ZoneEvaluation } from '@/core/evaluate';
import type { Zone } from '@/core/document';

/** Zones that stand side by side in the grid. */
export const ZONES_SHOWN = 8;
const MARKS = { fails: '✕', thin: '△', meets: '✓', ample: '○', notProven: '?' } as const;

/** All zones of a part with more than fit side by side: where the grid stands among them, and how each one fares. */
export function ZoneStrip({
  zones,
  evaluations,
  target,
  first,
  zoneId,
  onZone,
}: {
  zones: readonly Zone[];
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  target: number;
  first: number;
  zoneId: string | null;
  onZone: (index: number) => void;
}) {
  return (
    <div
      className="zone-strip"
      role="group"
      aria-label={
        `Zones ${first + 1} to ` +
        `${Math.min(zones.length, first + ZONES_SHOWN)} of ` +
        `${zones.length} stand in the grid`
      }
    >
      {zones.map((zone, i) => {
        const evaluation = evaluations.get(zone.id);
        const reserve = evaluation?.governing?.reserveFactor;
        const verdict = evaluation ? zoneVerdict(evaluation, target) : null;
        const least = reserve === undefined ? 'not checked' : `least reserve ${formatReserve(reserve)}`;
        return (
          <button
            key={zone.id}
            type="button"
            tabIndex={-1}
            className={
              `${i >= first && i < first + ZONES_SHOWN ? 'shown' : ''} ` +
              `${zone.id === zoneId ? 'chosen' : ''} ${verdict ?? 'open'}`
            }
            title={`${zone.name}: ${verdict === 'notProven' ? 'not proven' : least}`}
            onClick={() => onZone(i)}
          >
            <span aria-hidden="true">{verdict ? MARKS[verdict] : '–'}</span> {zone.name}
          </button>
        );
      })}
    </div>
  );
}
