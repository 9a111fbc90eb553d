'use client';
import { useMemo, useState } from 'react';
import { Card, Col, Form, Row } from 'react-bootstrap';
import { KeramosError } from '@/core/error';
import type { Criterion } from '@/core/laminate';
import { formatNumber } from '@/core/quantity';
import { analysisFactorOf, matchZone, panelWorking, targetOf, whereGoverns, zoneWorking } from '@/core/evaluate';
import { usualPanelCase, type PanelCase } from '@/core/document';
import { CHECKS } from '@/core/standard';
import { Term } from '../help/Term';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';
import { useZoneShown } from '../shared/useZoneShown';
import { CriterionPicker } from '../shared/CriterionPicker';
import { ZonePicker } from '../shared/ZonePicker';
import { useEdit } from '../shared/useEdit';
import { usePanel } from '../shared/useProofs';
import { Verdict } from '../shared/Verdict';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { DeflectionDrawing } from './DeflectionDrawing';
import { ReferencePanel } from './ReferencePanel';
import { Refusal } from '../shared/Refusal';
import { saidFixity } from './saidFixity';

const orWords = <T,>(work: () => T): T | string => {
  try {
    return work();
  } catch (error) {
    if (error instanceof KeramosError) return error.text;
    throw error;
  }
};

