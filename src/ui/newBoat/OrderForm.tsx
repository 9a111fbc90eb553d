'use client';
import { Col, Form, Row } from 'react-bootstrap';
import { BRIEF_NUMBERS, scaledBrief, type Boat, type NewParticulars } from '@/core/document';
import { PROCESSES, type Process } from '@/core/material';
import type { NewBoatOrder } from '@/core/option';
import { Choice } from '../shared/Choice';
import { QuantityField } from '../shared/QuantityField';

/** What is asked of every new boat; the rest follows and is corrected in the Brief. */
const ASKED = ['hullLength', 'maximumBeam', 'loadedMass', 'maxSpeedKnots', 'deadriseDeg', 'weightTarget'] as const;
const LAYUPS = {
  first: 'a first lay-up',
  source: 'as they are there',
  none: 'none yet',
} as const;

function saidOrigin({ particulars }: NewBoatOrder, key: keyof NewParticulars): string {
  if (particulars[key] !== undefined) return 'typed';
  return Object.keys(particulars).length === 0 ? 'as there' : 'follows';
}

interface OrderFormProps {
  source: Boat;
  order: NewBoatOrder;
  onChange: (order: NewBoatOrder) => void;
}

/** Name, particulars, process, parts and lay-up of the boat to be. */
export function OrderForm({ source, order, onChange }: OrderFormProps) {
  const brief = scaledBrief(source.brief, order.particulars);
  const set = (particulars: Partial<NewParticulars>) =>
    onChange({ ...order, particulars: { ...order.particulars, ...particulars } });
  const chosen = order.parts ?? source.parts.map(({ id }) => id);
  const take = (id: string, taken: boolean) => {
    const parts = source.parts.map((part) => part.id).filter((one) => (one === id ? taken : chosen.includes(one)));
    onChange({ ...order, parts: parts.length === source.parts.length ? null : parts });
  };
  return (
    <>
      <Form.Group controlId="new-name">
        <Form.Label className="mb-0">Name</Form.Label>
        <Form.Control
          autoFocus
          maxLength={80}
          placeholder="Name, e.g. Teal 62"
          value={order.name}
          onChange={(event) => onChange({ ...order, name: event.target.value })}
        />
      </Form.Group>
      <Row className="g-2" xs={2} md={3}>
        {ASKED.map((key) => {
          const { label, quantity, minimum, maximum } = BRIEF_NUMBERS[key];
          return (
            <Col key={key}>
              <QuantityField
                label={label}
                kind={quantity}
                value={brief[key]}
                minimum={minimum}
                maximum={maximum}
                hint={saidOrigin(order, key)}
                onCommit={(value) => set({ [key]: value! })}
              />
            </Col>
          );
        })}
      </Row>
      <Row className="g-2" xs={1} md={3}>
        <Col>
          <Choice
            label="Category"
            value={brief.designCategory}
            options={{ A: 'A ocean', B: 'B offshore', C: 'C inshore', D: 'D sheltered' }}
            onChoose={(designCategory) => set({ designCategory })}
          />
        </Col>
        <Col>
          <Choice<Process>
            label="Process"
            value={order.process ?? source.brief.process}
            options={
              Object.fromEntries(Object.entries(PROCESSES).map(([id, { name }]) => [id, name])) as Record<
                Process,
                string
              >
            }
            onChoose={(process) => onChange({ ...order, process })}
          />
        </Col>
        <Col>
          <Choice<NewBoatOrder['layup']>
            label="Layers"
            value={order.layup}
            options={LAYUPS}
            onChoose={(layup) => onChange({ ...order, layup })}
          />
        </Col>
      </Row>
      <fieldset>
        <legend className="form-label mb-0 fs-6">Parts it takes over</legend>
        <div className="d-flex flex-wrap gap-3">
          {source.parts.map(({ id, name }) => (
            <Form.Check
              key={id}
              id={`take-${id}`}
              label={name}
              checked={chosen.includes(id)}
              onChange={(event) => take(id, event.target.checked)}
            />
          ))}
        </div>
      </fieldset>
    </>
  );
}
