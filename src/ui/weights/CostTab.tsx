'use client';
import { useMemo, useState } from 'react';
import { Card } from 'react-bootstrap';
import { asKnown, boatCost, type BoatCost } from '@/core/cost';
import { briefSchema, type Boat } from '@/core/document';
import { makeEvaluator } from '@/core/evaluate';
import { evaluateDetails } from '@/core/detail/kinds';
import { formFields, writeAt } from '@/core/field';
import { PROCESSES, type Process } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { chanceOver } from '@/core/weight';
import { EntityForm } from '../shared/EntityForm';
import { SmallChoice } from '../shared/SmallChoice';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';
import { CostCharts } from './CostCharts';
import { CostTables } from './CostTables';
import { MouldsCard } from './MouldsCard';
import { PricesCard } from './PricesCard';
import { RatesCard } from './RatesCard';
import { useMasses } from './useMasses';
import type { YardSettings } from './WeightsScreen';

/** Figures as they are known, with the money of the yard. */
export const money = (value: number, scatter: number, currency: string): string =>
  `${formatNumber(asKnown(value, scatter), 0)} ${currency}`;

/** What the boat costs and how long she takes, from the layers; and what another process would do to both. */
export function CostTab({ yard }: { yard: YardSettings }) {
  const { boat, evaluations, details } = useMasses();
  const [rates, setRates] = useState(yard.rates);
  const [prices, setPrices] = useState(yard.prices);
  const settings = useMemo(() => ({ rates: rates.body, offers: prices.body.offers }), [rates, prices]);
  const cost = useMemo(() => boatCost(boat, evaluations, details, settings), [boat, evaluations, details, settings]);
  return (
    <>
      <Card className="mb-3">
        <Card.Body>
          <CostVerdict boat={boat} cost={cost} />
          <CostCharts cost={cost} />
          <CostTables boat={boat} cost={cost} />
        </Card.Body>
      </Card>
      <div className="weights-columns mb-3">
        <OtherProcess boat={boat} cost={cost} settings={settings} />
        <MouldsCard boat={boat} />
      </div>
      <div className="no-print">
        <PricesCard boat={boat} prices={prices} currency={rates.body.currency} onKept={setPrices} />
        <RatesCard rates={rates} process={boat.brief.process} onKept={setRates} />
      </div>
    </>
  );
}

/** Total and hours against their targets, and what they leave out. */
function CostVerdict({ boat, cost }: { boat: Boat; cost: BoatCost }) {
  const edit = useEdit();
  const { targets } = boat.brief;
  const { totals, scatter, currency, unpriced } = cost;
  const against = (is: number, spread: number, target: number | null) => {
    if (target === null) return null;
    const chance = chanceOver({ mass: is, standardDeviation: spread, p05: is, p95: is }, target);
    if (chance > 0.5) return <span className="verdict fails">✕ over the target</span>;
    if (chance > 0.1) return <span className="verdict thin">△ may come over the target</span>;
    return <span className="verdict meets">✓ within the target</span>;
  };
  return (
    <>
      <p className="fw-semibold mb-1">
        {money(totals.cost, scatter.cost, currency)} ± {money(scatter.cost, scatter.cost, currency)}{' '}
        {against(totals.cost, scatter.cost, targets.cost)}, {formatNumber(asKnown(totals.hours, scatter.hours), 0)}{' '}
        hours ± {formatNumber(asKnown(scatter.hours, scatter.hours), 0)}{' '}
        {against(totals.hours, scatter.hours, targets.hours)} for a boat
        {boat.brief.series > 1 ? `, in a series of ${boat.brief.series}` : ''}
      </p>
      {unpriced.length > 0 && (
        <p className="small mb-1">
          <span className="verdict thin">△ not in it</span> {unpriced.slice(0, 8).join('; ')}
          {unpriced.length > 8 && ` and ${unpriced.length - 8} more`}.
        </p>
      )}
      <div className="no-print">
        <EntityForm
          fields={formFields(briefSchema.shape.targets.unwrap().pick({ cost: true, hours: true }), '', [], targets)}
          value={targets}
          optionsOf={() => []}
          additionTo={() => null}
          onSet={(key, value) =>
            edit({ type: 'brief.set', patch: { targets: writeAt(targets, key, value) as typeof targets } })
          }
        />
      </div>
    </>
  );
}

const evaluateOther = makeEvaluator();
/** What the same layers cost and take by another process: resin saved, bags bought. */
function OtherProcess({
  boat,
  cost,
  settings,
}: {
  boat: Boat;
  cost: BoatCost;
  settings: Parameters<typeof boatCost>[3];
}) {
  const { full } = useUnits();
  const others = (Object.keys(PROCESSES) as Process[]).filter((process) => process !== boat.brief.process);
  const [process, setProcess] = useState<Process>(others[0]!);
  const chosen = others.includes(process) ? process : others[0]!;
  const other = useMemo(() => {
    const own = { ...boat, brief: { ...boat.brief, process: chosen } };
    return boatCost(own, evaluateOther(own), evaluateDetails(own), settings);
  }, [boat, chosen, settings]);
  const resinOf = ({ materials }: BoatCost) =>
    materials.reduce((sum, { material, mass }) => sum + (material.kind === 'resin' ? mass : 0), 0);
  const signed = (value: number) => `${value >= 0 ? '+' : '−'}${formatNumber(Math.abs(value), 0)}`;
  const scatter = Math.max(cost.scatter.cost, other.scatter.cost) / 3;
  const more = resinOf(other) - resinOf(cost);
  const rows: [string, string][] = [
    ['Resin that stays', `${more >= 0 ? '+' : '−'}${full(Math.abs(more), 'mass')}`],
    ['Materials', signed(asKnown(other.totals.materials - cost.totals.materials, scatter / 3))],
    ['Consumables', signed(asKnown(other.totals.consumables - cost.totals.consumables, scatter / 3))],
    ['Hours', signed(asKnown(other.totals.hours - cost.totals.hours, cost.scatter.hours / 3))],
    ['Labour and overhead', signed(asKnown(labourOf(other) - labourOf(cost), scatter))],
    ['In all', signed(asKnown(other.totals.cost - cost.totals.cost, scatter))],
  ];
  return (
    <Card>
      <Card.Body>
        <h2>The same layers by another process</h2>
        <SmallChoice
          beside
          id="other-process"
          label="By"
          value={chosen}
          options={others.map((one) => [one, PROCESSES[one].name] as const)}
          onChoose={setProcess}
        />
        <table className="table table-sm mb-1" aria-label="Another process">
          <tbody>
            {rows.map(([name, value]) => (
              <tr key={name}>
                <td>{name}</td>
                <td className="num">{value}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="small soft mb-0">
          Against {PROCESSES[boat.brief.process].name.toLowerCase()}, in {cost.currency} and hours. The layers stay what
          they are; thickness, weight and every proof change with the fibre fraction. Look under Options what the same
          strength would take.
        </p>
      </Card.Body>
    </Card>
  );
}
const labourOf = ({ totals }: BoatCost) => totals.labour + totals.overhead;
