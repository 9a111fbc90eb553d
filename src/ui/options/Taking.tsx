'use client';
import { Card } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import type { ZoneEquivalent } from '@/core/option';
import { useUnits } from '../shared/units';
import { nameOf } from './nameOf';
import { TakeIt } from './TakeIt';

interface TakingProps {
  boat: Boat;
  boatId: string;
  zone: { id: string; name: string };
  one: ZoneEquivalent;
}

/** An alternative of a zone, what it does, and taking it. */
export function Taking({ boat, boatId, zone, one }: TakingProps) {
  const { words } = useUnits();
  const name = nameOf(one);
  return (
    <Card>
      <Card.Body className="d-grid gap-2">
        <h2 className="mb-0">
          {name} <span className="soft fw-normal">in {zone.name}</span>
        </h2>
        <TakeIt boat={boat} boatId={boatId} zoneId={zone.id} title={`laid ${zone.name} of ${name}`} edits={one.edits} />
        {one.notChecked.length > 0 && (
          <p className="small soft mb-0">
            Not checked in {zone.name}: {one.notChecked.map(words).join('; ')}.
          </p>
        )}
      </Card.Body>
    </Card>
  );
}
