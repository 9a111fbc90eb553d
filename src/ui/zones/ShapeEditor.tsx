'use client';
import { useState } from 'react';
import { Button, Card, Col, Form, Row } from 'react-bootstrap';
import {
  FLOORS_AT_KEEL,
  SHAPE_NUMBERS,
  shapeFor,
  type DeckShape,
  type HullShape,
  type ShapeNumber,
} from '@/core/geometry';
import { formatNumber } from '@/core/quantity';
import { particularsOf, shapeOf, type Boat } from '@/core/document';
import { QuantityField } from '../shared/QuantityField';
import { DimensionField } from './DimensionField';
import { useUnits } from '../shared/units';
import { useEdit } from '../shared/useEdit';
import { HullImport } from './hullImport/HullImport';
import { Refusal } from '../shared/Refusal';

/** The hull's shape and its deck: where they come from, and the figures that draw them. */
export function ShapeEditor({ boat }: { boat: Boat }) {
  const edit = useEdit();
  const { full } = useUnits();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [importing, setImporting] = useState(false);
  const { hull, deck, brief } = boat;
  const act = (...edits: Parameters<typeof edit>) => {
    const said = edit(...edits);
    setRefusal(said ?? null);
    return said;
  };
  const setHull = (next: HullShape) => act({ type: 'hull.set', hull: next });
  const setDeck = (next: DeckShape) => act({ type: 'deck.set', deck: next });
  const shape = shapeOf(boat);
  const displaced = shape ? shape.hull.displacedVolume * 1025 : null;
  const middle = brief.waterlineLength / 2;

  return (
    <Card>
      <Card.Body className="d-grid gap-2">
        <h2 className="mb-0">Shape</h2>
        <Refusal text={refusal} onClose={() => setRefusal(null)} className="mb-0" />
        <div className="d-flex gap-2 flex-wrap">
          <Button
            size="sm"
            variant={hull?.source === 'particulars' ? 'primary' : 'outline-primary'}
            aria-pressed={hull?.source === 'particulars'}
            onClick={() => hull?.source !== 'particulars' && setHull(shapeFor(particularsOf(brief), brief.kind))}
          >
            From particulars
          </Button>
          <Button
            size="sm"
            variant={hull && hull.source !== 'particulars' ? 'primary' : 'outline-primary'}
            onClick={() => setImporting(true)}
          >
            From a file…
          </Button>
        </div>
        {hull === null && <p className="small mb-0">No hull shape yet: zones stand on typed-in figures.</p>}
        {hull && hull.source !== 'particulars' && (
          <p className="small mb-0">
            From {hull.file || 'a file'}: {hull.stations.length} stations
            {hull.source === 'mesh' ? ` cut from ${hull.triangles} triangles` : ''}.
          </p>
        )}
        {displaced !== null && (
          <p className="small mb-0">
            Displaces {full(displaced, 'mass')} at its waterline; loaded mass in the brief{' '}
            {full(brief.loadedMass, 'mass')}.{' '}
            {Math.abs(displaced / brief.loadedMass - 1) > 0.1 && (
              <span className="verdict thin">
                △ {formatNumber((displaced / brief.loadedMass - 1) * 100, 0)} %: adjust the draft or the mass
              </span>
            )}
          </p>
        )}
        {hull && (
          <div className="d-flex gap-3 flex-wrap">
            <Form.Check
              id="edge-keel"
              label="Keel holds panels"
              checked={hull.hardEdges.keel}
              onChange={(event) => setHull({ ...hull, hardEdges: { ...hull.hardEdges, keel: event.target.checked } })}
            />
            <Form.Check
              id="edge-chine"
              label="Chine holds panels"
              checked={hull.hardEdges.chine}
              onChange={(event) => setHull({ ...hull, hardEdges: { ...hull.hardEdges, chine: event.target.checked } })}
            />
            <Form.Group controlId="floors-at-keel" className="d-flex align-items-center gap-2">
              <Form.Label className="mb-0">Keel holds floors</Form.Label>
              <Form.Select
                size="sm"
                className="w-auto"
                value={hull.hardEdges.floors}
                onChange={(event) =>
                  setHull({
                    ...hull,
                    hardEdges: { ...hull.hardEdges, floors: event.target.value as typeof hull.hardEdges.floors },
                  })
                }
              >
                {Object.entries(FLOORS_AT_KEEL).map(([key, name]) => (
                  <option key={key} value={key}>
                    {name}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
          </div>
        )}
        {hull?.source === 'particulars' && (
          <>
            <Form.Group controlId="hull-form">
              <Form.Label className="mb-0">Form</Form.Label>
              <Form.Select
                value={hull.form}
                onChange={(event) => setHull({ ...hull, form: event.target.value as typeof hull.form })}
              >
                <option value="hardChine">Hard chine</option>
                <option value="roundBilge">Round bilge</option>
              </Form.Select>
            </Form.Group>
            <Row className="g-2" xs={2}>
              {(Object.keys(SHAPE_NUMBERS) as ShapeNumber[]).map((key) => {
                const { label, quantity, minimum, maximum, hint } = SHAPE_NUMBERS[key];
                return (
                  <Col key={key}>
                    <QuantityField
                      label={label}
                      kind={quantity}
                      value={hull[key]}
                      minimum={minimum}
                      maximum={maximum}
                      hint={hint}
                      onCommit={(value) => setHull({ ...hull, [key]: value! })}
                    />
                  </Col>
                );
              })}
            </Row>
            <p className="form-text mb-0">Lengths, beams and midship deadrise are the brief's.</p>
          </>
        )}
        {hull && hull.source !== 'particulars' && (
          <Row className="g-2" xs={2}>
            <DimensionField
              label="Waterline"
              value={hull.waterline}
              range={[0.01, 6]}
              hint="above the baseline"
              onTake={(waterline) => setHull({ ...hull, waterline })}
            />
            <DimensionField
              label="Transom rake"
              kind="angle"
              value={hull.transomRakeDeg}
              range={[-40, 40]}
              onTake={(transomRakeDeg) => setHull({ ...hull, transomRakeDeg })}
            />
          </Row>
        )}
        {hull && (
          <>
            <h3 className="mb-0 mt-2">Deck</h3>
            <Row className="g-2" xs={2}>
              <DimensionField
                label="Camber"
                value={deck.camber}
                range={[0, 1]}
                hint="rise amidships at its widest"
                onTake={(camber) => setDeck({ ...deck, camber })}
              />
            </Row>
            <Form.Check
              id="deck-cockpit"
              label="Cockpit"
              checked={deck.cockpit !== null}
              onChange={(event) =>
                setDeck({
                  ...deck,
                  cockpit: event.target.checked
                    ? {
                        from: 0.3,
                        to: middle,
                        halfBreadthAft: 0.3 * brief.maximumBeam,
                        halfBreadthFore: 0.3 * brief.maximumBeam,
                        soleHeight: (shape?.hull.waterline ?? 0.3) + 0.15,
                      }
                    : null,
                })
              }
            />
            {deck.cockpit && (
              <Row className="g-2" xs={2}>
                <DimensionField
                  label="Aft end"
                  value={deck.cockpit.from}
                  range={[-10, 40]}
                  onTake={(from) => setDeck({ ...deck, cockpit: { ...deck.cockpit!, from } })}
                />
                <DimensionField
                  label="Fore end"
                  value={deck.cockpit.to}
                  range={[-10, 40]}
                  onTake={(to) => setDeck({ ...deck, cockpit: { ...deck.cockpit!, to } })}
                />
                <DimensionField
                  label="Half-breadth aft"
                  value={deck.cockpit.halfBreadthAft}
                  range={[0.05, 5]}
                  onTake={(halfBreadthAft) => setDeck({ ...deck, cockpit: { ...deck.cockpit!, halfBreadthAft } })}
                />
                <DimensionField
                  label="Half-breadth fore"
                  value={deck.cockpit.halfBreadthFore}
                  range={[0.05, 5]}
                  onTake={(halfBreadthFore) => setDeck({ ...deck, cockpit: { ...deck.cockpit!, halfBreadthFore } })}
                />
                <DimensionField
                  label="Sole height"
                  value={deck.cockpit.soleHeight}
                  range={[0, 6]}
                  hint="above the baseline"
                  onTake={(soleHeight) => setDeck({ ...deck, cockpit: { ...deck.cockpit!, soleHeight } })}
                />
              </Row>
            )}
            <Form.Check
              id="deck-coachroof"
              label="Coachroof or wheelhouse"
              checked={deck.coachroof !== null}
              onChange={(event) =>
                setDeck({
                  ...deck,
                  coachroof: event.target.checked
                    ? {
                        from: middle,
                        to: 0.75 * brief.waterlineLength,
                        halfBreadthAft: 0.3 * brief.maximumBeam,
                        halfBreadthFore: 0.22 * brief.maximumBeam,
                        height: 0.4,
                        frontRakeDeg: 30,
                        sideRakeDeg: 8,
                      }
                    : null,
                })
              }
            />
            {deck.coachroof && (
              <Row className="g-2" xs={2}>
                <DimensionField
                  label="Roof aft end"
                  value={deck.coachroof.from}
                  range={[-10, 40]}
                  onTake={(from) => setDeck({ ...deck, coachroof: { ...deck.coachroof!, from } })}
                />
                <DimensionField
                  label="Roof fore end"
                  value={deck.coachroof.to}
                  range={[-10, 40]}
                  hint="at the deck"
                  onTake={(to) => setDeck({ ...deck, coachroof: { ...deck.coachroof!, to } })}
                />
                <DimensionField
                  label="Roof half-breadth aft"
                  value={deck.coachroof.halfBreadthAft}
                  range={[0.05, 5]}
                  onTake={(halfBreadthAft) => setDeck({ ...deck, coachroof: { ...deck.coachroof!, halfBreadthAft } })}
                />
                <DimensionField
                  label="Roof half-breadth fore"
                  value={deck.coachroof.halfBreadthFore}
                  range={[0.05, 5]}
                  onTake={(halfBreadthFore) => setDeck({ ...deck, coachroof: { ...deck.coachroof!, halfBreadthFore } })}
                />
                <DimensionField
                  label="Roof height"
                  value={deck.coachroof.height}
                  range={[0.05, 3]}
                  hint="above the deck"
                  onTake={(height) => setDeck({ ...deck, coachroof: { ...deck.coachroof!, height } })}
                />
                <DimensionField
                  label="Front rake"
                  kind="angle"
                  value={deck.coachroof.frontRakeDeg}
                  range={[0, 75]}
                  onTake={(frontRakeDeg) => setDeck({ ...deck, coachroof: { ...deck.coachroof!, frontRakeDeg } })}
                />
                <DimensionField
                  label="Side rake"
                  kind="angle"
                  value={deck.coachroof.sideRakeDeg}
                  range={[0, 45]}
                  onTake={(sideRakeDeg) => setDeck({ ...deck, coachroof: { ...deck.coachroof!, sideRakeDeg } })}
                />
              </Row>
            )}
          </>
        )}
      </Card.Body>
      {importing && (
        <HullImport
          boat={boat}
          onTake={(next) => act({ type: 'hull.set', hull: next })}
          onClose={() => setImporting(false)}
        />
      )}
    </Card>
  );
}
