'use client';
import { useState } from 'react';
import { Card } from 'react-bootstrap';
import { evaluateDetails } from '@/core/detail/kinds';
import { stackWorking } from '@/core/evaluate';
import { boatWeight, weightWorking, type PartMass, type ZoneMass } from '@/core/weight';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { LaminateBars } from './LaminateBars';
import { LaminateTable } from './LaminateTable';

/** The laminate against its target of the Brief, and where its centre lies. */
export function LaminateTab() {
  const { boat, evaluations } = useDesign();
  const { full } = useUnits();
  const weight = boatWeight(boat, evaluations, evaluateDetails(boat));
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const openBoat = () => setWorking({ title: 'Laminate mass and centre', record: () => weightWorking(weight) });
  /** A zone by its stack; laps, stiffeners and details as a share of the boat. */
  const openZone = ({ partId }: PartMass, { zoneId }: ZoneMass) => {
    const part = boat.parts.find(({ id }) => id === partId);
    const zone = part?.zones.find(({ id }) => id === zoneId);
    if (!part || !zone) return openBoat();
    setWorking({ title: `${zone.name}: mass`, record: () => stackWorking(boat, part, zone) });
  };
  return (
    <>
      <Card className="mb-3">
        <Card.Body>
          <LaminateBars weight={weight} />
        </Card.Body>
      </Card>
      <Card>
        <Card.Body className="p-0 table-responsive">
          <LaminateTable weight={weight} onZone={openZone} onBoat={openBoat} />
        </Card.Body>
      </Card>
      <p className="small soft mt-2">
        Centre of gravity {full(weight.centreX, 'length')} forward of the aft end of the waterline,{' '}
        {full(weight.centreZ, 'length')} above the baseline, from the centroids of zones, stiffeners and details.
        Counted: laminate, core with the resin it takes up, coatings, overlaps and run-outs at lines of known length,
        stiffeners that have a section, details with their metal and adhesive. Everything else that weighs stands under
        Everything aboard.
      </p>
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}
