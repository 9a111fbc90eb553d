import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { CONDITIONS, type Boat, type Condition } from '@/core/document';
import { aboardIn, loadingOf, shifted, type Mass } from '@/core/weight';
import { QuantityField } from '../shared/QuantityField';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';

/** What a mass costs where it stands: moved or made lighter, what it does to the centre. */
export function MoveCard({ boat, masses, condition }: { boat: Boat; masses: readonly Mass[]; condition: Condition }) {
  const edit = useEdit();
  const { full } = useUnits();
  const aboard = aboardIn(masses, condition).sort(
    (a, b) => b.share * b.mass.mass * b.at[2] - a.share * a.mass.mass * a.at[2],
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const [move, setMove] = useState<readonly [number, number, number]>([0, 0, -0.1]);
  const [more, setMore] = useState(0);
  const loading = loadingOf(masses, condition);
  const one = aboard.find(({ mass }) => mass.id === chosen) ?? aboard[0];
  if (!loading || !one) return null;
  const mass = one.share * one.mass.mass;
  const after = shifted(loading, { mass, at: one.at }, { mass: more, move });
  const item = boat.items.find(({ id }) => id === one.mass.id);
  // What is only partly aboard weighs more by as much more of the whole.
  const each = item ? more / (item.number * one.share) : 0;
  const by = (k: 0 | 1 | 2) => 1000 * (after.centre[k] - loading.centre[k]);
  const said = (k: 0 | 1 | 2, [positive, negative]: readonly [string, string]) =>
    Math.abs(by(k)) < 0.05 ? null : `${full(Math.abs(by(k)) / 1000, 'shortLength')} ${by(k) > 0 ? positive : negative}`;
  const changes = [said(2, ['higher', 'lower']), said(0, ['forward', 'aft']), said(1, ['to starboard', 'to port'])];
  const axis = (k: 0 | 1 | 2, label: string) => (
    <QuantityField
      label={label}
      kind="length"
      value={move[k]}
      minimum={-20}
      maximum={20}
      onCommit={(value) => setMove(move.map((was, i) => (i === k ? value! : was)) as [number, number, number])}
    />
  );
  return (
    <Card className="no-print">
      <Card.Body className="d-grid gap-2">
        <h2 className="mb-0">What does it cost up there?</h2>
        <Form.Group controlId="moved-mass">
          <Form.Label className="mb-0">
            Of {CONDITIONS[condition].toLowerCase()}, by moment above the baseline
          </Form.Label>
          <Form.Select value={one.mass.id} onChange={(event) => setChosen(event.target.value)}>
            {aboard.slice(0, 200).map(({ mass: of, share, at }) => (
              <option key={of.id} value={of.id}>
                {of.name}: {full(share * of.mass, 'mass')} at {full(at[2], 'length')}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <div className="detail-fields">
          {axis(2, 'Moved up')}
          {axis(0, 'Moved forward')}
          {axis(1, 'Moved to starboard')}
          <QuantityField
            label="Heavier by"
            kind="mass"
            value={more}
            minimum={-mass}
            maximum={100_000}
            hint="lighter is negative"
            onCommit={(value) => setMore(value!)}
          />
        </div>
        <p className="mb-0" aria-live="polite">
          The centre of the boat comes {changes.filter(Boolean).join(', ') || 'to the same place'}; she weighs{' '}
          {full(after.mass, 'mass')}.
        </p>
        {item && (
          <div>
            <Button
              size="sm"
              variant="outline-primary"
              disabled={item.mass + each <= 0}
              onClick={() => {
                const [x, y, z] = move;
                const next = {
                  ...item,
                  x: item.x + x,
                  y: item.y + y,
                  z: item.z + z,
                  mass: item.mass + each,
                };
                if (!edit({ type: 'item.set', item: next })) {
                  setMove([0, 0, 0]);
                  setMore(0);
                }
              }}
            >
              Put it there
            </Button>
          </div>
        )}
      </Card.Body>
    </Card>
  );
}
