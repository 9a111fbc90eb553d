'use client';
import { useState } from 'react';
import { Card } from 'react-bootstrap';
import { massBand, notCounted, SCATTER_SOURCES } from '@/core/weight';
import { formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';
import { CoreBondingCard } from './CoreBondingCard';
import { ImportItems } from './ImportItems';
import { ItemsCard } from './ItemsCard';
import { MassChart } from './MassChart';
import { MassTable } from './MassTable';
import { NotCountedCard } from './NotCountedCard';
import { useMasses } from './useMasses';

/** Everything that weighs: what is laid, what it is bonded with, and every item that comes aboard. */
export function AboardTab() {
  const { boat, evaluations, details, masses } = useMasses();
  const { full } = useUnits();
  const [importing, setImporting] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const problems = details.flatMap(({ detail, problem }) => (problem ? [{ name: detail.name, problem }] : []));
  const missing = notCounted(boat, masses, evaluations, problems);
  const band = massBand(masses);
  const [least, most] = [full(band.p05, 'mass'), full(band.p95, 'mass')];
  const said = `${full(band.mass, 'mass')} with everything aboard, nine times in ten between ${least} and ${most}`;
  const carriers = band.carriers.filter(({ share }) => share > 0.04).slice(0, 5);
  return (
    <>
      <div className="weights-columns mb-3">
        <Card>
          <Card.Body>
            <p className="fw-semibold mb-1">{said}</p>
            <MassChart masses={masses} />
            <p className="small soft mb-0">
              What makes it uncertain:{' '}
              {band.sources
                .filter(({ standardDeviation }) => standardDeviation > 0.05)
                .map(
                  ({ source, standardDeviation }) => `${SCATTER_SOURCES[source]} ±${full(standardDeviation, 'mass')}`,
                )
                .join(', ')}
              .
              {carriers.length > 0 && (
                <>
                  {' '}
                  Most of it in{' '}
                  {carriers.map(({ name, share }) => `${name} (${formatNumber(100 * share, 0)} %)`).join(', ')}.
                </>
              )}
            </p>
          </Card.Body>
        </Card>
        <div className="d-grid gap-3">
          <NotCountedCard boat={boat} missing={missing} onAdd={setChosen} />
          <CoreBondingCard boat={boat} />
          <ItemsCard boat={boat} chosen={chosen} onChoose={setChosen} onImport={() => setImporting(true)} />
        </div>
      </div>
      <Card>
        <Card.Body className="p-0 table-responsive">
          <MassTable masses={masses} onItem={setChosen} />
        </Card.Body>
      </Card>
      {importing && <ImportItems boat={boat} onClose={() => setImporting(false)} />}
    </>
  );
}
