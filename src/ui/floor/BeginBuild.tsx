'use client';
import { useQuery } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { ShopState } from '@/core/shop';
import { api, textOf } from '../shared/api';
import { Refusal } from '../shared/Refusal';

/** A boat that can be built: its standing revisions and its parts. */
export interface Buildable {
  id: string;
  name: string;
  revisions: string[];
  parts: { id: string; name: string }[];
}
interface PartAsked {
  mould: string;
  team: string;
  begins: string;
  ends: string;
  /** As somebody said; else as is known of the mould. */
  pulls: number | null;
}
const EMPTY: PartAsked = { mould: '', team: '', begins: '', ends: '', pulls: null };

/** A hull number from an issued revision: moulds, team, days. */
export function BeginBuild({ buildable, onLeave }: { buildable: Buildable[]; onLeave: () => void }) {
  const router = useRouter();
  const [id] = useState(() => nanoid(10));
  const [boatId, setBoat] = useState(buildable[0]?.id ?? '');
  const boat = buildable.find((one) => one.id === boatId);
  const [revision, setRevision] = useState<string | null>(null);
  const [hull, setHull] = useState('');
  const [parts, setParts] = useState<Record<string, PartAsked>>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { data: shop } = useQuery({ queryKey: ['shop'], queryFn: () => api<ShopState>('GET', '/api/shop') });
  const moulds = shop?.moulds ?? [];
  if (!boat)
    return (
      <Card className="mb-3 narrow">
        <Card.Body>
          <p>No boat has a revision that stands: issue one under Revisions first.</p>
          <Button variant="outline-primary" onClick={onLeave}>
            Leave it
          </Button>
        </Card.Body>
      </Card>
    );
  const asked = (partId: string) => parts[partId] ?? EMPTY;
  const set = (partId: string, change: Partial<PartAsked>) =>
    setParts({ ...parts, [partId]: { ...asked(partId), ...change } });
  // How often a mould has released is known of those that were used before, unless somebody says otherwise.
  const pullsOf = (partId: string) => {
    const { mould, pulls } = asked(partId);
    const known = moulds.find(({ name }) => name.toLowerCase() === mould.trim().toLowerCase());
    return pulls ?? known?.pulls ?? 0;
  };
  const begin = async () => {
    setBusy(true);
    setRefusal(null);
    try {
      const own = Object.fromEntries(
        boat.parts.map((part) => [part.id, { ...asked(part.id), pulls: pullsOf(part.id) }]),
      );
      const body = { id, revision: revision ?? boat.revisions[0], hull: hull.trim(), parts: own };
      await api('POST', `/api/boats/${boatId}/builds`, body);
      router.push(`/floor/${id}`);
    } catch (error) {
      setRefusal(textOf(error));
      setBusy(false);
    }
  };
  return (
    <Card className="mb-3">
      <Card.Body>
        <h2>Begin a build</h2>
        <Refusal text={refusal} />
        <datalist id="moulds-known">
          {moulds.map(({ name }) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <Form
          onSubmit={(event) => {
            event.preventDefault();
            void begin();
          }}
        >
          <div className="d-flex flex-wrap gap-2 mb-2">
            <Form.Group controlId="begin-boat">
              <Form.Label className="mb-0">Boat</Form.Label>
              <Form.Select
                value={boatId}
                onChange={(event) => {
                  setBoat(event.target.value);
                  setRevision(null);
                }}
              >
                {buildable.map(({ id: key, name }) => (
                  <option key={key} value={key}>
                    {name}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
            <Form.Group controlId="begin-revision">
              <Form.Label className="mb-0">Revision</Form.Label>
              <Form.Select value={revision ?? boat.revisions[0]} onChange={(event) => setRevision(event.target.value)}>
                {boat.revisions.map((label) => (
                  <option key={label}>{label}</option>
                ))}
              </Form.Select>
            </Form.Group>
            <Form.Group controlId="begin-hull">
              <Form.Label className="mb-0">Hull number</Form.Label>
              <Form.Control value={hull} maxLength={40} onChange={(event) => setHull(event.target.value)} />
            </Form.Group>
          </div>
          <table className="table table-sm" aria-label="Parts of the build">
            <thead>
              <tr>
                {['Part', 'Mould', 'Released so far', 'Team', 'From', 'To'].map((head) => (
                  <th key={head} scope="col">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {boat.parts.map(({ id: part, name }) => (
                <tr key={part}>
                  <th scope="row" className="fw-normal">
                    {name}
                  </th>
                  <td>
                    <Form.Control
                      size="sm"
                      aria-label={`Mould of ${name}`}
                      maxLength={60}
                      value={asked(part).mould}
                      list="moulds-known"
                      onChange={(event) => set(part, { mould: event.target.value })}
                    />
                  </td>
                  <td>
                    <Form.Control
                      size="sm"
                      type="number"
                      min={0}
                      aria-label={`How often the mould of ${name} has released`}
                      value={pullsOf(part)}
                      onChange={(event) => set(part, { pulls: Math.max(0, Math.round(Number(event.target.value))) })}
                    />
                  </td>
                  <td>
                    <Form.Control
                      size="sm"
                      aria-label={`Team of ${name}`}
                      maxLength={120}
                      value={asked(part).team}
                      onChange={(event) => set(part, { team: event.target.value })}
                    />
                  </td>
                  {(['begins', 'ends'] as const).map((key) => (
                    <td key={key}>
                      <Form.Control
                        size="sm"
                        type="date"
                        aria-label={`${name} ${key}`}
                        value={asked(part)[key]}
                        onChange={(event) => set(part, { [key]: event.target.value })}
                      />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          <div className="d-flex gap-2">
            <Button type="submit" disabled={busy || hull.trim() === ''}>
              Begin the build
            </Button>
            <Button variant="outline-primary" onClick={onLeave}>
              Leave it
            </Button>
          </div>
        </Form>
      </Card.Body>
    </Card>
  );
}
