'use client';
import { Col, Form, Row } from 'react-bootstrap';
import type { HullEdge, Region } from '@/core/geometry';
import { regionFor, surfaceOf, SURFACES, type Boat, type Surface, type Zone } from '@/core/document';
import { QuantityField } from '../shared/QuantityField';
import { DimensionField } from './DimensionField';

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
      {edge.kind === 'girth' && (
        <QuantityField
          label="Distance"
          kind="shortLength"
          value={edge.distance}
          minimum={0.02}
          maximum={10}
          hint="along the skin"
          onCommit={(value) => onChange({ kind: 'girth', distance: value! })}
        />
      )}
      {edge.kind === 'height' && (
        <QuantityField
          label="Height"
          kind="length"
          value={edge.height}
          minimum={-2}
          maximum={12}
          hint="above the baseline"
          onCommit={(value) => onChange({ kind: 'height', height: value! })}
        />
      )}
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
      <Row className="g-2" xs={2}>
        {region?.surface === 'hull' && (
          <>
            <Col>
              <EdgeField label="Lower" edge={region.lower} onChange={(lower) => onChange({ ...region, lower })} />
            </Col>
            <Col>
              <EdgeField label="Upper" edge={region.upper} onChange={(upper) => onChange({ ...region, upper })} />
            </Col>
          </>
        )}
        {region && 'from' in region && (
          <>
            <DimensionField
              label="From"
              value={region.from}
              range={[-10, 40]}
              hint="aft end; off the boat means its end"
              onTake={(from) => onChange({ ...region, from })}
            />
            <DimensionField
              label="To"
              value={region.to}
              range={[-10, 40]}
              hint="fore end"
              onTake={(to) => onChange({ ...region, to })}
            />
          </>
        )}
        {region?.surface === 'section' && (
          <DimensionField
            label="At"
            value={region.x}
            range={[-10, 40]}
            hint="from aft end of waterline"
            onTake={(x) => onChange({ ...region, x })}
          />
        )}
        {region?.surface === 'section' && (
          <Col>
            <QuantityField
              label="Top"
              kind="length"
              value={region.top}
              minimum={-2}
              maximum={12}
              optional
              hint="height; empty means to the deck"
              onCommit={(top) => onChange({ ...region, top })}
            />
          </Col>
        )}
        {region?.surface === 'pan' && (
          <>
            <DimensionField
              label="Half-breadth aft"
              value={region.halfBreadthAft}
              range={[0.05, 5]}
              onTake={(halfBreadthAft) => onChange({ ...region, halfBreadthAft })}
            />
            <DimensionField
              label="Half-breadth fore"
              value={region.halfBreadthFore}
              range={[0.05, 5]}
              onTake={(halfBreadthFore) => onChange({ ...region, halfBreadthFore })}
            />
            <DimensionField
              label="Height"
              value={region.height}
              range={[-2, 12]}
              hint="above the baseline"
              onTake={(height) => onChange({ ...region, height })}
            />
          </>
        )}
        {region?.surface === 'rectangle' && (
          <>
            <DimensionField
              label="Along"
              value={region.x}
              range={[-10, 40]}
              hint="middle"
              onTake={(x) => onChange({ ...region, x })}
            />
            <DimensionField
              label="Off centre"
              value={region.y}
              range={[0, 6]}
              hint="middle"
              onTake={(y) => onChange({ ...region, y })}
            />
            <DimensionField
              label="Height"
              value={region.height}
              range={[-2, 12]}
              hint="above the baseline"
              onTake={(height) => onChange({ ...region, height })}
            />
            <DimensionField
              label="Length"
              value={region.length}
              range={[0.02, 12]}
              onTake={(value) => onChange({ ...region, length: value })}
            />
            <DimensionField
              label="Breadth"
              value={region.breadth}
              range={[0.02, 8]}
              onTake={(breadth) => onChange({ ...region, breadth })}
            />
            <Col>
              <Form.Group controlId="rectangle-count">
                <Form.Label className="mb-0">How many</Form.Label>
                <Form.Control
                  type="number"
                  className="num"
                  min={1}
                  max={40}
                  value={region.count}
                  onChange={(event) =>
                    onChange({
                      ...region,
                      count: Math.min(40, Math.max(1, Math.round(Number(event.target.value) || 1))),
                    })
                  }
                />
              </Form.Group>
            </Col>
          </>
        )}
      </Row>
    </>
  );
}
