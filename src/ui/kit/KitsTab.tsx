'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { Revision } from '@/core/revision';
import { api, wordsOf } from '../shared/api';
import { useDesign } from '../shared/boat';
import { moment } from '../shared/dates';
import { Refusal } from '../shared/Refusal';

interface KitHead {
  id: string;
  revision: string;
  hull: string;
  takenFrom: string | null;
  pieces: number;
  materials: string[];
  cut: string[];
  author: string;
  at: string;
}

/** Kits that are frozen, one a hull; a new one from an issued revision, or taken over from another hull. */
export function KitsTab() {
  const { id: boatId, boat } = useDesign();
  const codeOf = (id: string) => {
    const material = boat.materials.find((one) => one.id === id);
    return material && 'code' in material ? material.code : (material?.name ?? id);
  };
  const cache = useQueryClient();
  const { data: kits } = useQuery({
    queryKey: ['kits', boatId],
    queryFn: () => api<KitHead[]>('GET', `/api/boats/${boatId}/kits`),
  });
  const { data: revisions } = useQuery({
    queryKey: ['kit revisions', boatId],
    queryFn: () => api<Revision[]>('GET', `/api/boats/${boatId}/revisions`),
  });
  const [hull, setHull] = useState('');
  const [from, setFrom] = useState('');
  const [id, setId] = useState(() => nanoid(14));
  const [busy, setBusy] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  if (!kits || !revisions) return <p className="soft">Reading kits…</p>;
  const issued = revisions.filter(({ state }) => state !== 'withdrawn');
  const standing = issued.find(({ state }) => state === 'stands')?.label;
  const sources = [
    ...issued.map(({ label, state }) => ({
      value: `revision ${label}`,
      name: `revision ${label}${state === 'stands' ? ', which stands' : ''}`,
    })),
    ...kits.map((kit) => ({ value: `kit ${kit.id}`, name: `the kit of hull ${kit.hull}, as it is` })),
  ];
  const chosen = sources.some(({ value }) => value === from) ? from : (sources[0]?.value ?? '');
  const freeze = async () => {
    setBusy(true);
    const [kind, key] = [chosen.split(' ')[0], chosen.slice(chosen.indexOf(' ') + 1)];
    try {
      await api('POST', `/api/boats/${boatId}/kits`, {
        id,
        hull,
        ...(kind === 'kit' ? { from: key } : { revision: key }),
      });
      await cache.invalidateQueries({ queryKey: ['kits', boatId] });
      setRefusal(null);
      setHull('');
      setId(nanoid(14));
    } catch (error) {
      setRefusal(wordsOf(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Card body className="mb-3 d-print-none">
        <h2>Freeze a kit</h2>
        <Refusal text={refusal} onClose={() => setRefusal(null)} />
        {sources.length === 0 ? (
          <p className="mb-0">A kit is frozen from an issued revision: issue one under Revisions first.</p>
        ) : (
          <div className="d-flex gap-3 align-items-end flex-wrap">
            <Form.Group controlId="kit-hull">
              <Form.Label className="mb-0">For hull</Form.Label>
              <Form.Control size="sm" value={hull} maxLength={40} onChange={(event) => setHull(event.target.value)} />
            </Form.Group>
            <Form.Group controlId="kit-from">
              <Form.Label className="mb-0">From</Form.Label>
              <Form.Select size="sm" value={chosen} onChange={(event) => setFrom(event.target.value)}>
                {sources.map(({ value, name }) => (
                  <option key={value} value={value}>
                    {name}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
            <Button size="sm" disabled={busy || hull.trim() === ''} onClick={() => void freeze()}>
              Freeze it
            </Button>
          </div>
        )}
      </Card>
      {kits.length === 0 ? (
        <p className="soft">No hull has a kit yet.</p>
      ) : (
        <Card>
          <Card.Body className="p-0 table-responsive">
            <table className="table table-sm mb-0" aria-label="Kits">
              <thead>
                <tr>
                  <th scope="col">Hull</th>
                  <th scope="col">Revision</th>
                  <th scope="col" className="num">
                    pieces
                  </th>
                  <th scope="col">Frozen</th>
                  <th scope="col">Cut and booked</th>
                  <th scope="col">Take along</th>
                </tr>
              </thead>
              <tbody>
                {kits.map((kit) => (
                  <tr key={kit.id}>
                    <th scope="row">{kit.hull}</th>
                    <td>
                      {kit.revision}
                      {kit.takenFrom !== null && <span className="soft">, taken over from hull {kit.takenFrom}</span>}
                      {standing !== undefined && standing !== kit.revision && (
                        <span className="verdict thin ms-2">△ revision {standing} stands now</span>
                      )}
                    </td>
                    <td className="num">{kit.pieces}</td>
                    <td>
                      {kit.author || 'somebody'}, {moment(kit.at)}
                    </td>
                    <td className="small">
                      {kit.cut.length} of {kit.materials.length}
                      {kit.cut.length > 0 && `: ${kit.cut.map(codeOf).join(', ')}`}
                    </td>
                    <td>
                      <a href={`/api/boats/${boatId}/kits/${kit.id}`}>JSON</a>{' '}
                      <a href={`/api/boats/${boatId}/kit/labels?kit=${kit.id}`}>labels</a>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Card.Body>
        </Card>
      )}
    </>
  );
}
