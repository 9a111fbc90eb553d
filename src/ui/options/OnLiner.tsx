'use client';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import type { Part, Zone } from '@/core/document';
import { targetOf } from '@/core/evaluate';
import { USUAL_RATES } from '@/core/cost';
import type { Material } from '@/core/material';
import type { BondedLiner, BondedLiners } from '@/core/option';
import { formatSigned } from '@/core/quantity';
import { CHECKS } from '@/core/standard';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import { useYard } from '../shared/useYard';
import { Verdict } from '../shared/Verdict';
import { saidStack } from './EquivalentTable';
import { SearchCard } from './SearchCard';
import { TakeIt } from './TakeIt';
import { useSearch } from './useSearch';

const nameOf = ({ ribs, run }: BondedLiner) => `${ribs} ${ribs === 1 ? 'rib' : 'ribs'} ${run}`;
/** A zone as a single skin stiffened by the ribs of a bonded liner, beside what is laid. */
export function OnLiner({ part, zone, shelf }: { part: Part; zone: Zone; shelf: readonly Material[] }) {
  const { id: boatId, boat } = useDesign();
  const { show, full, unit, words } = useUnits();
  const yard = useYard();
  const [chosen, setChosen] = useState<BondedLiner | null>(null);
  const search = useSearch<{ partId: string; zoneId: string }, BondedLiners>(
    'liners',
    boat,
    (remote, ask, { boat: of, known, onStep }) =>
      remote.liners(
        { boat: of, ...ask, shelf: [...shelf], yard: yard ?? { rates: USUAL_RATES, offers: [] } },
        known,
        onStep,
      ) as Promise<BondedLiners | string>,
  );
  const { result } = search;
  const found = result !== null && typeof result !== 'string' && search.asked?.zoneId === zone.id ? result : null;
  const current = search.of === boat;
  const target = targetOf(boat);
  return (
    <div className="mb-3">
      <Button
        size="sm"
        variant="outline-primary"
        className="mb-2"
        disabled={search.running}
        onClick={() => {
          setChosen(null);
          search.run({ partId: part.id, zoneId: zone.id }, boat);
        }}
      >
        {zone.name} as a single skin on a bonded liner
      </Button>
      <SearchCard
        search={search}
        boat={boat}
        wayOut="Give the zone a place, or put cloth, foam and paste on the Shelf."
      />
      {found && (
        <Card className="mb-2">
          <Card.Body className="p-0 table-responsive">
            <table className="table table-sm mb-0" aria-label={`${zone.name} on a bonded liner`}>
              <thead>
                <tr>
                  <th scope="col">Ribs</th>
                  <th scope="col">Skin between them</th>
                  <th scope="col" className="num">
                    zone, {unit('mass')}
                  </th>
                  <th scope="col" className="num">
                    skin + ribs + bond
                  </th>
                  <th scope="col" className="num">
                    takes inside, {unit('thickness')}
                  </th>
                  <th scope="col" className="num">
                    money
                  </th>
                  <th scope="col" className="num">
                    hours
                  </th>
                  <th scope="col">Skin, ribs, bond</th>
                </tr>
              </thead>
              <tbody>
                <tr className="soft">
                  <th scope="row" className="fw-normal">
                    as it is laid now
                  </th>
                  <td />
                  <td className="num">{show(found.now.mass, 'mass')}</td>
                  <td />
                  <td className="num">{show(found.now.thickness, 'thickness')}</td>
                  <td />
                  <td />
                  <td />
                </tr>
                {found.found.map((one) => (
                  <tr key={nameOf(one)} className={one === chosen ? 'table-active' : undefined}>
                    <th scope="row" className="fw-normal">
                      <button
                        type="button"
                        className="btn btn-link btn-sm p-0 text-start text-nowrap"
                        aria-pressed={one === chosen}
                        onClick={() => setChosen(one)}
                      >
                        {nameOf(one)}
                      </button>
                    </th>
                    <td className="small">{saidStack(one.skin.stack, (metres) => full(metres, 'thickness'))}</td>
                    <td className="num text-nowrap">
                      {show(one.mass, 'mass')}{' '}
                      <span className="soft">{formatSigned((one.mass / found.now.mass - 1) * 100, 0)} %</span>
                    </td>
                    <td className="num text-nowrap soft">
                      {[one.skinMass, one.ribMass, one.bondMass].map((mass) => show(mass, 'mass')).join(' + ')}
                    </td>
                    <td className="num">{show(one.skin.thickness + one.section.height, 'thickness')}</td>
                    <td className="num">{formatSigned(one.moreCost, 0)}</td>
                    <td className="num">{formatSigned(one.moreHours, 0)}</td>
                    <td className="text-nowrap">
                      {Object.entries(one.reserves).map(([key, reserve]) => (
                        <span key={key} className="me-2">
                          <Verdict reserveFactor={reserve} target={target} words={false} />
                        </span>
                      ))}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Card.Body>
        </Card>
      )}
      {found && (
        <p className="small soft mb-1">
          The lightest single skin of the fibre that is laid now, the lowest rib and the narrowest flange that hold, of
          those tried; money and hours of the whole boat, more than now. Ribs on hull and deck run on to the next hard
          edge. Not counted: a pan moulded in one with the ribs; not checked: peel at the ends of the bond.
        </p>
      )}
      {found?.none.map((text) => (
        <p key={text} className="small soft mb-1">
          {words(text)}.
        </p>
      ))}
      {found && chosen && (
        <Card body>
          <h2>
            {zone.name}: {nameOf(chosen)}, {full(chosen.section.height, 'shortLength')} high on flanges of{' '}
            {full(chosen.section.flangeWidth, 'shortLength')}
          </h2>
          {chosen.skin.worse.length > 0 && (
            <p className="mb-2">
              Less in hand than now: {chosen.skin.worse.map(({ id }) => CHECKS[id].toLowerCase()).join(', ')}.
            </p>
          )}
          {chosen.skin.notChecked.length > 0 && (
            <p className="soft mb-2">Not checked: {chosen.skin.notChecked.map(words).join('; ')}.</p>
          )}
          {current ? (
            <TakeIt
              boat={boat}
              boatId={boatId}
              title={`made ${zone.name} a single skin on ${nameOf(chosen)} of a bonded liner`}
              edits={chosen.edits}
            />
          ) : (
            <p className="mb-0">The boat has changed since: look again before you take it.</p>
          )}
        </Card>
      )}
    </div>
  );
}
