'use client';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Card, Form } from 'react-bootstrap';
import type { Edit } from '@/core/edit';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { useDesign } from '../shared/boat';
import { useEditAs } from '../shared/useEdit';
import { OutlineSource, type SourceOutline } from './OutlineSource';

/** Pieces that the schedule does not ask for, from a drawing or from measures. */
export function AddPieces() {
  const { boat } = useDesign();
  const editAs = useEditAs();
  const cloths = boat.materials.filter(({ kind }) => kind === 'fabric' || kind === 'core');
  const [material, setMaterial] = useState(cloths[0]?.id ?? '');
  const [thickness, setThickness] = useState(0.015);
  const [refusal, setRefusal] = useState<string | null>(null);
  const chosen = cloths.find(({ id }) => id === material);
  const add = (outlines: SourceOutline[]) => {
    const edits = outlines.map(({ name, outline }, i): Edit => ({
      type: 'pieceDrawing.add',
      index: boat.pieceDrawings.length + i,
      item: {
        id: nanoid(8),
        name,
        piece: null,
        bothHands: false,
        material,
        thickness: chosen?.kind === 'core' ? thickness : null,
        count: 1,
        outline: outline.map(([x, y]) => [x, y]),
        notches: [],
        basis: null,
      },
    }));
    setRefusal(editAs(`add ${outlines.length} pieces of their own`, ...edits) ?? null);
  };
  if (cloths.length === 0) return null;
  return (
    <Card body className="mb-3 d-print-none">
      <h2>Pieces of their own</h2>
      <p className="soft mb-2">
        Templates, patches and covers that no layer asks for: they are cut, labelled and bought with the rest.
      </p>
      <div className="d-flex gap-3 align-items-end flex-wrap mb-2">
        <Form.Group controlId="own-material">
          <Form.Label className="mb-0">Cut of</Form.Label>
          <Form.Select size="sm" value={material} onChange={({ target }) => setMaterial(target.value)}>
            {cloths.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {chosen?.kind === 'core' && (
          <QuantityField
            label="Thickness"
            kind="shortLength"
            value={thickness}
            minimum={0.001}
            maximum={0.2}
            onCommit={(value) => setThickness(value ?? thickness)}
          />
        )}
      </div>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <OutlineSource title="From a drawing or from measures" several onOutlines={add} />
    </Card>
  );
}
