import { asKnown, layerCosts, OFFER_LASTS, type BoatCost, type BoughtMaterial } from '@/core/cost';
import type { Boat } from '@/core/document';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { useUnits } from '../shared/units';

const DAY = 86_400_000;

/** What is bought, and where the hours of each part go. */
export function CostTables({ boat, cost }: { boat: Boat; cost: BoatCost }) {
  const { show, unit } = useUnits();
  const { currency, scatter } = cost;
  const columns: DataColumn<BoughtMaterial>[] = [
    { id: 'name', head: 'Material', by: ({ material }) => material.name, cell: ({ material }) => material.name },
    {
      id: 'area',
      head: (
        <>
          Laid <span className="unit">{unit('area')}</span>
        </>
      ),
      numeric: true,
      by: ({ area }) => area,
      cell: ({ area }) => (area === null ? '' : show(area, 'area')),
    },
    {
      id: 'mass',
      head: (
        <>
          Laid <span className="unit">{unit('mass')}</span>
        </>
      ),
      numeric: true,
      by: ({ mass }) => mass,
      cell: ({ mass }) => show(mass, 'mass'),
    },
    {
      id: 'waste',
      head: 'Cut away',
      numeric: true,
      className: 'soft',
      by: ({ waste }) => waste,
      cell: ({ waste }) => `${formatNumber(100 * waste, 0)} %`,
    },
    {
      id: 'from',
      head: 'Price from',
      by: ({ offer }) => offer?.supplier ?? '',
      cell: ({ offer, why }) => why ?? (offer ? `${offer.supplier || 'offer'}, ${offer.date}` : 'the Shelf'),
    },
    {
      id: 'cost',
      head: `Cost ${currency}`,
      numeric: true,
      by: (one) => one.cost,
      cell: (one) => (one.cost === null ? 'no price' : formatNumber(asKnown(one.cost, Math.max(one.scatter, 1)), 0)),
    },
  ];
  const parts = [...boat.parts.map(({ id, name }) => ({ id, name })), { id: null, name: 'The boat as a whole' }];
  return (
    <>
      <DataTable
        label="Materials as they are bought"
        className="mb-2"
        rows={cost.materials}
        rowId={({ material, thickness }) => `${material.id} ${thickness ?? ''}`}
        columns={columns}
        empty="Nothing is laid yet."
        foot={cost.consumables.map(({ name, unit: of, quantity, cost: money }) => (
          <tr key={name} className="soft">
            <td>{name}</td>
            <td colSpan={3}>
              {formatNumber(quantity, 0)} {of}
            </td>
            <td>consumable</td>
            <td className="num">{formatNumber(asKnown(money, 0.2 * money), 0)}</td>
          </tr>
        ))}
      />
      <LayerCosts boat={boat} cost={cost} />
      <table className="table table-sm mb-0" aria-label="Hours by part">
        <thead>
          <tr>
            <th>Hours</th>
            <th className="num">h</th>
            <th className="num">{currency}</th>
          </tr>
        </thead>
        <tbody>
          {parts.map(({ id, name }) => {
            const hours = cost.hours.reduce((sum, one) => sum + (one.partId === id ? one.hours : 0), 0);
            if (hours === 0) return null;
            const share = hours / cost.totals.hours;
            return (
              <tr key={id ?? 'boat'}>
                <td>{name}</td>
                <td className="num">{formatNumber(asKnown(hours, share * scatter.hours), 0)}</td>
                <td className="num">
                  {formatNumber(asKnown(share * (cost.totals.labour + cost.totals.overhead), share * scatter.cost), 0)}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

/** What each layer comes to in material. */
function LayerCosts({ boat, cost }: { boat: Boat; cost: BoatCost }) {
  const { show, unit } = useUnits();
  const { evaluations } = useDesign();
  const layers = layerCosts(boat, evaluations, cost.materials);
  return (
    <details className="mb-2">
      <summary>Material by layer</summary>
      <table className="table table-sm mb-0" aria-label="Material by layer">
        <thead>
          <tr>
            <th>Layer</th>
            <th className="num">
              Laid <span className="unit">{unit('area')}</span>
            </th>
            <th className="num">
              With resin <span className="unit">{unit('mass')}</span>
            </th>
            <th className="num">{cost.currency}</th>
          </tr>
        </thead>
        <tbody>
          {boat.parts.map((part) =>
            layers
              .filter(({ partId, area }) => partId === part.id && area > 0)
              .map(({ layerId, number, code, area, mass, cost: own }) => (
                <tr key={layerId}>
                  <td>
                    {part.name} {number}, {code}
                  </td>
                  <td className="num">{show(area, 'area')}</td>
                  <td className="num">{show(mass, 'mass')}</td>
                  <td className="num">{own === null ? 'no price' : formatNumber(asKnown(own, 0.15 * own), 0)}</td>
                </tr>
              )),
          )}
        </tbody>
      </table>
    </details>
  );
}

/** Whether an offer is older than a year (its day as the list has it). */
export const isOld = (date: string, today: Date): boolean => today.getTime() - Date.parse(date) > OFFER_LASTS * DAY;
