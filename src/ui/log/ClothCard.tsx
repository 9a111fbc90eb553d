'use client';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { LearningPage } from '@/core/log';
import { api, textOf } from '../shared/api';
import { TakeReading } from '../shared/instruments';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';

/** A piece of cloth on the scales, before it is wet: does it weigh what is said of it? */
export function ClothCard({
  cloths,
  today,
  onPage,
}: {
  cloths: LearningPage['cloths'];
  today: string;
  onPage: (page: LearningPage) => void;
}) {
  const { full } = useUnits();
  const [material, setMaterial] = useState(cloths[0]?.id ?? '');
  const [lot, setLot] = useState('');
  const [[length, width], setSize] = useState<[number, number]>([1, 1]);
  const [mass, setMass] = useState<number | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const cloth = cloths.find(({ id }) => id === material);
  const area = length * width;
  const keep = async () => {
    try {
      const body = { material, lot, area, mass, on: today, note: '' };
      await api('POST', '/api/shop', { id: nanoid(12), corrects: null, void: false, kind: 'clothWeighed', body });
      onPage(await api<LearningPage>('GET', '/api/learning'));
      setMass(null);
      setRefusal(null);
    } catch (error) {
      setRefusal(textOf(error));
    }
  };
  return (
    <Card body className="mb-3">
      <h2>A piece of cloth on the scales</h2>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <div className="align-pair">
        <Form.Group controlId="cloth-weighed">
          <Form.Label className="mb-0">Cloth</Form.Label>
          <Form.Select value={material} onChange={(event) => setMaterial(event.target.value)}>
            {cloths.map(({ id, code, name }) => (
              <option key={id} value={id}>
                {code} {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="cloth-lot">
          <Form.Label className="mb-0">Lot</Form.Label>
          <Form.Control value={lot} maxLength={60} onChange={(event) => setLot(event.target.value)} />
        </Form.Group>
        <QuantityField
          label="Length of the piece"
          kind="length"
          value={length}
          minimum={0.1}
          maximum={100}
          onCommit={(value) => setSize([value ?? length, width])}
        />
        <QuantityField
          label="Width of the piece"
          kind="length"
          value={width}
          minimum={0.1}
          maximum={5}
          onCommit={(value) => setSize([length, value ?? width])}
        />
        <QuantityField
          label="It weighs"
          kind="mass"
          value={mass}
          minimum={0.001}
          maximum={500}
          optional
          onCommit={setMass}
        />
      </div>
      <TakeReading quantity="mass" onTake={setMass} />
      {cloth && mass !== null && (
        <p className="mb-2" role="status">
          {full(mass / area, 'arealWeight')}, {full(cloth.arealWeight, 'arealWeight')} with its binder by the Shelf.
        </p>
      )}
      <Button disabled={mass === null || !cloth} onClick={() => void keep()}>
        Write it down
      </Button>
    </Card>
  );
}
