'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { targetOf } from '@/core/evaluate';
import type { Material } from '@/core/material';
import type { ZoneEquivalents, ZoneMatch } from '@/core/option';
import { useDesign } from '../shared/boat';
import { Progress } from '../shared/Progress';
import { Said } from '../shared/Said';
import { useKeptTab } from '../shared/useKept';
import { useZoneShown } from '../shared/useZoneShown';
import { ZonePicker } from '../shared/ZonePicker';
import { EquivalentBars } from './EquivalentBars';
import { ByProcess } from './ByProcess';
import { WholePart } from './WholePart';
import { EquivalentTable } from './EquivalentTable';
import { nameOf } from './nameOf';
import { OnLiner } from './OnLiner';
import { useEquivalents } from './useEquivalents';

const MATCHES: Readonly<Record<ZoneMatch, string>> = {
  target: 'what the zone must hold',
  reserve: 'the reserve that it has',
  bending: 'its bending stiffness, along and across',
  membrane: 'its stiffness in the plane, along and across',
  strength: 'its strength in the plane, along and across',
};

// With the rules of caution behind it: fetched when an alternative is looked at.
const Taking = dynamic(() => import('./Taking').then((module) => module.Taking), { ssr: false });

/** One zone in other fibres, solid, and on other cores. */
export function EquivalentsTab({ shelf }: { shelf: readonly Material[] }) {
  const { boat } = useDesign();
  const { part, zone, choose } = useZoneShown(boat);
  const [match, setMatch] = useKeptTab('options.match', 'target', Object.keys(MATCHES) as ZoneMatch[]);
  const looked = useEquivalents(boat, part && zone ? { partId: part.id, zoneId: zone.id } : null, match, shelf);
  const { progress, result, stopped } = looked;
  return (
    <>
      <div className="d-flex align-items-center gap-3 mb-2 flex-wrap">
        <ZonePicker zoneId={zone?.id ?? null} onChoose={choose} />
        <Form.Group controlId="option-match" className="d-flex align-items-center gap-2">
          <Form.Label className="mb-0">It must come to</Form.Label>
          <Form.Select
            size="sm"
            className="w-auto"
            value={match}
            onChange={(event) => setMatch(event.target.value as ZoneMatch)}
          >
            {Object.entries(MATCHES).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      {!zone && <p className="soft">This boat has no zones yet. Add one under Zones.</p>}
      {zone && typeof result === 'string' && (
        <Card body>
          <p className="mb-2">
            <Said text={result} />.
          </p>
          <p className="soft mb-0">Lay a first stack in the Lay-up; then what else would do can be told from it.</p>
        </Card>
      )}
      {zone && result === null && (
        <Card body aria-busy={!stopped}>
          {stopped ? (
            <div className="d-flex gap-3 align-items-center">
              <span>Stopped. Nothing was changed.</span>
              <Button size="sm" onClick={looked.again}>
                Look again
              </Button>
            </div>
          ) : (
            <div className="d-flex gap-3 align-items-center">
              <Progress className="flex-grow-1" share={progress?.done ?? 0} label="How far the search is" />
              <span className="soft text-nowrap" role="status">
                {progress ? progress.at : 'Beginning…'}
              </span>
              <Button size="sm" variant="outline-primary" onClick={looked.stop}>
                Stop
              </Button>
            </div>
          )}
        </Card>
      )}
      {part && <WholePart key={part.id} part={part} shelf={shelf} />}
      {part && zone && <OnLiner key={zone.id} part={part} zone={zone} shelf={shelf} />}
      {part && zone && <ByProcess boat={boat} part={part} zone={zone} />}
      {zone && result !== null && typeof result !== 'string' && (
        <Found key={`${zone.id} ${match}`} found={result} zone={zone} asked={MATCHES[match]} />
      )}
    </>
  );
}

function Found({ found, zone, asked }: { found: ZoneEquivalents; zone: { id: string; name: string }; asked: string }) {
  const { id: boatId, boat } = useDesign();
  const [name, setName] = useState<string | null>(null);
  const chosen = found.found.findIndex((one) => nameOf(one) === name);
  const one = found.found[chosen];
  const choose = (index: number) => setName(nameOf(found.found[index]!));
  return (
    <div className="d-grid gap-3">
      {found.found.length > 0 ? (
        <>
          <Card body>
            <EquivalentBars found={found} chosen={one ? chosen : null} onChoose={choose} />
          </Card>
          {one && <Taking boat={boat} boatId={boatId} zone={zone} one={one} />}
          <Card>
            <Card.Body className="p-0 table-responsive">
              <EquivalentTable found={found} target={targetOf(boat)} chosen={one ? chosen : null} onChoose={choose} />
            </Card.Body>
          </Card>
        </>
      ) : (
        <Card body>
          Nothing that was tried in {zone.name} comes to {asked}. Put other fabrics or cores on the Shelf, part the zone
          by a support, or ask for less.
        </Card>
      )}
      <p className="small soft mb-0">
        {found.tried} stacks were evaluated as the zone itself is: skins of two fabrics in turn, sheets of cores as they
        are to be had, skins within one layer of each other. The lightest of those tried of each kind, no proven
        optimum; coating and skin coat stay. Hours, impact and price of the mould are not weighed.
        {found.none.length > 0 && ` Nothing tried comes to it: ${found.none.join('; ')}.`}
      </p>
    </div>
  );
}
