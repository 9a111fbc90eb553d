'use client';
import { useEffect, useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { difference, type Boat, type Change, type Revision } from '@/core/schedule';
import { api, wordsOf } from '../shared/api';
import { useBoat } from '../shared/boat';
import { ChangeList } from '../shared/ChangeList';
import { Onward } from '../shared/Onward';
import { Refusal } from '../shared/Refusal';

const DRAFT = 'draft';

/** What was signed, by whom, and what has changed since? */
export function RevisionsScreen({ initial }: { initial: Revision[] }) {
  const { id, boat, version, save, archived } = useBoat();
  const [revisions, setRevisions] = useState(initial);
  const [author, setAuthor] = useState('');
  const [note, setNote] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [from, setFrom] = useState(initial[0]?.label ?? DRAFT);
  const [to, setTo] = useState(DRAFT);
  const [snapshots, setSnapshots] = useState<Record<string, Boat>>({});

  useEffect(() => {
    for (const label of [from, to])
      if (label !== DRAFT && !snapshots[label])
        api<{ boat: Boat }>('GET', `/api/boats/${id}/revisions/${label}`).then(
          ({ boat: then }) => setSnapshots((known) => ({ ...known, [label]: then })),
          (error) => setTrouble(wordsOf(error)),
        );
  }, [from, to, id, snapshots]);

  const issue = async () => {
    setTrouble(null);
    try {
      const issued = await api<Revision>('POST', `/api/boats/${id}/revisions`, { baseVersion: version, author, note });
      setRevisions([issued, ...revisions]);
      setFrom(issued.label);
      setTo(DRAFT);
      setNote('');
    } catch (error) {
      setTrouble(wordsOf(error));
    }
  };
  const stateOf = (label: string) => (label === DRAFT ? boat : snapshots[label]);
  const [before, after] = [stateOf(from), stateOf(to)];
  const changes: Change[] | null = before && after ? difference(before, after) : null;
  const choices = [DRAFT, ...revisions.map((revision) => revision.label)];

  return (
    <>
      <p className="question">What was signed, by whom, and what has changed since?</p>
      <Refusal text={trouble} onClose={() => setTrouble(null)} />
      <div className="row g-3">
        <div className="col-lg-7">
          <Card className="h-100">
            <Card.Body>
              <h2>Issued revisions</h2>
              {revisions.length === 0 ? (
                <p className="soft mb-0">None yet. The draft is only a draft until somebody puts a name to it.</p>
              ) : (
                <table className="table" aria-label="Issued revisions">
                  <thead>
                    <tr>
                      <th>Revision</th>
                      <th>Issued</th>
                      <th>By</th>
                      <th>Note</th>
                      <th>Hash</th>
                    </tr>
                  </thead>
                  <tbody>
                    {revisions.map((revision) => (
                      <tr key={revision.id}>
                        <td className="fw-semibold">{revision.label}</td>
                        <td className="text-nowrap">{revision.issuedAt.slice(0, 16).replace('T', ' ')}</td>
                        <td>{revision.author}</td>
                        <td>{revision.note}</td>
                        <td>
                          <code title={revision.hash}>{revision.hash.slice(0, 10)}…</code>
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              )}
            </Card.Body>
          </Card>
        </div>
        <div className="col-lg-5">
          <Card>
            <Card.Body>
              <h2>Issue the draft</h2>
              <Form
                className="d-grid gap-2"
                onSubmit={(event) => {
                  event.preventDefault();
                  void issue();
                }}
              >
                <Form.Group controlId="author">
                  <Form.Label className="mb-0">Issued by</Form.Label>
                  <Form.Control value={author} maxLength={60} onChange={(event) => setAuthor(event.target.value)} />
                </Form.Group>
                <Form.Group controlId="note">
                  <Form.Label className="mb-0">What it is for</Form.Label>
                  <Form.Control as="textarea" rows={2} value={note} maxLength={600} onChange={(event) => setNote(event.target.value)} />
                </Form.Group>
                <div className="d-flex align-items-center gap-2">
                  <Button type="submit" disabled={save !== 'saved' || archived || author.trim().length < 2 || note.trim().length < 3}>
                    Issue next revision
                  </Button>
                  {save !== 'saved' && <span className="form-text">Wait until the draft is saved.</span>}
                </div>
                <p className="form-text mb-0">An issued revision cannot be changed or removed; editing goes on in the draft.</p>
              </Form>
            </Card.Body>
          </Card>
        </div>
      </div>
      <Card className="mt-3">
        <Card.Body>
          <div className="d-flex gap-2 align-items-center mb-2">
            <h2 className="mb-0">Difference</h2>
            <span>from</span>
            <Form.Select size="sm" className="w-auto" aria-label="From" value={from} onChange={(event) => setFrom(event.target.value)}>
              {choices.map((label) => (
                <option key={label} value={label}>
                  {label === DRAFT ? 'Draft' : `Revision ${label}`}
                </option>
              ))}
            </Form.Select>
            <span>to</span>
            <Form.Select size="sm" className="w-auto" aria-label="To" value={to} onChange={(event) => setTo(event.target.value)}>
              {choices.map((label) => (
                <option key={label} value={label}>
                  {label === DRAFT ? 'Draft' : `Revision ${label}`}
                </option>
              ))}
            </Form.Select>
          </div>
          {changes ? (
            <ChangeList changes={changes} empty={from === to ? 'Choose two states to compare.' : 'Nothing differs.'} />
          ) : (
            <p className="soft mb-0">Fetching the revision…</p>
          )}
        </Card.Body>
      </Card>
      <Onward to="pack">Pack: what leaves the desk?</Onward>
    </>
  );
}
