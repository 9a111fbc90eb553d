'use client';
import { ProofsField } from './ProofsField';
import { Card, Col, Row } from 'react-bootstrap';
import { useState } from 'react';
import { PROCESSES, type Material, type Process } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import {
  BRIEF_NUMBERS,
  craftOf,
  methodOf,
  POSTURES,
  QUALITIES,
  type Brief,
  type BriefNumber,
  type NumberField,
  type Posture,
  type Boat,
} from '@/core/document';
import { followParticulars } from '@/core/edit';
import { dynamicLoadFactor, isPlaning, type StandardPack } from '@/core/standard';
import { useDesign } from '../shared/boat';
import { Choice } from '../shared/Choice';
import { Onward } from '../shared/Onward';
import { QuantityField } from '../shared/QuantityField';
import { TextField } from '../shared/TextField';
import { useEdit } from '../shared/useEdit';
import { BoatPacks } from './BoatPacks';
import { HullSketch } from './HullSketch';
import { Refusal } from '../shared/Refusal';

/** Which pressures apply, and why. */
function saidMode(boat: Boat): string {
  const { brief } = boat;
  if (brief.kind === 'sail') return 'Sailing craft: sailing pressures apply.';
  const craft = craftOf(brief);
  const method = methodOf(boat);
  const ratio = formatNumber(brief.maxSpeedKnots / Math.sqrt(brief.waterlineLength), 1);
  const said = `speed over the root of the waterline is ${ratio}`;
  if (!isPlaning(craft, method)) return `Displacement: ${said}, below ${method.planingSpeedRatio}.`;
  const factor = formatNumber(dynamicLoadFactor(craft), 2);
  return `Planing: ${said}, ${method.planingSpeedRatio} or more. Dynamic load factor ${factor} g.`;
}

