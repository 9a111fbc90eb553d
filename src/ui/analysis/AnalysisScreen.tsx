'use client';
import { useState } from 'react';
import { Card, Nav } from 'react-bootstrap';
import type { Criterion } from '@/core/laminate';
import { stackWorking, targetOf } from '@/core/evaluate';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { useLaminate } from '../shared/useProofs';
import { useUnits } from '../shared/units';
import { useKeptTab } from '../shared/useKept';
import { useZoneShown } from '../shared/useZoneShown';
import { CriterionPicker } from '../shared/CriterionPicker';
import { ZonePicker } from '../shared/ZonePicker';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { CompatibilityPanel } from './CompatibilityPanel';
import { DesignValues } from './DesignValues';
import { FailurePanel } from './FailurePanel';
import { StiffnessPanel } from './StiffnessPanel';

const TABS = {
  failure: 'Stress and failure',
  stiffness: 'Stiffness',
  together: 'Do the fibres work together?',
  design: 'Design values',
} as const;
type Tab = keyof typeof TABS;

/** What does this laminate do under load, ply by ply? */
export function AnalysisScreen() {
  const { boat, evaluations } = useDesign();
  const { words } = useUnits();
  const [criterion, setCriterion] = useState<Criterion>('maxStrain');
  const [tab, setTab] = useKeptTab('analysis.tab', 'failure', Object.keys(TABS) as Tab[]);
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const { part, zone, choose } = useZoneShown(boat);
  const { analysis: found, current } = useLaminate(boat, zone?.id ?? null, criterion);
  const analysis = zone ? found : 'This boat has no zones yet. Add one under Zones.';

  return (
    <>
      <div className="d-flex align-items-center gap-3 mb-2 flex-wrap">
        <span className="question mb-0">What does the laminate do under load, ply by ply?</span>
        <ZonePicker zoneId={zone?.id ?? null} onChoose={choose} />
        <CriterionPicker value={criterion} onChoose={setCriterion} />
      </div>
      <Nav variant="tabs" activeKey={tab} onSelect={(key) => setTab(key as Tab)}>
        {Object.entries(TABS).map(([key, name]) => (
          <Nav.Item key={key}>
            <Nav.Link eventKey={key} as="button" type="button">
              {name}
            </Nav.Link>
          </Nav.Item>
        ))}
      </Nav>
      <div className="card border-top-0 rounded-top-0">
        <Card.Body className={current ? '' : 'stale'}>
          {analysis === null && (
            <p className="soft mb-0" role="status">
              Computing the laminate ply by ply…
            </p>
          )}
          {typeof analysis === 'string' && (
            <p className="verdict fails d-inline-block mb-0">✕ Not analysed: {words(analysis)}</p>
          )}
          {analysis !== null && typeof analysis !== 'string' && zone && (
            <>
              {tab === 'failure' && (
                <FailurePanel
                  analysis={analysis}
                  zone={zone}
                  criterion={criterion}
                  target={targetOf(boat)}
                  onWorking={setWorking}
                />
              )}
              {tab === 'stiffness' && (
                <StiffnessPanel
                  analysis={analysis}
                  zoneName={zone.name}
                  onWorking={() =>
                    setWorking({
                      title: `${zone.name}: stack and stiffness`,
                      record: () => stackWorking(boat, part!, zone),
                    })
                  }
                />
              )}
              {tab === 'together' && <CompatibilityPanel analysis={analysis} zoneName={zone.name} />}
              {tab === 'design' && <DesignValues boat={boat} evaluation={evaluations.get(zone.id)!} />}
            </>
          )}
        </Card.Body>
      </div>
      <Onward to="check">Check: what holds, what does not?</Onward>
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}
