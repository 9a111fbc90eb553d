'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { Material } from '@/core/material';
import {
  DETAIL_KINDS,
  detailWorking,
  evaluateDetails,
  materialsOfDetail,
  newDetail,
  type Detail,
  type DetailKind,
} from '@/core/detail/kinds';
import { fetchMaterials } from '@/core/edit';
import { targetOf } from '@/core/evaluate';
import type { Boat } from '@/core/document';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { useTurned } from '../shared/useTurned';
import { useAskedOrKept, useKeptTab } from '../shared/useKept';
import { Tabs } from '../shared/Tabs';
import { TextField } from '../shared/TextField';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { DetailFindings } from './DetailFindings';
import { DetailForm } from './DetailForm';
import { LoadsPanel } from './LoadsPanel';
import { PlacesDrawing } from './PlacesDrawing';

/** Where does load come in, and what takes it? */
export function DetailsScreen({ shelf }: { shelf: Material[] }) {
  const { id: boatId, boat } = useDesign();
  const edit = useEdit();
  const { system, words } = useUnits();
  const [view, setView] = useKeptTab('details.view', 'details', ['details', 'loads']);
  const [chosen, setChosen] = useAskedOrKept('detail', {
    name: 'details.detail',
    usual: boat.details[0]?.id ?? null,
    known: (id) => boat.details.some((detail) => detail.id === id),
  });
  useTurned(({ of, id }) => {
    if (of === 'detail') setChosen(id);
    if (of === 'detail' || of === 'load') setView(of === 'detail' ? 'details' : 'loads');
  });
  const [kind, setKind] = useState<DetailKind>('bolted');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const evaluations = useMemo(() => evaluateDetails(boat), [boat]);
  const target = targetOf(boat);
  const materials = useMemo(() => {
    const own = new Set(boat.materials.map(({ id }) => id));
    return [...boat.materials, ...shelf.filter(({ id }) => !own.has(id))];
  }, [boat.materials, shelf]);
  const evaluation = evaluations.find(({ detail }) => detail.id === chosen) ?? evaluations[0];
  const detail = evaluation?.detail;
  const zones = boat.parts.flatMap((part) => part.zones.map((zone) => ({ part, zone })));

  /** Materials of the Shelf that a detail takes come into the boat's book with it. */
  const fetching = (item: Detail) =>
    fetchMaterials(
      boat,
      materials,
      materialsOfDetail(item).flatMap((id) => materials.find((material) => material.id === id) ?? []),
    );
  const change = (item: Detail): string | undefined => {
    const said = edit(...fetching(item), { type: 'detail.set', item });
    setRefusal(said ?? null);
    return said;
  };
  const add = () => {
    const [first] = zones;
    if (!first) return setRefusal('Lay a zone first: a detail stands on one.');
    const whole: Boat = { ...boat, materials: [...materials] };
    const item = {
      ...newDetail(whole, kind, nanoid(8), zones.find(({ zone }) => zone.id === detail?.zone)?.zone ?? first.zone),
      name: DETAIL_KINDS[kind],
    };
    const said = edit(...fetching(item), { type: 'detail.add', item, index: boat.details.length });
    setRefusal(said ?? null);
    if (!said) setChosen(item.id);
  };

  return (
    <>
      <div className="d-flex align-items-end gap-3 mb-2">
        <p className="question mb-0 flex-grow-1">Where does load come in, and what takes it?</p>
        <Tabs
          names={{ details: `Details ${boat.details.length || ''}`, loads: `Load cases ${boat.loads.length || ''}` }}
          open={view}
          onOpen={setView}
        />
      </div>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {view === 'loads' ? (
        <LoadsPanel boat={boat} />
      ) : (
        <div className="details-columns">
          <div className="d-grid gap-2 align-content-start">
            <Card>
              <Card.Body>
                <PlacesDrawing boat={boat} evaluations={evaluations} chosen={detail?.id ?? null} onChoose={setChosen} />
                <table className="table table-sm mb-2" aria-label="Details of the boat">
                  <tbody>
                    {evaluations.map((one) => (
                      <tr key={one.detail.id} className={one.detail.id === detail?.id ? 'chosen-row' : ''}>
                        <td>
                          <button
                            type="button"
                            className="plain-button text-start fw-semibold"
                            onClick={() => setChosen(one.detail.id)}
                          >
                            {one.detail.name}
                          </button>
                          <div className="small soft">
                            {DETAIL_KINDS[one.detail.kind]},{' '}
                            {zones.find(({ zone }) => zone.id === one.detail.zone)?.zone.name ?? 'no zone'}
                          </div>
                        </td>
                        <td className="num">
                          {one.problem ? (
                            <span className="verdict fails" title={words(one.problem)}>
                              ✕ refused
                            </span>
                          ) : (
                            one.governing && (
                              <Verdict reserveFactor={one.governing.reserveFactor} target={target} words={false} />
                            )
                          )}
                          <div className="small soft">{one.governing?.name}</div>
                        </td>
                      </tr>
                    ))}
                    {evaluations.length === 0 && (
                      <tr>
                        <td className="soft">
                          No detail yet. Boats fail where load comes in: give every load entry one.
                        </td>
                      </tr>
                    )}
                  </tbody>
                </table>
                <div className="d-flex gap-2">
                  <Form.Select
                    size="sm"
                    aria-label="Kind of detail"
                    value={kind}
                    onChange={(event) => setKind(event.target.value as DetailKind)}
                  >
                    {Object.entries(DETAIL_KINDS).map(([key, name]) => (
                      <option key={key} value={key}>
                        {name}
                      </option>
                    ))}
                  </Form.Select>
                  <Button size="sm" className="text-nowrap" onClick={add}>
                    Add a detail
                  </Button>
                </div>
              </Card.Body>
            </Card>
            {detail && (
              <Card key={detail.id}>
                <Card.Body className="d-grid gap-2">
                  <TextField
                    label="Name of the detail"
                    value={detail.name}
                    maximum={80}
                    onCommit={(name) => change({ ...detail, name })}
                  />
                  <div className="detail-fields">
                    <Form.Group controlId="detail-zone">
                      <Form.Label className="mb-0">On the zone</Form.Label>
                      <Form.Select
                        value={detail.zone}
                        onChange={(event) => change({ ...detail, zone: event.target.value })}
                      >
                        {zones.map(({ part, zone }) => (
                          <option key={zone.id} value={zone.id}>
                            {part.name}: {zone.name}
                          </option>
                        ))}
                      </Form.Select>
                    </Form.Group>
                    <Form.Group controlId="detail-load">
                      <Form.Label className="mb-0">Load case</Form.Label>
                      <Form.Select
                        value={detail.load ?? ''}
                        onChange={(event) => change({ ...detail, load: event.target.value || null })}
                      >
                        <option value="">none</option>
                        {boat.loads.map((load) => (
                          <option key={load.id} value={load.id}>
                            {load.name}
                          </option>
                        ))}
                      </Form.Select>
                    </Form.Group>
                    <QuantityField
                      label="Place along"
                      kind="length"
                      value={detail.x}
                      minimum={-10}
                      maximum={40}
                      onCommit={(x) => change({ ...detail, x: x! })}
                    />
                    <QuantityField
                      label="From the centreline"
                      kind="length"
                      value={detail.y}
                      minimum={-6}
                      maximum={6}
                      onCommit={(y) => change({ ...detail, y: y! })}
                    />
                    <QuantityField
                      label="Number on the boat"
                      kind="ratio"
                      value={detail.number}
                      minimum={1}
                      maximum={60}
                      onCommit={(number) =>
                        Number.isInteger(number)
                          ? change({ ...detail, number: number! })
                          : 'Number on the boat must be a whole number'
                      }
                    />
                    <QuantityField
                      label="Proof, share of the load"
                      kind="ratio"
                      value={detail.proof}
                      minimum={0.2}
                      maximum={3}
                      optional
                      hint="empty: none"
                      onCommit={(proof) => change({ ...detail, proof })}
                    />
                  </div>
                  <DetailForm boat={boat} detail={detail} materials={materials} onChange={change} />
                  <div>
                    <Button
                      size="sm"
                      variant="outline-primary"
                      onClick={() => setRefusal(edit({ type: 'detail.remove', id: detail.id }) ?? null)}
                    >
                      Remove this detail
                    </Button>
                  </div>
                </Card.Body>
              </Card>
            )}
          </div>
          {evaluation && detail && (
            <Card>
              <Card.Body>
                <div className="d-flex justify-content-between align-items-baseline gap-2">
                  <h2>{detail.name}</h2>
                  <span className="text-nowrap small">
                    {(['pdf', 'svg', 'dxf'] as const).map((format) => (
                      <a
                        key={format}
                        className="me-2"
                        download
                        href={`/api/boats/${boatId}/details/${detail.id}?format=${format}&units=${system}`}
                      >
                        {format === 'pdf' ? 'Sheet PDF' : `Drawing ${format.toUpperCase()}`}
                      </a>
                    ))}
                  </span>
                </div>
                <DetailFindings
                  boat={boat}
                  evaluation={evaluation}
                  onWorking={() =>
                    setWorking({
                      title: `${detail.name}: working`,
                      record: () => [{ title: detail.name, steps: detailWorking(boat, detail) }],
                    })
                  }
                />
              </Card.Body>
            </Card>
          )}
        </div>
      )}
      <Onward to="weights">Weights: does it meet the scales?</Onward>
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}
