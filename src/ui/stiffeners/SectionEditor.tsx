'use client';
import { useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { PREPARATIONS, type Material } from '@/core/material';
import { ingredients, type Boat } from '@/core/document';
import type { Edit } from '@/core/edit';
import { SECTION_KINDS, type SectionLayer, type StiffenerSection } from '@/core/stiffener';
import { QuantityField } from '../shared/QuantityField';
import { TextField } from '../shared/TextField';
import { useEdit } from '../shared/useEdit';
import { Refusal } from '../shared/Refusal';

/** The edits that bring a material of the Shelf, with its fibres, into the boat. */
export function bring(boat: Boat, shelf: readonly Material[], id: string): Edit[] {
  const has = (one: string) => boat.materials.some((material) => material.id === one);
  const wanted = shelf.find((material) => material.id === id);
  if (has(id) || !wanted) return [];
  const fibres = ingredients(wanted)
    .filter((fibre) => !has(fibre))
    .flatMap((fibre) => shelf.find((material) => material.id === fibre) ?? []);
  return [...fibres, wanted].map((material) => ({ type: 'material.put', material }));
}

/** Dimensions and layers of a section; every change is computed at once. */
export function SectionEditor({ boat, shelf, section }: { boat: Boat; shelf: Material[]; section: StiffenerSection }) {
  const edit = useEdit();
  const [refusal, setRefusal] = useState<string | null>(null);
  const all = [...boat.materials, ...shelf.filter(({ id }) => !boat.materials.some((own) => own.id === id))];
  const fabrics = all.filter((material) => material.kind === 'fabric');
  const cores = all.filter((material) => material.kind === 'core');
  const adhesives = all.filter((material) => material.kind === 'adhesive');
  const put = (patch: Partial<StiffenerSection>, material?: string) => {
    const said = edit(...(material ? bring(boat, shelf, material) : []), {
      type: 'section.set',
      item: { ...section, ...patch },
    });
    setRefusal(said ?? null);
    return said;
  };
  const setLayer = (at: number, patch: Partial<SectionLayer>) =>
    put({ layers: section.layers.map((layer, i) => (i === at ? { ...layer, ...patch } : layer)) }, patch.material);
  /** A flat bar has no crown to lay over: as a top-hat all its layers run over it, until they are told otherwise. */
  const turnInto = (kind: StiffenerSection['kind']) => {
    const crowned = kind !== 'topHat' || section.layers.some(({ crown }) => crown);
    put({ kind, layers: crowned ? section.layers : section.layers.map((layer) => ({ ...layer, crown: true })) });
  };
  const size = (label: string, key: 'height' | 'baseWidth' | 'crownWidth' | 'flangeWidth', maximum: number) => (
    <Col>
      <QuantityField
        label={label}
        kind="shortLength"
        value={section[key]}
        minimum={0.01}
        maximum={maximum}
        onCommit={(value) => put({ [key]: value! })}
      />
    </Col>
  );
  const hat = section.kind === 'topHat';
  return (
    <div className="d-grid gap-2">
      <Refusal text={refusal} onClose={() => setRefusal(null)} className="mb-0" />
      <Row className="g-2">
        <Col>
          <TextField
            key={section.id}
            label="Name of section"
            value={section.name}
            maximum={60}
            onCommit={(name) => put({ name })}
          />
        </Col>
        <Col>
          <Form.Group controlId="section-kind">
            <Form.Label className="mb-0">Kind</Form.Label>
            <Form.Select
              value={section.kind}
              onChange={(event) => turnInto(event.target.value as StiffenerSection['kind'])}
            >
              {Object.entries(SECTION_KINDS).map(([key, words]) => (
                <option key={key} value={key}>
                  {words}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        </Col>
      </Row>
      <Row className="g-2" xs={2}>
        {size('Height', 'height', 0.6)}
        {size('Flange, each side', 'flangeWidth', 0.3)}
        {hat && size('Width at the foot', 'baseWidth', 0.6)}
        {hat && size('Width of the crown', 'crownWidth', 0.6)}
      </Row>
      {hat && (
        <Form.Group controlId="section-former">
          <Form.Label className="mb-0">Former</Form.Label>
          <Form.Select
            value={section.former ?? ''}
            onChange={(event) => put({ former: event.target.value || null }, event.target.value)}
          >
            <option value="">hollow, paper tube or taken away</option>
            {cores.map((core) => (
              <option key={core.id} value={core.id}>
                {core.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      )}
      <Form.Group controlId="section-bonded">
        <Form.Label className="mb-0">Bonded to the plating</Form.Label>
        <Form.Select
          value={section.bonded}
          onChange={(event) => put({ bonded: event.target.value as StiffenerSection['bonded'] })}
        >
          <option value="notSaid">not said (counts as peel ply alone)</option>
          {Object.entries(PREPARATIONS).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group controlId="section-adhesive">
        <Form.Label className="mb-0">Glued with</Form.Label>
        <Form.Select
          value={section.adhesive ?? ''}
          onChange={(event) => put({ adhesive: event.target.value || null }, event.target.value)}
        >
          <option value="">laminated on, no glue</option>
          {adhesives.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </Form.Select>
        {section.adhesive !== null && (
          <Form.Text>Weighed at its usual bond line; under a liner’s ribs the liner brings it.</Form.Text>
        )}
      </Form.Group>
      <table className="table table-sm align-middle mb-0 section-layers" aria-label={`Layers of ${section.name}`}>
        <thead>
          <tr>
            <th>Layer</th>
            <th className="num">Angle °</th>
            {hat && <th>Crown</th>}
            <th>Web</th>
            <th>Flange</th>
            <th aria-label="Remove" />
          </tr>
        </thead>
        <tbody>
          {section.layers.map((layer, at) => (
            <tr key={at}>
              <td>
                <Form.Select
                  size="sm"
                  aria-label={`Fabric of layer ${at + 1}`}
                  value={layer.material}
                  onChange={(event) => setLayer(at, { material: event.target.value })}
                >
                  {fabrics.map((fabric) => (
                    <option key={fabric.id} value={fabric.id}>
                      {fabric.code}
                    </option>
                  ))}
                </Form.Select>
              </td>
              <td className="angle">
                <Form.Select
                  size="sm"
                  className="num"
                  aria-label={`Angle of layer ${at + 1}`}
                  value={layer.angleDeg}
                  onChange={(event) => setLayer(at, { angleDeg: Number(event.target.value) })}
                >
                  {[...new Set([-90, -60, -45, -30, 0, 30, 45, 60, 90, layer.angleDeg])]
                    .sort((a, b) => a - b)
                    .map((angle) => (
                      <option key={angle} value={angle}>
                        {angle}
                      </option>
                    ))}
                </Form.Select>
              </td>
              {(hat ? (['crown', 'web', 'flange'] as const) : (['web', 'flange'] as const)).map((place) => (
                <td key={place}>
                  <Form.Check
                    aria-label={`Layer ${at + 1} on the ${place}`}
                    checked={layer[place]}
                    onChange={(event) => setLayer(at, { [place]: event.target.checked })}
                  />
                </td>
              ))}
              <td>
                <button
                  type="button"
                  className="reason-button"
                  aria-label={`Remove layer ${at + 1}`}
                  onClick={() => put({ layers: section.layers.filter((_, i) => i !== at) })}
                >
                  ✕
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div>
        <Button
          size="sm"
          variant="outline-primary"
          onClick={() =>
            put({
              layers: [
                ...section.layers,
                {
                  ...(section.layers.at(-1) ?? {
                    material: fabrics[0]!.id,
                    angleDeg: 0,
                    crown: true,
                    web: true,
                    flange: true,
                  }),
                },
              ],
            })
          }
        >
          Add layer
        </Button>
      </div>
      <p className="form-text mb-0">
        Angles from the stiffener's own direction. Webs carry the shear: ±45 there; unidirectional belongs on the crown.
      </p>
    </div>
  );
}