/** Does this panel carry its load: by rule, by analysis, by match, side by side? */
export function PanelScreen() {
  const { id, boat, evaluations } = useDesign();
  const { full, unit, show, words } = useUnits();
  const edit = useEdit();
  const [criterion, setCriterion] = useState<Criterion>('tsaiWu');
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const { part, zone, choose } = useZoneShown(boat);
  const { analysis, current } = usePanel(boat, zone?.id ?? null, criterion);
  const match = useMemo(() => (part && zone ? orWords(() => matchZone(boat, part, zone)) : null), [boat, part, zone]);
  const analysed = typeof analysis === 'string' ? null : analysis;
  const target = targetOf(boat);
  if (!part || !zone) return <p className="question">This boat has no zones yet. Add one under Zones.</p>;
  const e = evaluations.get(zone.id)!;
  const panelCase = zone.panelCase ?? usualPanelCase(e.construction ?? 'sandwich');
  const set = (patch: Partial<PanelCase>) => {
    const said = edit({ type: 'zone.set', zoneId: zone.id, patch: { panelCase: { ...panelCase, ...patch } } });
    setRefusal(said ?? null);
    return said;
  };
  const yard = boat.packs.find((pack) => pack.kind === 'yardRule');
  const asked = Math.max(target, analysisFactorOf(boat));
  const openAnalysis = () =>
    analysed &&
    setWorking({
      title: `${zone.name}: panel by analysis`,
      record: () => [{ title: 'Plate', steps: panelWorking(analysed) }],
    });

  return (
    <>
      <div className="d-flex align-items-center gap-3 mb-2 flex-wrap">
        <span className="question mb-0">Does this panel carry its load, by rule, by analysis, by match?</span>
        <ZonePicker zoneId={zone?.id ?? null} onChoose={choose} />
        <CriterionPicker value={criterion} onChoose={setCriterion} />
      </div>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <div className="layup">
        <div className="d-grid gap-3 align-content-start">
          <Card>
            <Card.Body>
              {typeof analysis === 'string' && (
                <p className="verdict fails d-inline-block mb-0">✕ Not analysed: {words(analysis)}</p>
              )}
              {analysed && (
                <div className={current ? '' : 'stale'}>
                  <DeflectionDrawing analysis={analysed} name={zone.name} />
                </div>
              )}
              {analysis === null && (
                <p className="soft mb-0" role="status">
                  Computing the panel…
                </p>
              )}
            </Card.Body>
          </Card>
          <Card>
            <Card.Body className="p-0">
              <table className="table mb-0" aria-label="Schools side by side">
                <thead>
                  <tr>
                    <th>Proof</th>
                    <th>
                      What <Term of="governs">governs</Term>
                    </th>
                    <th className="num">
                      <Term of="reserve">Reserve</Term>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {boat.packs.map((pack) => {
                    const own = e.checks.filter((check) => check.pack === pack.id);
                    if (own.length === 0) return null;
                    const least = own.reduce((low, check) => (check.reserveFactor < low.reserveFactor ? check : low));
                    return (
                      <tr key={pack.id}>
                        <td>
                          By rule <span className="small soft">{pack.title}</span>
                        </td>
                        <td>
                          {CHECKS[least.id]}: {words(whereGoverns(least))}
                        </td>
                        <td className="num">
                          <button
                            type="button"
                            className="plain-button"
                            title="Opens the working"
                            onClick={() =>
                              setWorking({
                                title: `${zone.name}: ${CHECKS[least.id]}`,
                                record: () => zoneWorking(boat, part, zone, { check: least.id, packId: least.pack }),
                              })
                            }
                          >
                            <Verdict reserveFactor={least.reserveFactor} target={target} />
                          </button>
                        </td>
                      </tr>
                    );
                  })}
                  {e.problem && (
                    <tr>
                      <td>By rule</td>
                      <td colSpan={2}>Not checked: {words(e.problem)}</td>
                    </tr>
                  )}
                  {analysed &&
                    analysed.reserves.map((reserve) => (
                      <tr key={reserve.id} className={reserve === analysed.governing ? 'fw-semibold' : ''}>
                        <td>
                          By analysis <span className="small soft fw-normal">{reserve.name.toLowerCase()}</span>
                        </td>
                        <td>
                          {reserve.layer !== null && `layer ${reserve.layer + 1}, `}
                          {reserve.governs}, {reserve.where}
                        </td>
                        <td className="num">
                          <button
                            type="button"
                            className="plain-button"
                            title="Opens the working"
                            onClick={openAnalysis}
                          >
                            {Number.isFinite(reserve.reserveFactor) && reserve.reserveFactor < 1000 ? (
                              <Verdict
                                reserveFactor={reserve.reserveFactor}
                                target={reserve.id === 'deflection' ? 1 : asked}
                              />
                            ) : (
                              'not loaded'
                            )}
                          </button>
                        </td>
                      </tr>
                    ))}
                  <tr>
                    <td>By match</td>
                    <td>
                      {match === null && <span className="soft">no reference chosen for this zone</span>}
                      {typeof match === 'string' && words(match)}
                      {match !== null &&
                        typeof match !== 'string' &&
                        `${match.governing.name} against ${match.reference.name}`}
                    </td>
                    <td className="num">
                      {match !== null && typeof match !== 'string' && (
                        <Verdict reserveFactor={match.governing.ratio} target={1} />
                      )}
                    </td>
                  </tr>
                </tbody>
              </table>
            </Card.Body>
          </Card>
          {analysed && (
            <p className="small mb-0">
              {analysed.name !== '' && `Worst of its panels: ${analysed.name}. `}
              {analysed.breadths &&
                `It tapers: ${full(analysed.breadths[0]!, 'shortLength')} broad at one end, ` +
                  `${full(analysed.breadths.at(-1)!, 'shortLength')} at the other, and is solved in that shape; the ` +
                  'picture shows it as a rectangle. '}
              Pressure {full(analysed.pressure, 'pressure')}; asked of the analysis {formatNumber(asked, 2)} (
              {yard && asked > target ? yard.title : 'posture'}). Deflection{' '}
              {show(analysed.deflection.value, 'thickness')} {unit('thickness')}, 1/
              {formatNumber(
                Math.min(analysed.plate.length, analysed.plate.breadth) / Math.abs(analysed.deflection.value),
                0,
              )}{' '}
              of the short side.
              {analysed.buckling &&
                ' Pressed in its plane the panel would buckle at ' +
                  `${full(analysed.buckling.along, 'lineForce')} along and ` +
                  `${full(analysed.buckling.across, 'lineForce')} across, its edges free to turn.`}{' '}
              Design strengths by the boat's knock-downs. Not checked: {analysed.notChecked.map(words).join('; ')}. The
              rule takes clamped edges and its own strengths; the two need not agree.
            </p>
          )}
        </div>
        <div className="d-grid gap-3 align-content-start">
          <Card>
            <Card.Body className="d-grid gap-2">
              <h2 className="mb-0">How it is held and loaded</h2>
              <Form.Group controlId="fixity">
                <Form.Label className="mb-0">Edges: {saidFixity(panelCase.fixity)}</Form.Label>
                <Form.Range
                  min={0}
                  max={1}
                  step={0.05}
                  value={panelCase.fixity}
                  onChange={(event) => set({ fixity: Number(event.target.value) })}
                />
                <div className="form-text">
                  A panel that runs on over its supports with equal neighbours is held nearly clamped; at a
                  free-standing edge hardly at all.
                </div>
              </Form.Group>
              <Row className="g-2" xs={2}>
                <Col>
                  <QuantityField
                    label="Deflection allowed"
                    kind="fraction"
                    value={panelCase.deflectionLimit}
                    minimum={0.001}
                    maximum={0.2}
                    hint="of the short side"
                    onCommit={(deflectionLimit) => set({ deflectionLimit: deflectionLimit! })}
                  />
                </Col>
              </Row>
              <Form.Check
                id="patch-load"
                label="A load on a patch in the middle as well"
                checked={panelCase.patch !== null}
                onChange={(event) =>
                  set({ patch: event.target.checked ? { force: 1500, length: 0.15, breadth: 0.1 } : null })
                }
              />
              {panelCase.patch && (
                <Row className="g-2" xs={3}>
                  <Col>
                    <QuantityField
                      label="Force"
                      kind="force"
                      value={panelCase.patch.force}
                      minimum={1}
                      maximum={1e6}
                      onCommit={(force) => set({ patch: { ...panelCase.patch!, force: force! } })}
                    />
                  </Col>
                  <Col>
                    <QuantityField
                      label="Along"
                      kind="shortLength"
                      value={panelCase.patch.length}
                      minimum={0.01}
                      maximum={5}
                      onCommit={(length) => set({ patch: { ...panelCase.patch!, length: length! } })}
                    />
                  </Col>
                  <Col>
                    <QuantityField
                      label="Across"
                      kind="shortLength"
                      value={panelCase.patch.breadth}
                      minimum={0.01}
                      maximum={5}
                      onCommit={(breadth) => set({ patch: { ...panelCase.patch!, breadth: breadth! } })}
                    />
                  </Col>
                </Row>
              )}
            </Card.Body>
          </Card>
          <Card>
            <Card.Body>
              <ReferencePanel boat={boat} part={part} zone={zone} boatId={id} />
            </Card.Body>
          </Card>
        </div>
      </div>
      <Onward to="stiffeners">Stiffeners: do the supports hold?</Onward>
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}
