'use client';
import { Col, Form, Row } from 'react-bootstrap';
import { formFields, writeAt } from '@/core/field';
import { hullEdgeSchema, regionSchema, type HullEdge, type Region } from '@/core/geometry';
import { regionFor, surfaceOf, SURFACES, type Boat, type Surface, type Zone } from '@/core/document';
import { EntityForm } from '../shared/EntityForm';

/** Where an edge lies to begin with, m. */
const NEW_EDGE: Record<HullEdge['kind'], HullEdge> = {
  centreline: { kind: 'centreline' },
  chine: { kind: 'chine' },
  waterline: { kind: 'waterline' },
  deckEdge: { kind: 'deckEdge' },
  girth: { kind: 'girth', distance: 0.25 },
  height: { kind: 'height', height: 0.5 },
};

const EDGES = {
  centreline: 'Centreline',
  girth: 'So far from the centreline',
  chine: 'Chine or bilge',
  waterline: 'Waterline',
  height: 'Height',
  deckEdge: 'Deck edge',
} as const;

/** Chosen with the surface, or entered beside the form. */
const WITH_THE_SURFACE = ['surface', 'piece', 'lower', 'upper'];

function EdgeField({
  label,
  edge,
  onChange,
}: {
  label: string;
  edge: HullEdge;
  onChange: (edge: HullEdge) => string | undefined;
}) {
  const choose = (kind: HullEdge['kind']) => onChange(NEW_EDGE[kind]);
  return (
    <Form.Group controlId={`edge-${label}`}>
      <Form.Label className="mb-0">{label} edge</Form.Label>
      <Form.Select size="sm" value={edge.kind} onChange={(event) => choose(event.target.value as HullEdge['kind'])}>
        {Object.entries(EDGES).map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </Form.Select>
      <EntityForm
        fields={formFields(hullEdgeSchema, '', [], edge)}
        value={edge}
        optionsOf={() => []}
        additionTo={() => null}
        onSet={(key, value) => onChange(writeAt(edge, key, value))}
      />
    </Form.Group>
  );
}

/** Where a zone lies on the boat. */
export function RegionEditor({
  boat,
  zone,
  onChange,
}: {
  boat: Boat;
  zone: Zone;
  onChange: (region: Region | null) => string | undefined;
}) {
  const { region } = zone;
  const surface = surfaceOf(region);
  return (
    <>
      <Form.Group controlId="zone-surface">
        <Form.Label className="mb-0">Place on the boat</Form.Label>
        <Form.Select
          value={surface}
          onChange={(event) =>
            onChange(
              regionFor(event.target.value as Surface, boat, {
                x: zone.geometry.centroidX,
                z: zone.geometry.centroidZ,
              }),
            )
          }
          disabled={boat.hull === null}
        >
          {Object.entries(SURFACES).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Form.Select>
        {boat.hull === null && <div className="form-text">Give the boat a hull shape first (Shape).</div>}
      </Form.Group>
      {region?.surface === 'hull' && (
        <div className="form-text mt-0">
          {boat.brief.kind === 'sail'
            ? 'The method parts bottom from side at the loaded waterline on a sailing craft.'
            : 'The method parts bottom from side at the chine; on a round bilge where ' +
              'it stands at 50°, in displacement mode at the waterline.'}
        </div>
      )}
      {region?.surface === 'hull' && (
        <Row className="g-2" xs={2}>
          <Col>
            <EdgeField label="Lower" edge={region.lower} onChange={(lower) => onChange({ ...region, lower })} />
          </Col>
          <Col>
            <EdgeField label="Upper" edge={region.upper} onChange={(upper) => onChange({ ...region, upper })} />
          </Col>
        </Row>
      )}
      {region && (
        <EntityForm
          fields={formFields(regionSchema, '', WITH_THE_SURFACE, region)}
          value={region}
          optionsOf={() => []}
          additionTo={() => null}
          onSet={(key, value) => onChange(writeAt(region, key, value))}
        />
      )}
    </>
  );
}
