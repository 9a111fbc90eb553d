'use client';
import { useMemo, useState } from 'react';
import { Card, Form } from 'react-bootstrap';
import { cautionsOf } from '@/core/caution';
import { targetOf, zoneWorking, type Part, type Zone } from '@/core/schedule';
import { CHECKS, SMALL_CRAFT_PACK, type CheckId } from '@/core/standard';
import { useBoat } from '../shared/boat';
import { CautionList } from '../shared/CautionList';
import { Onward } from '../shared/Onward';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';

/** What holds, what does not, and why? Every zone against every check. */
export function CheckScreen() {
  const { boat, evaluations } = useBoat();
  const { show, unit } = useUnits();
  const target = targetOf(boat);
  const [onlyFailing, setOnlyFailing] = useState(false);
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const used = (Object.keys(CHECKS) as CheckId[]).filter((id) => [...evaluations.values()].some((e) => e.checks.some((check) => check.id === id)));
  const wanted = ({ id }: Zone) => !onlyFailing || evaluations.get(id)!.problem !== null || (evaluations.get(id)!.governing?.reserveFactor ?? 0) < target;
  const cautions = useMemo(() => cautionsOf(boat, evaluations), [boat, evaluations]);
  const notChecked = [...new Set([...evaluations.values()].flatMap((e) => e.notChecked))];
  const rows = boat.parts.flatMap((part): { part: Part; zone: Zone }[] => part.zones.filter(wanted).map((zone) => ({ part, zone })));

  return (
    <>
      <p className="question">
        What holds, what does not, and why? Reserve factor = capacity / demand; 1 meets the pack, {target.toFixed(2)} meets this boat's posture. Every number opens its working.
      </p>
      <Form.Check className="mb-2" id="only-failing" label="Only zones that fail or are thin" checked={onlyFailing} onChange={(event) => setOnlyFailing(event.target.checked)} />
      <Card>
        <Card.Body className="p-0 table-responsive">
          <table className="table align-middle check-matrix" aria-label="Zones by checks">
            <thead>
              <tr>
                <th>Zone</th>
                <th className="num">
                  Pressure <span className="unit">{unit('pressure')}</span>
                </th>
                {used.map((id) => (
                  <th key={id} className="num text-wrap small fw-semibold">
                    {CHECKS[id]}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map(({ part, zone }) => {
                const e = evaluations.get(zone.id)!;
                return (
                  <tr key={zone.id}>
                    <td>
                      {zone.name} <span className="small soft">{part.name}</span>
                      <div className="small soft text-truncate governs">{e.governing ? `by ${e.governing.governs}` : ''}</div>
                    </td>
                    <td className="num">{show(e.pressure?.pressure, 'pressure')}</td>
                    {e.problem ? (
                      <td colSpan={used.length}>
                        <span className="verdict ample text-wrap">Not checked: {e.problem}</span>
                      </td>
                    ) : (
                      used.map((id) => {
                        const check = e.checks.find((candidate) => candidate.id === id);
                        return (
                          <td key={id} className="num">
                            {check ? (
                              <button
                                type="button"
                                className="plain-button"
                                onClick={() => setWorking({ title: `${zone.name}: ${CHECKS[id]}`, record: () => zoneWorking(boat, part, zone, id) })}
                                title={`${CHECKS[id]}: ${check.governs}. Opens the working.`}
                              >
                                <Verdict reserveFactor={check.reserveFactor} target={target} words={false} />
                              </button>
                            ) : (
                              <span className="soft" title="Does not apply to this construction">
                                ·
                              </span>
                            )}
                          </td>
                        );
                      })
                    )}
                  </tr>
                );
              })}
              {rows.length === 0 && (
                <tr>
                  <td colSpan={used.length + 2} className="soft">
                    {boat.parts.length ? 'No zone fails or is thin.' : 'No zones yet.'}
                  </td>
                </tr>
              )}
            </tbody>
          </table>
        </Card.Body>
      </Card>
      <p className="small mt-2 mb-1">
        <span className="verdict fails">✕ fails</span> below 1 · <span className="verdict thin">△ thin</span> below {target.toFixed(2)} ·{' '}
        <span className="verdict meets">✓ meets</span> · <span className="verdict ample">✓✓ ample</span> twice the target or more: weight to be had · “·” does not apply
      </p>
      <p className="small mb-1">
        Checked against: {SMALL_CRAFT_PACK.title} ({SMALL_CRAFT_PACK.edition}), status {SMALL_CRAFT_PACK.status}. {SMALL_CRAFT_PACK.statement}
      </p>
      <p className="small mb-1">Not checked: {notChecked.join('; ')}.</p>
      <p className="small soft">Decision support: the standard's own text, local codes, survey and class, and a licensed naval architect or engineer decide.</p>
      <Card className="mb-2">
        <Card.Body>
          <h2>Cautions of materials and stacks</h2>
          <CautionList boat={boat} cautions={cautions} withPlace empty="Nothing to say against the materials and stacks of this boat." />
        </Card.Body>
      </Card>
      <Onward to="weights">Weights: does it meet the scales?</Onward>
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}
