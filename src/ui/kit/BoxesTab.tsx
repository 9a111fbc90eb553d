'use client';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import { boxSchema, newBox, plugSchema, shapeOf, type Plug } from '@/core/document';
import type { Edit } from '@/core/edit';
import { PickButton } from '../shared/PickButton';
import { useDesign } from '../shared/boat';
import { freshName } from '../shared/freshName';
import { Refusal } from '../shared/Refusal';
import { useEdit } from '../shared/useEdit';
import { useKept } from '../shared/useKept';
import { BoxTakeoff } from './BoxTakeoff';
import { EntryForm } from '../shared/EntryForm';
import { PlugFrames } from './PlugFrames';

const CUT_OUT = { face: 'front', across: 0.1, up: 0.1, width: 0.2, height: 0.15 };

/** Small parts of flat panels, and the frames that a plug or mould stands on. */
export function BoxesTab() {
  const { boat } = useDesign();
  const edit = useEdit();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [kept, choose] = useKept<string>('kit.box', '', (id) =>
    [...boat.boxes, ...boat.plugs].some((one) => one.id === id),
  );
  const shape = shapeOf(boat);
  const id = kept || (boat.boxes[0]?.id ?? boat.plugs[0]?.id ?? '');
  const box = boat.boxes.find((one) => one.id === id);
  const plug = boat.plugs.find((one) => one.id === id);
  const act = (change: Edit, then?: string) => {
    const refused = edit(change);
    setRefusal(refused ?? null);
    if (refused === undefined && then !== undefined) choose(then);
    return refused;
  };
  const addBox = () => {
    const board =
      boat.materials.find(({ kind }) => kind === 'wood') ?? boat.materials.find(({ kind }) => kind === 'core');
    const item = newBox({ id: nanoid(8), name: freshName('Box', boat.boxes), material: board?.id ?? null });
    act({ type: 'box.add', item, index: boat.boxes.length }, item.id);
  };
  const addPlug = () => {
    if (!shape) return;
    const round = (value: number) => Number(value.toFixed(2));
    const { aft, bow } = shape.hull;
    const item: Plug = {
      id: nanoid(8),
      name: freshName('Plug', boat.plugs),
      kind: 'plug',
      from: round(aft + 0.05),
      to: round(bow - 0.1),
      spacing: 0.5,
      skin: 0.02,
      battenThickness: 0.015,
      battenWidth: 0.04,
      battenSpacing: 0.12,
      notched: false,
      board: 0.018,
      floor: round(shape.hull.at((aft + bow) / 2, 2)[2] + 0.6),
      level: round(shape.hull.waterline),
    };
    act({ type: 'plug.add', item, index: boat.plugs.length }, item.id);
  };
  return (
    <>
      <div className="weights-columns mb-3">
        <Card>
          <Card.Body className="d-grid gap-2 align-content-start">
            <div className="d-flex gap-2">
              <h2 className="mb-0 me-auto">Boxes, plugs and moulds</h2>
              <Button size="sm" onClick={addBox}>
                Add a box
              </Button>
              <Button size="sm" variant="outline-primary" disabled={!shape} onClick={addPlug}>
                Add a plug
              </Button>
            </div>
            <Refusal text={refusal} onClose={() => setRefusal(null)} />
            {boat.boxes.length + boat.plugs.length === 0 && (
              <p className="soft mb-0">
                None yet. A box is a locker, a seat, a pod or a hatch of flat panels: its faces, cut-outs, screws and
                skin. A plug or mould stands on frames that follow the hull.
              </p>
            )}
            <table className="table table-sm mb-0" aria-label="Boxes, plugs and moulds">
              <tbody>
                {[
                  ...boat.boxes.map((one) => ({ one, what: `box × ${one.number}` })),
                  ...boat.plugs.map((one) => ({ one, what: one.kind })),
                ].map(({ one, what }) => (
                  <tr key={one.id} className={one.id === id ? 'chosen-row' : ''}>
                    <td>
                      <PickButton onPick={() => choose(one.id)}>{one.name}</PickButton>
                    </td>
                    <td className="small">{what}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {box && (
              <EntryForm
                key={box.id}
                schema={boxSchema}
                addition={CUT_OUT}
                value={box}
                onSet={(item) => act({ type: 'box.set', item })}
                onRemove={() => act({ type: 'box.remove', id: box.id }, '')}
              />
            )}
            {plug && (
              <EntryForm
                key={plug.id}
                schema={plugSchema}
                value={plug}
                onSet={(item) => act({ type: 'plug.set', item })}
                onRemove={() => act({ type: 'plug.remove', id: plug.id }, '')}
              />
            )}
          </Card.Body>
        </Card>
        {box && <BoxTakeoff box={box} />}
        {plug && shape && <PlugFrames plug={plug} hull={shape.hull} />}
      </div>
      {plug && !shape && (
        <p className="soft">The boat has no shape yet: draw its hull under Zones, then its frames stand here.</p>
      )}
    </>
  );
}
