'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { Button, Card, Form, InputGroup } from 'react-bootstrap';
import { applyEdits, moveBoundary, type Boundary } from '@/core/edit';
import { makeEvaluator, targetOf } from '@/core/evaluate';
import { coverOf, newPart, newPlace, newZone, PART_KINDS, shapeOf, type Boat, type Part } from '@/core/document';
import { ZONE_LOCATIONS } from '@/core/standard';
import { Term } from '../help/Term';
import { useBoatStore, useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { Tabs } from '../shared/Tabs';
import { useUnits } from '../shared/units';
import { useEdit } from '../shared/useEdit';
import { ZoneVerdict } from '../shared/Verdict';
import { BoatDrawing } from './BoatDrawing';
import { CopyPart } from './CopyPart';
import { CoverLines } from './CoverLines';
import { PanelsDrawing } from './PanelsDrawing';
import { PartEditor } from './PartEditor';
import { PressureChart } from './PressureChart';
import { SectionsDrawing } from './SectionsDrawing';
import { ShapeEditor } from './ShapeEditor';
import { SupportsEditor } from './SupportsEditor';
import { ZoneEditor } from './ZoneEditor';
import { Refusal } from '../shared/Refusal';
import { useDraft } from '../shared/useDraft';
import { useKept, useKeptTab } from '../shared/useKept';
import { useTurned } from '../shared/useTurned';

/** Where does the load change? */
export function ZonesScreen() {
  const state = useDesign();
  const { show, unit, words } = useUnits();
  const edit = useEdit();
  const store = useBoatStore();
  const boatNow = () => store.getState().boat;
  const [view, setView] = useKeptTab('zones.view', 'drawing', ['drawing', 'sections', 'pressure']);
  const [side, setSide] = useKeptTab('zones.side', 'zone', ['zone', 'part', 'shape', 'supports']);
  // While a boundary is held the page shows the boat as it would be; letting go makes it so.
  const [trial, setTrial] = useState<{ of: Boat; boat: Boat } | null>(null);
  const [evaluateTrial] = useState(makeEvaluator);
  const trying = trial !== null && trial.of === state.boat;
  const boat = trying ? trial.boat : state.boat;
  const shown = shapeOf(boat) === null ? 'pressure' : view;
  const evaluations = useMemo(
    () => (trying ? evaluateTrial(boat) : state.evaluations),
    [trying, boat, evaluateTrial, state.evaluations],
  );
  const drag = (move: { boundary: Boundary; to: number } | null) => {
    if (move === null) return setTrial(null);
    try {
      setTrial({ of: state.boat, boat: applyEdits(state.boat, moveBoundary(state.boat, move.boundary, move.to)).boat });
    } catch {
      // A place the zones do not allow: the last one that they did stays in view.
    }
  };
  const drop = (boundary: Boundary, to: number) => {
    const edits = moveBoundary(state.boat, boundary, to);
    setTrial(null);
    if (edits.length) setRefusal(edit(...edits) ?? null);
  };
  const cover = useMemo(() => coverOf(boat), [boat]);
  const target = targetOf(boat);
  const [chosen, setChosen] = useKept<string | null>('zones.zone', state.boat.parts[0]?.zones[0]?.id ?? null, (id) =>
    state.boat.parts.some(({ zones }) => zones.some((zone) => zone.id === id)),
  );
  const [partTyped, setPartName] = useDraft('name of a new part');
  const partName = partTyped ?? '';
  const [partKind, setPartKind] = useState<keyof typeof PART_KINDS>('small');
  const [refusal, setRefusal] = useState<string | null>(null);
  // A part whose last zone went is chosen by itself.
  const [empty, setEmpty] = useKept<string | null>('zones.part', null);
  const part = boat.parts.find(({ id, zones }) =>
    chosen === null ? id === empty : zones.some((zone) => zone.id === chosen),
  );
  const zone = part?.zones.find((candidate) => candidate.id === chosen);

  const choose = (id: string) => {
    setChosen(id);
    setSide('zone');
  };
  const choosePart = (owner: Part) => {
    setEmpty(owner.zones.length === 0 ? owner.id : null);
    setChosen(owner.zones[0]?.id ?? null);
    setSide('part');
  };
  useTurned(({ of, id }) => {
    const owner = boatNow().parts.find((one) => one.id === id || one.zones.some((held) => held.id === id));
    if (of === 'zone' && owner) choose(id!);
    if (of === 'part' && owner) choosePart(owner);
    if (of === 'support') setSide('supports');
    if (of === 'hull' || of === 'deck') setSide('shape');
  });
  const addZone = (partId: string) => {
    const owner = boat.parts.find((candidate) => candidate.id === partId)!;
    const { location, region } = newPlace(boat, owner.kind);
    const added = newZone(nanoid(8), `${owner.name} zone ${owner.zones.length + 1}`, location, { region });
    const said = edit({ type: 'zone.add', partId, zone: added, index: owner.zones.length, coveredBy: [] });
    setRefusal(said ?? null);
    if (!said) setChosen(added.id);
  };
  const addPart = () => {
    const id = nanoid(8);
    const { location, region } = newPlace(boat, partKind);
    const first = newZone(nanoid(8), partName.trim(), location, { region });
    const said = edit({
      type: 'part.add',
      part: newPart({ id, name: partName.trim(), kind: partKind, zones: [first] }),
      index: boat.parts.length,
    });
    setRefusal(said ?? null);
    if (!said) {
      setChosen(first.id);
      setPartName('');
    }
  };

  return (
    <>
      <p className="question">Where does the load change?</p>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <div className="layup">
        <div className="d-grid gap-3">
          <Card>
            <Card.Body>
              <Tabs
                names={{ drawing: 'Profile and plan', sections: 'Sections', pressure: 'Pressure' }}
                open={view}
                onOpen={setView}
              />
              {shown === 'pressure' && (
                <PressureChart boat={boat} evaluations={evaluations} chosen={chosen} onChoose={setChosen} />
              )}
              {shown === 'sections' && <SectionsDrawing boat={boat} zone={zone ?? null} onChoose={choose} />}
              {shown === 'drawing' && (
                <BoatDrawing boat={boat} chosen={chosen} onChoose={choose} onDrag={drag} onDrop={drop} />
              )}
            </Card.Body>
          </Card>
          <Card>
            <Card.Body className="p-0">
              <table className="table" aria-label="Zones">
                <thead>
                  <tr>
                    <th>Zone</th>
                    <th>Location</th>
                    <th className="num">
                      Area <span className="unit">{unit('area')}</span>
                    </th>
                    <th className="num">
                      <Term of="panel">Panel</Term> <span className="unit">{unit('shortLength')}</span>
                    </th>
                    <th className="num">
                      Pressure <span className="unit">{unit('pressure')}</span>
                    </th>
                    <th className="num">
                      <Term of="reserve">Reserve</Term>
                    </th>
                  </tr>
                </thead>
                {boat.parts.map((owner) => (
                  <tbody key={owner.id}>
                    <tr>
                      <th colSpan={5}>
                        <button
                          type="button"
                          className="reason-button"
                          title="Name, kind and place of the part"
                          onClick={() => choosePart(owner)}
                        >
                          {owner.name}
                        </button>{' '}
                        <span className="soft fw-normal">{PART_KINDS[owner.kind]}</span>
                      </th>
                      <td className="num">
                        <Button
                          size="sm"
                          variant="outline-primary"
                          className="py-0"
                          onClick={() => addZone(owner.id)}
                          aria-label={`Add a zone to ${owner.name}`}
                        >
                          Add zone
                        </Button>
                      </td>
                    </tr>
                    {owner.zones.map((row) => {
                      const e = evaluations.get(row.id)!;
                      return (
                        <tr key={row.id} className={row.id === chosen ? 'chosen-row' : ''}>
                          <td className="ps-4">
                            <button
                              type="button"
                              className="reason-button"
                              aria-pressed={row.id === chosen}
                              onClick={() => choose(row.id)}
                            >
                              {row.name}
                            </button>
                          </td>
                          <td>{ZONE_LOCATIONS[row.location].label}</td>
                          <td className="num">
                            {row.overridden.length > 0 && (
                              <span className="verdict thin me-1" title={`${row.overridden.length} typed over`}>
                                △
                              </span>
                            )}
                            {show(row.geometry.area, 'area')}
                          </td>
                          <td className="num">
                            {show(row.geometry.panelLength, 'shortLength')} ×{' '}
                            {show(row.geometry.panelBreadth, 'shortLength')}
                          </td>
                          <td className="num">{show(e.pressure?.pressure, 'pressure')}</td>
                          <td className="num">
                            {e.governing ? (
                              <ZoneVerdict evaluation={e} target={target} />
                            ) : (
                              <span className="soft" title={words(e.problem ?? '')}>
                                not checked
                              </span>
                            )}
                          </td>
                        </tr>
                      );
                    })}
                  </tbody>
                ))}
              </table>
            </Card.Body>
          </Card>
          <CoverLines cover={cover} />
          <Card>
            <Card.Body>
              <Form
                className="d-flex gap-2"
                onSubmit={(event) => {
                  event.preventDefault();
                  addPart();
                }}
              >
                <InputGroup>
                  <Form.Control
                    aria-label="Name of the new part"
                    placeholder="New part, e.g. Rudder"
                    maxLength={80}
                    value={partName}
                    onChange={(event) => setPartName(event.target.value)}
                  />
                  <Form.Select
                    aria-label="Kind of the new part"
                    value={partKind}
                    onChange={(event) => setPartKind(event.target.value as keyof typeof PART_KINDS)}
                  >
                    {Object.entries(PART_KINDS).map(([key, name]) => (
                      <option key={key} value={key}>
                        {name}
                      </option>
                    ))}
                  </Form.Select>
                </InputGroup>
                <Button type="submit" disabled={partName.trim() === ''} className="text-nowrap">
                  Add part
                </Button>
              </Form>
            </Card.Body>
          </Card>
        </div>
        <div className="d-grid gap-2 align-content-start">
          <Tabs
            variant="pills"
            className="small"
            names={{ zone: 'Zone', part: 'Part', supports: 'Supports', shape: 'Shape' }}
            open={side}
            onOpen={setSide}
          />
          {side === 'shape' && <ShapeEditor boat={boat} />}
          {side === 'supports' && <SupportsEditor boat={boat} zoneId={zone?.id ?? null} />}
          {side === 'zone' && part && zone && (
            <>
              {zone.region && (
                <Card>
                  <Card.Body>
                    <PanelsDrawing boat={boat} zone={zone} construction={evaluations.get(zone.id)!.construction} />
                  </Card.Body>
                </Card>
              )}
              <ZoneEditor boat={boat} part={part} zone={zone} onRemoved={() => setChosen(null)} />
            </>
          )}
          {side === 'part' && part && <PartEditor boat={boat} part={part} onRemoved={() => setChosen(null)} />}
          {side === 'part' && !part && <CopyPart boat={boat} />}
          {side === 'zone' && !(part && zone) && (
            <Card>
              <Card.Body className="soft">
                Choose a zone in the table or on the drawing to see and change its figures.
              </Card.Body>
            </Card>
          )}
        </div>
      </div>
      <Onward to="layup">Lay-up: what goes in, in what order?</Onward>
    </>
  );
}
