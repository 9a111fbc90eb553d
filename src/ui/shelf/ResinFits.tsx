'use client';
import { COMPATIBILITIES, resinCompatibility, type Compatibility, type Material, type Resin } from '@/core/material';

const LOOKS: Record<Compatibility, string> = { suits: 'meets', withCare: 'thin', never: 'fails' };
const MARKS: Record<Compatibility, string> = { suits: '✓', withCare: '△', never: '✕' };

/** Cores and binders that a resin goes with, what it must not touch first. */
export function ResinFits({ resin, materials }: { resin: Resin; materials: readonly Material[] }) {
  const { cores, binders } = resinCompatibility(resin, materials);
  const order: Compatibility[] = ['never', 'withCare', 'suits'];
  const rows = [...cores, ...binders];
  return (
    <>
      <h3 className="mt-2">Goes with</h3>
      <dl className="facts">
        {order.map((verdict) => {
          const names = rows.filter((row) => row.verdict === verdict);
          return (
            names.length > 0 && (
              <div key={verdict} className="mb-1">
                <dt>
                  <span className={`verdict ${LOOKS[verdict]}`}>
                    <span aria-hidden="true">{MARKS[verdict]}</span> {COMPATIBILITIES[verdict]}
                  </span>
                </dt>
                <dd className="text-start fw-normal small mb-0">
                  {names.map(({ name, reason }) => (reason ? `${name} (${reason})` : name)).join(', ')}
                </dd>
              </div>
            )
          );
        })}
      </dl>
    </>
  );
}