/** What must this boat be? */
export function BriefScreen({ shelf, packs }: { shelf: Material[]; packs: StandardPack[] }) {
  const { boat } = useDesign();
  const edit = useEdit();
  const [refusal, setRefusal] = useState<string | null>(null);
  const { brief } = boat;
  const set = (patch: Partial<Brief>) => edit(...followParticulars(boat, patch));
  const choose = (patch: Partial<Brief>) => setRefusal(set(patch) ?? null);
  const number = (key: BriefNumber) => {
    const { label, quantity, minimum, maximum, reason }: NumberField = BRIEF_NUMBERS[key];
    return (
      <QuantityField
        label={label}
        kind={quantity}
        value={brief[key]}
        minimum={minimum}
        maximum={maximum}
        hint={reason}
        onCommit={(value) => set({ [key]: value! })}
      />
    );
  };
  const chooseResin = (id: string) => {
    const resin = shelf.find((material) => material.id === id)!;
    const known = boat.materials.some((material) => material.id === id);
    setRefusal(
      edit(...(known ? [] : [{ type: 'material.put' as const, material: resin }]), {
        type: 'brief.set',
        patch: { resin: id },
      }) ?? null,
    );
  };
  const method = methodOf(boat);
  const resins = Object.fromEntries(
    [...boat.materials, ...shelf].filter((m) => m.kind === 'resin').map((m) => [m.id, m.name]),
  );

  return (
    <>
      <p className="question">What must this boat be?</p>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <Row className="g-3">
        <Col lg={8}>
          <Card className="mb-3">
            <Card.Body>
              <HullSketch boat={boat} />
              <p className="small soft mb-0">{saidMode(boat)}</p>
            </Card.Body>
          </Card>
          <Card>
            <Card.Body>
              <h2>Particulars</h2>
              <Row className="g-2" xs={2} md={4}>
                <Col>{number('hullLength')}</Col>
                <Col>{number('waterlineLength')}</Col>
                <Col>{number('maximumBeam')}</Col>
                <Col>{number('chineBeam')}</Col>
                <Col>{number('deadriseDeg')}</Col>
                <Col>{number('loadedMass')}</Col>
                <Col>{number('maxSpeedKnots')}</Col>
                <Col>{number('weightTarget')}</Col>
                {brief.kind === 'sail' && (
                  <Col>
                    <QuantityField
                      label="Righting lever to 60°"
                      kind="length"
                      value={brief.rightingLever60}
                      minimum={0.01}
                      maximum={5}
                      optional
                      hint="for light craft of category A or B"
                      onCommit={(value) => set({ rightingLever60: value })}
                    />
                  </Col>
                )}
              </Row>
              <p className="form-text mb-0">
                An entry may carry its own unit: 27 ft 6 in, 5/8 in, 3.6 t. What stands at its usual value (waterline,
                draft, freeboards, ends of zones) follows; what you typed stays.
              </p>
            </Card.Body>
          </Card>
        </Col>
        <Col lg={4}>
          <Card className="mb-3">
            <Card.Body className="d-grid gap-2">
              <h2 className="mb-0">Name and use</h2>
              <TextField
                label="Name"
                value={boat.name}
                maximum={80}
                onCommit={(name) => edit({ type: 'boat.rename', name })}
              />
              <TextField label="Use" value={brief.use} maximum={600} rows={3} onCommit={(use) => set({ use })} />
              <Row className="g-2">
                <Col>
                  <Choice
                    label="Propulsion"
                    value={brief.kind}
                    options={{ motor: 'Motor', sail: 'Sail' }}
                    onChoose={(kind) => choose({ kind })}
                  />
                </Col>
                <Col>
                  <Choice
                    label="Category"
                    value={brief.designCategory}
                    options={{ A: 'A ocean', B: 'B offshore', C: 'C inshore', D: 'D sheltered' }}
                    onChoose={(designCategory) => choose({ designCategory })}
                  />
                </Col>
                <Col>
                  <Choice
                    label="Drawn in"
                    value={brief.units}
                    options={{ metric: 'Metric', us: 'US' }}
                    onChoose={(units) => choose({ units })}
                  />
                </Col>
              </Row>
            </Card.Body>
          </Card>
          <Card>
            <Card.Body className="d-grid gap-2">
              <h2 className="mb-0">How it is built and judged</h2>
              <Row className="g-2">
                <Col>
                  <Choice<Process>
                    label="Process"
                    value={brief.process}
                    options={
                      Object.fromEntries(Object.entries(PROCESSES).map(([key, { name }]) => [key, name])) as Record<
                        Process,
                        string
                      >
                    }
                    onChoose={(process) => choose({ process })}
                  />
                </Col>
                <Col>
                  <Choice label="Resin" value={brief.resin} options={resins} onChoose={chooseResin} />
                </Col>
              </Row>
              <Choice<Posture>
                label="Posture"
                value={brief.posture}
                options={
                  Object.fromEntries(
                    Object.entries(POSTURES).map(([key, { name, target }]) => [
                      key,
                      `${name}: reserve factor ${target.toFixed(2)}`,
                    ]),
                  ) as Record<Posture, string>
                }
                onChoose={(posture) => choose({ posture })}
                hint={POSTURES[brief.posture].says}
              />
              <Choice
                label="Strength level"
                value={brief.quality}
                options={
                  Object.fromEntries(
                    Object.entries(QUALITIES).map(([key, text]) => [key, `${key}: ${text}`]),
                  ) as Record<Brief['quality'], string>
                }
                onChoose={(quality) => choose({ quality })}
                hint={`Factor ${method.qualityFactor[brief.quality]} on the strengths of the laminate.`}
              />
              <ProofsField brief={brief} onSet={choose} />
            </Card.Body>
          </Card>
          <Card className="mt-3">
            <Card.Body>
              <BoatPacks library={packs} />
            </Card.Body>
          </Card>
        </Col>
      </Row>
      <Onward to="zones">Zones: where does the load change?</Onward>
    </>
  );
}
