'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { nextStep, NEXT_STEPS, type LayerMove, type MoveScope } from '@/core/option';
import { MarginsMoved } from './MarginsMoved';
import { displayUnit, formatNumber, formatReserve, reaches } from '@/core/quantity';
import { targetOf, type ZoneEvaluation } from '@/core/evaluate';
import type { Boat, Part, Zone } from '@/core/document';
import { useMoves } from '../shared/useProofs';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';

const ORDERS: Record<string, { name: string; by: (move: LayerMove) => number }> = {
  strongest: { name: 'strongest first', by: (move) => -(move.reserveFactor ?? -1) },
  lightest: { name: 'lightest that still meets', by: (move) => move.weight + (move.leastReserve === null ? 1e9 : 0) },
  stiffest: { name: 'stiffest first', by: (move) => -(Number.isFinite(move.bending) ? move.bending : -1) },
  cheapest: {
    name: 'cheapest that still meets',
    by: (move) => (move.cost ?? 1e9) + (move.leastReserve === null ? 1e9 : 0),
  },
};
const SHOWN = 40;
const STEP_KEYS = { lightest: 'L', strongest: '⇧L', perKilogram: '⌥L' };
const STEP_NAMES = {
  lightest: 'Lightest next step',
  strongest: 'Strongest next step',
  perKilogram: 'Most reserve for a kilogram',
};
const NO_STEP = {
  lightest: 'none leaves every margin that it moves at the target',
  strongest: 'no single change makes it stronger without harm elsewhere',
  perKilogram: 'no single change makes it stronger without harm elsewhere',
};
/** Where the move leaves another zone weaker than this one, in words. */
const leastSaid = ({ leastReserve, reserveFactor }: LayerMove): string =>
  leastReserve !== null && reserveFactor !== null && leastReserve < reserveFactor
    ? `; least of all zones it touches ${formatReserve(leastReserve)}`
    : '';
const signed = (value: number, digits: number) => `${value > 0 ? '+' : ''}${formatNumber(value, digits)}`;

/**
 * What each layer of the zone buys: every single change with its weight, stiffness, reserve and price; a click shows
 * it in the grid.
 */
export function LayerMovesPanel({
  boat,
  part,
  zone,
  evaluations,
  shown: onTrial,
  onPreview,
  onAccept,
}: {
  boat: Boat;
  part: Part;
  zone: Zone;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  /** Title of the change that is shown on trial. */
  shown: string | null;
  onPreview: (move: LayerMove | null) => void;
  onAccept: () => void;
}) {
  const { system, unit, words, full } = useUnits();
  const [scope, setScope] = useState<MoveScope>('layer');
  const [order, setOrder] = useState('strongest');
  const target = targetOf(boat);
  const { moves: found, current } = useMoves({ boat, part, zone, evaluations, scope });
  const moves = found ?? [];
  const tried = moves.find(({ title }) => title === onTrial);
  const keeps = order === 'lightest' || order === 'cheapest';
  const shown = moves
    .filter((move) => !keeps || reaches(move.leastReserve ?? 0, target))
    .sort((a, b) => ORDERS[order]!.by(a) - ORDERS[order]!.by(b))
    .slice(0, SHOWN);
  return (
    <>
      {found === null && (
        <p className="soft small" role="status">
          Trying every single change of this zone…
        </p>
      )}
      <div className={`next-steps small ${current ? '' : 'stale'}`}>
        {NEXT_STEPS.map((which) => {
          const step = nextStep(which, moves, {
            now: evaluations.get(zone.id)?.governing?.reserveFactor ?? 0,
            target,
          });
          return (
            <p key={which} className="mb-1">
              <span className="fw-semibold">{STEP_NAMES[which]}</span> <kbd>{STEP_KEYS[which]}</kbd>:{' '}
              {step ? (
                <button
                  type="button"
                  className="reason-button text-start"
                  aria-pressed={step.title === onTrial}
                  onClick={() => onPreview(step.title === onTrial ? null : step)}
                >
                  {words(step.title)} ({signed(step.weight / displayUnit('mass', system).factor, 1)} {unit('mass')},
                  boat {full(step.whole!.mass, 'mass')}, reserve {formatReserve(step.reserveFactor!)})
                </button>
              ) : (
                <span className="soft">{NO_STEP[which]}</span>
              )}
            </p>
          );
        })}
      </div>
      <div className="d-flex gap-2 mb-1">
        <Form.Select
          size="sm"
          aria-label="Order of the changes"
          value={order}
          onChange={(event) => setOrder(event.target.value)}
        >
          {Object.entries(ORDERS).map(([key, { name }]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </Form.Select>
        <Form.Select
          size="sm"
          aria-label="Where a change holds"
          value={scope}
          onChange={(event) => setScope(event.target.value as MoveScope)}
        >
          <option value="layer">the whole layer</option>
          <option value="zone">in this zone only</option>
        </Form.Select>
      </div>
      {tried && <MarginsMoved move={tried} target={target} />}
      <div className="moves-list">
        <table className="table table-sm checks-table" aria-label={`What each layer of ${zone.name} buys`}>
          <thead>
            <tr>
              <th>Change</th>
              <th className="num">
                <span className="unit">{unit('mass')}</span>
              </th>
              <th className="num" title="Bending stiffness across the panel">
                D <span className="unit">%</span>
              </th>
              <th className="num" title="Price, in the yard's currency">
                Price
              </th>
              <th className="num">Reserve</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((move) => {
              const chosen = move.title === onTrial;
              return (
                <tr key={move.id} className={chosen ? 'chosen-row' : ''}>
                  <td>
                    <button
                      type="button"
                      className="reason-button text-start"
                      aria-pressed={chosen}
                      title={move.governs && 'Then governed by ' + words(move.governs) + leastSaid(move)}
                      onClick={() => onPreview(chosen ? null : move)}
                      onKeyDown={(event) => {
                        if (!chosen) return;
                        if (event.key === 'Enter') onAccept();
                        else if (event.key === 'Escape') onPreview(null);
                        else return;
                        event.preventDefault();
                      }}
                    >
                      {words(move.title.replace('layer ', ''))}
                    </button>
                  </td>
                  <td className="num">{signed(move.weight / displayUnit('mass', system).factor, 1)}</td>
                  <td className="num">{Number.isFinite(move.bending) ? signed(move.bending * 100, 0) : '–'}</td>
                  <td className="num">{move.cost === null ? '–' : signed(move.cost, 0)}</td>
                  <td className="num">
                    {move.reserveFactor === null ? (
                      <span title={words(move.governs)}>–</span>
                    ) : (
                      <Verdict reserveFactor={move.reserveFactor} target={target} words={false} />
                    )}
                  </td>
                </tr>
              );
            })}
            {shown.length === 0 && (
              <tr>
                <td colSpan={5} className="soft">
                  {moves.length
                    ? 'No single change leaves every zone it touches at the target.'
                    : 'No layer covers this zone yet.'}
                </td>
              </tr>
            )}
          </tbody>
        </table>
      </div>
      <p className="small soft mb-0">
        Click shows a change in the grid; Enter keeps it, Escape drops it. Next steps were tried on every zone,
        stiffener and detail of the boat. Fabrics to swap are those of this boat.
      </p>
    </>
  );
}
