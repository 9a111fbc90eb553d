import { format } from 'date-fns';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { STAGES, type Boat, type Stage } from '@/core/document';
import { WHOLE_BOAT, type WeighIn } from '@/core/weight';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { TextField } from '../shared/TextField';

type Draft = Omit<WeighIn, 'mass' | 'id'> & { mass: number | null; id: string };
const empty = (): Draft => ({
  id: nanoid(10),
  hull: '',
  subject: WHOLE_BOAT,
  stage: 'bare',
  mass: null,
  scales: 1,
  day: format(new Date(), 'yyyy-MM-dd'),
  note: '',
  corrects: null,
  void: false,
});

/** What stood on the scales. Kept as a fact: it is corrected by a later one. */
export function WeighInForm({
  boat,
  busy,
  trouble,
  onKeep,
}: {
  boat: Boat;
  busy: boolean;
  trouble: string | null;
  /** Whether it was kept. */
  onKeep: (weighIn: WeighIn) => Promise<boolean>;
}) {
  const [draft, setDraft] = useState<Draft>(empty);
  const set = (patch: Partial<Draft>) => setDraft({ ...draft, ...patch });
  const { mass } = draft;
  const keep = async () => {
    // The id goes along, so that a second try after a lost answer is the same fact.
    if (mass !== null && (await onKeep({ ...draft, mass }))) setDraft(empty());
  };
  return (
    <Card className="no-print">
      <Card.Body className="d-grid gap-2 align-content-start">
        <h2 className="mb-0">Weigh</h2>
        <Refusal text={trouble} />
        <div className="detail-fields">
          <Form.Group controlId="weigh-subject">
            <Form.Label className="mb-0">On the scales</Form.Label>
            <Form.Select value={draft.subject} onChange={({ target }) => set({ subject: target.value })}>
              <option value={WHOLE_BOAT}>The whole boat</option>
              {boat.parts.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="weigh-stage">
            <Form.Label className="mb-0">At the stage</Form.Label>
            <Form.Select value={draft.stage} onChange={({ target }) => set({ stage: target.value as Stage })}>
              {Object.entries(STAGES).map(([key, name]) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <QuantityField
            label="Mass on the scales"
            kind="mass"
            value={mass}
            minimum={0.01}
            maximum={500_000}
            optional
            onCommit={(value) => set({ mass: value })}
          />
          <QuantityField
            label="The scales may be off by"
            kind="mass"
            value={draft.scales}
            minimum={0}
            maximum={50_000}
            onCommit={(value) => set({ scales: value! })}
          />
          <Form.Group controlId="weigh-day">
            <Form.Label className="mb-0">Day</Form.Label>
            <Form.Control type="date" value={draft.day} onChange={({ target }) => set({ day: target.value })} />
          </Form.Group>
          <TextField
            label="Hull"
            value={draft.hull}
            maximum={40}
            onCommit={(hull) => {
              set({ hull });
              return undefined;
            }}
          />
        </div>
        <TextField
          label="Note"
          value={draft.note}
          maximum={300}
          onCommit={(note) => {
            set({ note });
            return undefined;
          }}
        />
        <div>
          <Button disabled={busy || mass === null || draft.day === ''} onClick={() => void keep()}>
            Keep this weighing
          </Button>
        </div>
      </Card.Body>
    </Card>
  );
}
