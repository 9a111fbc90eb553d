'use client';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import type { Part } from '@/core/document';
import { targetOf } from '@/core/evaluate';
import type { Material } from '@/core/material';
import type { PartEquivalent, PartEquivalents } from '@/core/option';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import { nameOf } from './nameOf';
import { SearchCard } from './SearchCard';
import { TakeIt } from './TakeIt';
import { useSearch } from './useSearch';

/** A whole part in other families of fibre, solid and on its core. */
export function WholePart({ part, shelf }: { part: Part; shelf: readonly Material[] }) {
  const { id: boatId, boat } = useDesign();
  const { show, unit, words } = useUnits();
  const [chosen, setChosen] = useState<PartEquivalent | null>(null);
  const search = useSearch<{ partId: string }, PartEquivalents>(
    'wholePart',
    boat,
    (remote, ask, { boat: of, known, onStep }) =>
      remote.partEquivalents({ boat: of, ...ask, shelf: [...shelf] }, known, onStep) as Promise<
        PartEquivalents | string
      >,
  );
  const { result } = search;
  const found = result !== null && typeof result !== 'string' && search.asked?.partId === part.id ? result : null;
  const current = search.of === boat;
  const row = (name: React.ReactNode, { mass, cost, thickness }: PartEquivalents['now'], rest: React.ReactNode) => (
    <>
      <th scope="row" className="fw-normal">
        {name}
      </th>
      <td className="num">{show(mass, 'mass')}</td>
      <td className="num">{show(thickness, 'thickness')}</td>
      <td className="num">{cost === null ? '?' : formatNumber(cost, 0)}</td>
      <td>{rest}</td>
    </>
  );
  return (
    <div className="mb-3">
      <Button
        size="sm"
        variant="outline-primary"
        className="mb-2"
        disabled={search.running}
        onClick={() => {
          setChosen(null);
          search.run({ partId: part.id }, boat);
        }}
      >
        The whole of {part.name} in other fibres
      </Button>
      <SearchCard search={search} boat={boat} wayOut="Put other fabrics or cores on the Shelf, or ask for less." />
      {found && (
        <Card className="mb-2">
          <Card.Body className="p-0 table-responsive">
            <table className="table table-sm mb-0" aria-label={`The whole of ${part.name} in other fibres`}>
              <thead>
                <tr>
                  <th scope="col">{part.name}</th>
                  <th scope="col" className="num">
                    {unit('mass')}
                  </th>
                  <th scope="col" className="num">
                    thickest, {unit('thickness')}
                  </th>
                  <th scope="col" className="num">
                    money
                  </th>
                  <th scope="col">Least reserve</th>
                </tr>
              </thead>
              <tbody>
                <tr>{row('as it is laid now', found.now, '')}</tr>
                {found.found.map((one) => (
                  <tr key={nameOf(one)} className={one === chosen ? 'table-active' : undefined}>
                    {row(
                      <button
                        type="button"
                        className="btn btn-link btn-sm p-0 text-start"
                        aria-pressed={one === chosen}
                        onClick={() => setChosen(one)}
                      >
                        {nameOf(one)}
                        {one.core === null ? '' : ' where lighter'}
                      </button>,
                      one,
                      <>
                        <Verdict reserveFactor={one.reserveFactor} target={targetOf(boat)} words={false} />
                        {one.gap > 1e-9 && (
                          <span className="soft"> within {formatNumber(Math.ceil(one.gap * 1000) / 10, 1)} %</span>
                        )}
                      </>,
                    )}
                  </tr>
                ))}
              </tbody>
            </table>
          </Card.Body>
        </Card>
      )}
      {found && (
        <p className="small soft mb-1">
          The reserve is the least of its zones; stiffeners, details and cautions are told when one is chosen, and what
          a zone leaves unchecked under Check.
        </p>
      )}
      {found?.none.map(({ name, reason }) => (
        <p key={name} className="small soft mb-1">
          {name}: {words(reason)}.
        </p>
      ))}
      {found && chosen && (
        <Card body>
          <h2>
            {part.name}: {nameOf(chosen)}
          </h2>
          {current ? (
            <TakeIt boat={boat} boatId={boatId} title={`laid ${part.name} of ${nameOf(chosen)}`} edits={chosen.edits} />
          ) : (
            <p className="mb-0">The boat has changed since: look again before you take it.</p>
          )}
        </Card>
      )}
    </div>
  );
}
