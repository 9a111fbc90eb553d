'use client';
import { useState } from 'react';
import { Alert, Button, Card, Col, Form, Row } from 'react-bootstrap';
import type { ZoneGeometry } from '@/core/geometry';
import type { QuantityKind } from '@/core/quantity';
import type { Part, Zone } from '@/core/schedule';
import { ZONE_LOCATIONS, type ZoneLocation } from '@/core/standard';
import { QuantityField } from '../shared/QuantityField';
import { TextField } from '../shared/TextField';
import { useEdit } from '../shared/useEdit';

interface GeometryField {
  key: keyof ZoneGeometry;
  label: string;
  kind: QuantityKind;
  minimum: number;
  maximum: number;
  hint: string;
  only?: readonly ZoneLocation[];
}
const FIELDS: readonly GeometryField[] = [
  { key: 'area', label: 'Area', kind: 'area', minimum: 0.001, maximum: 1000, hint: 'laminated surface, both hands' },
  { key: 'panelLength', label: 'Panel length', kind: 'shortLength', minimum: 0.05, maximum: 10, hint: 'clear, fore and aft' },
  { key: 'panelBreadth', label: 'Panel breadth', kind: 'shortLength', minimum: 0.05, maximum: 10, hint: 'clear, across' },
  { key: 'crown', label: 'Crown', kind: 'shortLength', minimum: 0, maximum: 2, hint: 'rise over the short side' },
  { key: 'panelX', label: 'Panel centre', kind: 'length', minimum: -10, maximum: 30, hint: 'from aft end of waterline' },
  { key: 'centroidX', label: 'Centroid along', kind: 'length', minimum: -10, maximum: 30, hint: 'from aft end of waterline' },
  { key: 'centroidZ', label: 'Centroid height', kind: 'length', minimum: -5, maximum: 15, hint: 'above the baseline' },
  { key: 'edgeHeight', label: 'Edge height', kind: 'length', minimum: 0.05, maximum: 10, hint: 'hull edge above waterline', only: ['side', 'transom'] },
  { key: 'centreHeight', label: 'Panel height', kind: 'length', minimum: -5, maximum: 10, hint: 'panel centre above waterline', only: ['side', 'transom'] },
  { key: 'head', label: 'Head of water', kind: 'length', minimum: 0.05, maximum: 10, hint: 'two thirds down the panel to the top', only: ['bulkhead'] },
];

/** All figures of one zone. */
export function ZoneEditor({ part, zone, onRemoved }: { part: Part; zone: Zone; onRemoved: () => void }) {
  const edit = useEdit();
  const [refusal, setRefusal] = useState<string | null>(null);
  const layers = part.layers.filter((layer) => layer.zones.includes(zone.id)).length;

  const relocate = (location: ZoneLocation) => {
    const sided = location === 'side' || location === 'transom';
    const geometry: ZoneGeometry = {
      ...zone.geometry,
      edgeHeight: sided ? (zone.geometry.edgeHeight ?? 0.8) : null,
      centreHeight: sided ? (zone.geometry.centreHeight ?? 0.4) : null,
      head: location === 'bulkhead' ? (zone.geometry.head ?? 0.8) : null,
    };
    setRefusal(edit({ type: 'zone.set', zoneId: zone.id, patch: { location, geometry } }) ?? null);
  };

  return (
    <Card>
      <Card.Body className="d-grid gap-2">
        <h2 className="mb-0">
          {zone.name}{' '}
          <span className="soft fw-normal small">
            {part.name}, {layers} {layers === 1 ? 'layer' : 'layers'}
          </span>
        </h2>
        {refusal && (
          <Alert variant="danger" className="py-2 mb-0">
            {refusal}
          </Alert>
        )}
        <Row className="g-2">
          <Col>
            <TextField key={zone.id} label="Name of zone" value={zone.name} maximum={80} onCommit={(name) => edit({ type: 'zone.set', zoneId: zone.id, patch: { name } })} />
          </Col>
          <Col>
            <Form.Group controlId="zone-location">
              <Form.Label className="mb-0">Location</Form.Label>
              <Form.Select value={zone.location} onChange={(event) => relocate(event.target.value as ZoneLocation)}>
                {Object.entries(ZONE_LOCATIONS).map(([key, { label }]) => (
                  <option key={key} value={key}>
                    {label}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
          </Col>
        </Row>
        <Row className="g-2" xs={2}>
          {FIELDS.filter((field) => !field.only || field.only.includes(zone.location)).map(({ key, label, kind, minimum, maximum, hint }) => (
            <Col key={`${zone.id}-${key}`}>
              <QuantityField
                label={label}
                kind={kind}
                value={zone.geometry[key]}
                minimum={minimum}
                maximum={maximum}
                hint={hint}
                onCommit={(value) => edit({ type: 'zone.set', zoneId: zone.id, patch: { geometry: { ...zone.geometry, [key]: value } } })}
              />
            </Col>
          ))}
        </Row>
        <p className="form-text mb-0">Typed-in figures: measure them from your drawing. The laminate bends across the shorter side of the panel.</p>
        <div>
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() => {
              if (!edit({ type: 'zone.remove', zoneId: zone.id })) onRemoved();
            }}
          >
            Remove this zone
          </Button>{' '}
          <span className="form-text">Undo brings it back.</span>
        </div>
      </Card.Body>
    </Card>
  );
}
