'use client';
import { useMemo } from 'react';
import { Alert, Button, Card } from 'react-bootstrap';
import { boatCost } from '@/core/cost';
import { evaluateDetails } from '@/core/detail/kinds';
import { KeramosError } from '@/core/error';
import { makeEvaluator } from '@/core/evaluate';
import { drawnBesides, type Filling } from '@/core/fill';
import { mixingPlan, purchaseList, type Cutting, type Mixing, type MixingPlan, type Purchase } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { useYard } from '../shared/useYard';
import { usePieces } from './usePieces';

const HEADS: Readonly<Record<Purchase['kind'], string>> = {
  cloth: 'Cloth',
  core: 'Core',
  resin: 'Resin',
  hardener: 'Hardener',
  coating: 'Coatings',
  other: 'Other',
  consumable: 'Consumables',
};

/** One purchase list for the boat, with whole rolls and sheets. */
export function BuyTab({ cutting, mixing, filling }: { cutting: Cutting; mixing: Mixing; filling: Filling }) {
  const { id: boatId, boat } = useDesign();
  const yard = useYard();
  const found = usePieces(boat, cutting);
  const list = useMemo(() => {
    if (!yard || found === null || typeof found === 'string') return null;
    const evaluations = makeEvaluator()(boat);
    const cost = boatCost(boat, evaluations, evaluateDetails(boat), yard);
    let mixed: MixingPlan | null = null;
    try {
      mixed = mixingPlan(boat, evaluations, mixing, {
        details: evaluateDetails(boat),
        drawn: drawnBesides(boat, evaluations, filling),
      });
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
    }
    return {
      lines: purchaseList(cost, mixed, { cutting, pieces: found.pieces, materials: boat.materials }),
      currency: cost.currency,
    };
  }, [boat, yard, found, cutting, mixing, filling]);
  if (typeof found === 'string')
    return (
      <Alert variant="danger" role="alert">
        ✕ {found}.
      </Alert>
    );
  if (!list)
    return (
      <p className="soft" role="status">
        Counting pieces and reading prices…
      </p>
    );
  if (list.lines.length === 0) return <p className="soft">Nothing is laid yet, so nothing is bought.</p>;
  const total = list.lines.reduce((sum, { cost }) => sum + (cost ?? 0), 0);
  const unpriced = list.lines.filter(({ cost }) => cost === null).length;
  return (
    <>
      <div className="d-flex gap-2 align-items-center mb-2">
        <p className="mb-0 me-auto">
          About {formatNumber(total, 0)} {list.currency} for one boat
          {unpriced > 0 && `, ${unpriced} lines without a price`}. Cloth is what the pieces take when seven tenths of
          the roll end in them. Nothing is taken off for what lies in the store.
        </p>
        <Button as="a" size="sm" variant="outline-primary" href={`/api/boats/${boatId}/kit?format=xlsx`}>
          XLSX
        </Button>
        <Button as="a" size="sm" variant="outline-primary" href={`/api/boats/${boatId}/kit?format=pdf`}>
          PDF
        </Button>
        <Button size="sm" variant="outline-primary" className="d-print-none" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <Card className="mb-3">
        <Card.Body className="p-0 table-responsive">
          <table className="table table-sm mb-0" aria-label="Purchase list">
            <thead>
              <tr>
                <th scope="col">What</th>
                <th scope="col" className="num">
                  needed
                </th>
                <th scope="col">as it is bought</th>
                <th scope="col">from</th>
                <th scope="col" className="num">
                  {list.currency}
                </th>
              </tr>
            </thead>
            {(Object.keys(HEADS) as Purchase['kind'][]).map((kind) => {
              const own = list.lines.filter((line) => line.kind === kind);
              if (own.length === 0) return null;
              return (
                <tbody key={kind}>
                  <tr>
                    <th scope="rowgroup" colSpan={5}>
                      {HEADS[kind]}
                    </th>
                  </tr>
                  {own.map(({ name, need, unit, packs, supplier, cost }) => (
                    <tr key={name}>
                      <td>{name}</td>
                      <td className="num">
                        {formatNumber(need, need < 10 ? 1 : 0)} {unit}
                      </td>
                      <td>{packs && `${packs.count} ${packs.of}`}</td>
                      <td>{supplier}</td>
                      <td className="num">{cost === null ? 'no price' : formatNumber(cost, 0)}</td>
                    </tr>
                  ))}
                </tbody>
              );
            })}
          </table>
        </Card.Body>
      </Card>
    </>
  );
}
