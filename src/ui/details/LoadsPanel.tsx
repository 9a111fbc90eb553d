'use client';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { actingLoad, LOAD_CAUSES, LOAD_START, loadCaseSchema, type LoadCase, type LoadCause } from '@/core/detail';
import { formFields, writeAt } from '@/core/field';
import type { Boat } from '@/core/document';
import { formatNumber } from '@/core/quantity';
import { EntityForm } from '../shared/EntityForm';
import { PickButton } from '../shared/PickButton';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { useKept } from '../shared/useKept';
import { TextField } from '../shared/TextField';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';
import { DirectionPicker } from './DirectionPicker';

/** Loads that come in over the base of what takes them. */
const AT_A_HEIGHT: ReadonlySet<LoadCause> = new Set(['wire', 'rightingMoment', 'tow', 'mooring']);

/** The load cases of the boat: cause, direction, factor, source. */
export function LoadsPanel({ boat }: { boat: Boat }) {
  const edit = useEdit();
  const { full } = useUnits();
  const [chosen, setChosen] = useKept<string | null>('details.load', boat.loads[0]?.id ?? null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const load = boat.loads.find(({ id }) => id === chosen) ?? boat.loads[0];
  const set = (item: LoadCase): string | undefined => edit({ type: 'load.set', item });
  const say = (text: string | undefined) => setRefusal(text ?? null);
  const add = () => {
    const id = nanoid(8);
    const item: LoadCase = {
      id,
      name: 'New load',
      cause: { kind: 'given', force: 5000 },
      direction: { how: 'angle', bearingDeg: 0, upDeg: 0 },
      height: 0,
      along: 0,
      across: 0,
      factor: 2,
      source: 'Given by the owner',
    };
    const said = edit({ type: 'load.add', item, index: boat.loads.length });
    say(said);
    if (!said) setChosen(id);
  };
  const acting = (one: LoadCase) => {
    if (one.cause.kind === 'person' && one.cause.stop === null) return 'by the panel it falls on';
    try {
      return full(actingLoad(one).force, 'force');
    } catch {
      return '–';
    }
  };
  return (
    <div className="details-columns">
      <Card>
        <Card.Body>
          <div className="d-flex justify-content-between">
            <h2>Load cases</h2>
            <Button size="sm" onClick={add}>
              Add a load
            </Button>
          </div>
          <table className="table table-sm" aria-label="Load cases">
            <thead>
              <tr>
                <th>Load</th>
                <th>Cause</th>
                <th className="num">Force</th>
                <th className="num">Factor</th>
              </tr>
            </thead>
            <tbody>
              {boat.loads.map((one) => (
                <tr key={one.id} className={one.id === load?.id ? 'chosen-row' : ''}>
                  <td>
                    <PickButton onPick={() => setChosen(one.id)}>{one.name}</PickButton>
                  </td>
                  <td className="small">{LOAD_CAUSES[one.cause.kind]}</td>
                  <td className="num">{acting(one)}</td>
                  <td className="num">{formatNumber(one.factor, 1)}</td>
                </tr>
              ))}
              {boat.loads.length === 0 && (
                <tr>
                  <td colSpan={4} className="soft">
                    None yet. Boats fail where load comes in: start with the largest.
                  </td>
                </tr>
              )}
            </tbody>
          </table>
        </Card.Body>
      </Card>
      {load && (
        <Card key={load.id}>
          <Card.Body className="d-grid gap-2">
            <Refusal text={refusal} onClose={() => setRefusal(null)} className="mb-0" />
            <TextField
              label="Name of the load"
              value={load.name}
              maximum={80}
              onCommit={(name) => set({ ...load, name })}
            />
            <Form.Group controlId="load-cause">
              <Form.Label className="mb-0">Cause</Form.Label>
              <Form.Select
                value={load.cause.kind}
                onChange={(event) => {
                  const kind = event.target.value as LoadCause;
                  say(set({ ...load, cause: { kind, ...LOAD_START[kind] } as LoadCase['cause'] }));
                }}
              >
                {Object.entries(LOAD_CAUSES).map(([key, name]) => (
                  <option key={key} value={key}>
                    {name}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
            <EntityForm
              key={load.cause.kind}
              fields={formFields(loadCaseSchema.shape.cause, '', [], load.cause)}
              value={load.cause}
              optionsOf={() => []}
              additionTo={() => null}
              onSet={(key, value) => set({ ...load, cause: writeAt(load.cause, key, value) })}
            />
            <EntityForm
              fields={formFields(loadCaseSchema.pick({ height: true, along: true, across: true }), '', [], load)}
              value={load}
              optionsOf={() => []}
              additionTo={() => null}
              onSet={(key, value) => set(writeAt(load, key, value))}
            />
            {load.height === 0 && AT_A_HEIGHT.has(load.cause.kind) && (
              <p className="form-text mb-0">
                <span className="verdict thin">△ at the base</span> a line or wire usually comes in over the base: its
                height turns the fitting over, and is checked once it is given.
              </p>
            )}
            <QuantityField
              label="Factor"
              kind="ratio"
              value={load.factor}
              minimum={1}
              maximum={10}
              hint="on the load, for the detail"
              onCommit={(factor) => set({ ...load, factor: factor! })}
            />
            {load.cause.kind === 'lifting' && (
              <p className="form-text mb-0">
                The slings pull {formatNumber(load.cause.slingDeg, 0)}° from the vertical, as typed above; of the
                direction only the bearing counts.
              </p>
            )}
            <Form.Group controlId="load-how">
              <Form.Label className="mb-0">Direction</Form.Label>
              <Form.Select
                value={load.direction.how}
                onChange={(event) =>
                  say(
                    set({
                      ...load,
                      direction:
                        event.target.value === 'angle'
                          ? { how: 'angle', bearingDeg: 0, upDeg: 0 }
                          : { how: 'ratio', forward: 1, outboard: 0, up: 0 },
                    }),
                  )
                }
              >
                <option value="angle">as angles, or picked on the drawing</option>
                <option value="ratio">so much forward in so much up and outboard</option>
              </Form.Select>
            </Form.Group>
            {load.direction.how === 'angle' ? (
              <div className="d-flex gap-3 flex-wrap">
                <DirectionPicker
                  bearingDeg={load.direction.bearingDeg}
                  upDeg={load.direction.upDeg}
                  onChange={(bearingDeg, upDeg) =>
                    say(set({ ...load, direction: { how: 'angle', bearingDeg, upDeg } }))
                  }
                />
                <div className="d-grid gap-2">
                  <QuantityField
                    label="From forward, towards outboard"
                    kind="angle"
                    value={load.direction.bearingDeg}
                    minimum={-180}
                    maximum={180}
                    onCommit={(bearingDeg) =>
                      set({
                        ...load,
                        direction: { ...load.direction, bearingDeg: bearingDeg! } as LoadCase['direction'],
                      })
                    }
                  />
                  <QuantityField
                    label="Up from the horizontal"
                    kind="angle"
                    value={load.direction.upDeg}
                    minimum={-90}
                    maximum={90}
                    onCommit={(upDeg) =>
                      set({ ...load, direction: { ...load.direction, upDeg: upDeg! } as LoadCase['direction'] })
                    }
                  />
                </div>
              </div>
            ) : (
              <div className="detail-fields">
                {(['forward', 'outboard', 'up'] as const).map((key) => (
                  <QuantityField
                    key={key}
                    label={key[0]!.toUpperCase() + key.slice(1)}
                    kind="ratio"
                    value={(load.direction as Extract<LoadCase['direction'], { how: 'ratio' }>)[key]}
                    minimum={-1000}
                    maximum={1000}
                    onCommit={(value) =>
                      set({ ...load, direction: { ...load.direction, [key]: value } as LoadCase['direction'] })
                    }
                  />
                ))}
              </div>
            )}
            <TextField
              label="Where it comes from"
              value={load.source}
              maximum={200}
              onCommit={(source) => set({ ...load, source })}
            />
            <div>
              <Button
                size="sm"
                variant="outline-primary"
                onClick={() => say(edit({ type: 'load.remove', id: load.id }))}
              >
                Remove this load
              </Button>
            </div>
          </Card.Body>
        </Card>
      )}
    </div>
  );
}
