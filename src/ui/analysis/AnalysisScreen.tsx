'use client';
import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { Card, Form, Nav } from 'react-bootstrap';
import { CRITERIA, FAILURE_MODES, type Criterion } from '@/core/laminate';
import { formatNumber, formatReserve } from '@/core/quantity';
import { failureWorking, stackWorking, targetOf, verdictOf } from '@/core/evaluate';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { useLaminate } from '../shared/useProofs';
import { useUnits } from '../shared/units';
import { ZonePicker } from '../shared/ZonePicker';
import { Verdict } from '../shared/Verdict';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { CompatibilityPanel } from './CompatibilityPanel';
import { DesignValues } from './DesignValues';
import { LoadEditor } from './LoadEditor';
import { StiffnessPanel } from './StiffnessPanel';
import { CURVES, ThicknessChart, type CurveId } from './ThicknessChart';

const TABS = {
  failure: 'Stress and failure',
  stiffness: 'Stiffness',
  together: 'Do the fibres work together?',
  design: 'Design values',
} as const;
type Tab = keyof typeof TABS;
const finite = (reserve: number) =>
  Number.isFinite(reserve) && reserve < 1000 ? formatNumber(reserve, 2) : 'not loaded';

/** What does this laminate do under load, ply by ply? */
export function AnalysisScreen() {
  const { boat, evaluations } = useDesign();
  const { show, unit, words } = useUnits();
  const wanted = useSearchParams().get('zone');
  const [criterion, setCriterion] = useState<Criterion>('maxStrain');
  const [curve, setCurve] = useState<CurveId>('fibreStress');
  const [tab, setTab] = useState<Tab>('failure');
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const part =
    boat.parts.find((candidate) => candidate.zones.some((zone) => zone.id === wanted)) ??
    boat.parts.find((candidate) => candidate.zones.length > 0);
  const zone = part?.zones.find((candidate) => candidate.id === wanted) ?? part?.zones[0];
  const { analysis: found, current } = useLaminate(boat, zone?.id ?? null, criterion);
  const analysis = zone ? found : 'This boat has no zones yet. Add one under Zones.';
  const target = targetOf(boat);

  return (
    <>
      <div className="d-flex align-items-center gap-3 mb-2 flex-wrap">
        <span className="question mb-0">What does the laminate do under load, ply by ply?</span>
        <ZonePicker step="analysis" zoneId={zone?.id ?? null} />
        <Form.Select
          size="sm"
          className="w-auto"
          aria-label="Failure criterion"
          value={criterion}
          onChange={(event) => setCriterion(event.target.value as Criterion)}
        >
          {Object.entries(CRITERIA).map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </Form.Select>
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
          {analysis === null ? (
            <p className="soft mb-0" role="status">
              Computing the laminate ply by ply…
            </p>
          ) : typeof analysis === 'string' || !part || !zone ? (
            <p className="verdict fails d-inline-block mb-0">✕ Not analysed: {words(String(analysis))}</p>
          ) : tab === 'stiffness' ? (
            <StiffnessPanel
              analysis={analysis}
              zoneName={zone.name}
              onWorking={() =>
                setWorking({ title: `${zone.name}: stack and stiffness`, record: () => stackWorking(boat, part, zone) })
              }
            />
          ) : tab === 'together' ? (
            <CompatibilityPanel analysis={analysis} zoneName={zone.name} />
          ) : tab === 'design' ? (
            <DesignValues boat={boat} evaluation={evaluations.get(zone.id)!} />
          ) : (
            <div className="row g-3">
              <div className="col-lg-6">
                <Form.Select
                  size="sm"
                  className="w-auto mb-1"
                  aria-label="Shown through the thickness"
                  value={curve}
                  onChange={(event) => setCurve(event.target.value as CurveId)}
                >
                  {Object.entries(CURVES).map(([key, { label }]) => (
                    <option key={key} value={key}>
                      {label}
                    </option>
                  ))}
                </Form.Select>
                <ThicknessChart analysis={analysis} curve={curve} zoneName={zone.name} />
              </div>
              <div className="col-lg-6">
                <LoadEditor zone={zone} load={analysis.load} source={analysis.loadSource} />
                <p className="mt-2 mb-1" data-testid="first-ply">
                  First ply by {CRITERIA[criterion]}:{' '}
                  <button
                    type="button"
                    className="plain-button"
                    title="Opens the working"
                    onClick={() =>
                      setWorking({
                        title: `${zone.name}: first-ply failure`,
                        record: () => failureWorking(analysis, criterion),
                      })
                    }
                  >
                    <Verdict reserveFactor={analysis.failure.reserveFactor} target={target} />
                  </button>{' '}
                  {FAILURE_MODES[analysis.failure.mode]} in {analysis.plies[analysis.failure.ply]!.name}, layer{' '}
                  {analysis.layerOf[analysis.failure.ply]! + 1}.
                </p>
                <div className="row g-2">
                  <div className="col-6">
                    <table className="table table-sm" aria-label="First and last ply by criterion">
                      <thead>
                        <tr>
                          <th>Criterion</th>
                          <th className="num">First ply</th>
                          <th className="num">Last ply</th>
                        </tr>
                      </thead>
                      <tbody>
                        {analysis.criteria.map((row) => (
                          <tr key={row.criterion} className={row.criterion === criterion ? 'fw-semibold' : ''}>
                            <td>{CRITERIA[row.criterion]}</td>
                            <td className="num">{finite(row.first)}</td>
                            <td className="num">{finite(row.last)}</td>
                          </tr>
                        ))}
                      </tbody>
                    </table>
                  </div>
                  {analysis.sandwich && (
                    <div className="col-6">
                      <table className="table table-sm" aria-label="Local limits of the sandwich">
                        <thead>
                          <tr>
                            <th>Sandwich</th>
                            <th className="num">Reserve</th>
                          </tr>
                        </thead>
                        <tbody>
                          {analysis.sandwich.map((check) => (
                            <tr key={check.id}>
                              <td
                                title={
                                  check.unit === 'Pa'
                                    ? `${show(check.demand, 'stress')} of ${show(check.capacity, 'stress')} ${unit('stress')}`
                                    : `${show(check.demand, 'lineForce')} of ${show(check.capacity, 'lineForce')} ${unit('lineForce')}`
                                }
                              >
                                {check.name}
                              </td>
                              <td className="num">
                                {Number.isFinite(check.reserveFactor) && check.reserveFactor < 1000 ? (
                                  <span className={`verdict ${verdictOf(check.reserveFactor, target)}`}>
                                    {formatReserve(check.reserveFactor)}
                                  </span>
                                ) : (
                                  'not loaded'
                                )}
                              </td>
                            </tr>
                          ))}
                        </tbody>
                      </table>
                    </div>
                  )}
                </div>
                <p className="small soft mb-0">
                  Reserve factors on the whole load, against design values of this boat (see the last tab). Last ply:
                  the load goes on with failed plies left out. Not checked here: fasteners, joints, buckling of the
                  panel.
                </p>
              </div>
            </div>
          )}
        </Card.Body>
      </div>
      <Onward to="check">Check: what holds, what does not?</Onward>
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}
