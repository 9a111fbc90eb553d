'use client';
import { nanoid } from 'nanoid';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { formatNumber } from '@/core/quantity';
import { ingredients, type Boat, type Part, type Reference, type Zone } from '@/core/document';
import { matchZone } from '@/core/evaluate';
import type { Edit } from '@/core/edit';
import type { BoatSummary } from '@/core/revision';
import { api, wordsOf } from '../shared/api';
import { useEdit } from '../shared/useEdit';
import { Refusal } from '../shared/Refusal';

/** Layers of a zone as a reference's. */
const stackOf = (part: Part, zone: Zone): Reference['layers'] =>
  part.layers
    .filter((layer) => layer.zones.includes(zone.id))
    .map(({ material, angleDeg, thickness, role }) => ({ material, angleDeg, thickness, role }));

/** The schedules a zone must match, or hold layer by layer: taken from this boat or from another. */
export function ReferencePanel({ boat, part, zone, boatId }: { boat: Boat; part: Part; zone: Zone; boatId: string }) {
  const edit = useEdit();
  const [trouble, setTrouble] = useState<string | null>(null);
  // Asked for once somebody wants to take from another boat.
  const [looking, setLooking] = useState(false);
  const [otherId, setOtherId] = useState('');
  const { data: others, error: noList } = useQuery({
    queryKey: ['boats'],
    queryFn: () => api<BoatSummary[]>('GET', '/api/boats'),
    enabled: looking,
    select: (boats) => boats.filter(({ id }) => id !== boatId),
  });
  const { data: other, error: noBoat } = useQuery({
    queryKey: ['boat', otherId],
    queryFn: () => api<{ boat: Boat }>('GET', `/api/boats/${otherId}`),
    enabled: otherId !== '',
    select: ({ boat: found }) => found,
  });
  const failed = noList ?? noBoat;
  const [name, setName] = useState('');
  const match = (() => {
    try {
      return matchZone(boat, part, zone);
    } catch {
      return null;
    }
  })();
  const act = (...edits: Edit[]) => {
    const said = edit(...edits) ?? null;
    setTrouble(said);
    return said;
  };
  const set = (patch: Partial<Pick<Zone, 'match' | 'specified'>>) => act({ type: 'zone.set', zoneId: zone.id, patch });
  const add = (layers: Reference['layers'], from: string, materials: Edit[] = []) => {
    if (layers.length === 0) return setTrouble(`${from} has no layers to take.`);
    const item: Reference = { id: nanoid(8), name: name.trim() || from, note: `Taken from ${from}`, layers };
    if (
      !act(
        ...materials,
        { type: 'reference.add', item, index: boat.references.length },
        { type: 'zone.set', zoneId: zone.id, patch: { match: item.id } },
      )
    )
      setName('');
  };
  const takeFrom = (from: Boat, zoneId: string) => {
    const owner = from.parts.find((candidate) => candidate.zones.some(({ id }) => id === zoneId))!;
    const layers = stackOf(
      owner,
      owner.zones.find(({ id }) => id === zoneId)!,
    );
    const wanted = new Set(layers.map(({ material }) => material));
    const missing = from.materials.filter(
      (material) =>
        (wanted.has(material.id) ||
          from.materials.some((m) => wanted.has(m.id) && ingredients(m).includes(material.id))) &&
        !boat.materials.some(({ id }) => id === material.id),
    );
    const ordered = [
      ...missing.filter(({ kind }) => kind === 'fibre'),
      ...missing.filter(({ kind }) => kind !== 'fibre'),
    ];
    add(
      layers,
      `${from.name}, ${owner.zones.find(({ id }) => id === zoneId)!.name}`,
      ordered.map((material): Edit => ({ type: 'material.put', material })),
    );
  };
  const options = boat.references.map((reference) => (
    <option key={reference.id} value={reference.id}>
      {reference.name} ({reference.layers.length} layers)
    </option>
  ));
  return (
    <div className="d-grid gap-2">
      <h2 className="mb-0">References</h2>
      <Refusal
        text={trouble ?? (failed && wordsOf(failed))}
        onClose={() => {
          setTrouble(null);
          setOtherId('');
          if (failed) setLooking(false);
        }}
        className="mb-0"
      />
      <Row className="g-2">
        <Col>
          <Form.Group controlId="zone-match">
            <Form.Label className="mb-0">Must match, proved itself</Form.Label>
            <Form.Select value={zone.match ?? ''} onChange={(event) => set({ match: event.target.value || null })}>
              <option value="">nothing</option>
              {options}
            </Form.Select>
          </Form.Group>
        </Col>
        <Col>
          <Form.Group controlId="zone-specified">
            <Form.Label className="mb-0">As specified, layer by layer</Form.Label>
            <Form.Select
              value={zone.specified ?? ''}
              onChange={(event) => set({ specified: event.target.value || null })}
            >
              <option value="">nothing</option>
              {options}
            </Form.Select>
          </Form.Group>
        </Col>
      </Row>
      {zone.specified && !boat.packs.some(({ kind }) => kind === 'asSpecified') && (
        <p className="small mb-0">
          △ The pack "As specified" is not among the boat's packs yet: add it in Brief to have it checked.
        </p>
      )}
      {match && (
        <table className="table table-sm mb-0" aria-label={`${zone.name} against ${match.reference.name}`}>
          <thead>
            <tr>
              <th>Against {match.reference.name}</th>
              <th className="num">Ratio</th>
            </tr>
          </thead>
          <tbody>
            {match.ratios.map((ratio) => (
              <tr key={ratio.name} className={ratio === match.governing ? 'fw-semibold' : ''}>
                <td>{ratio.name}</td>
                <td className="num">
                  <span className={`verdict ${ratio.ratio < 1 - 1e-9 ? 'fails' : 'meets'}`}>
                    {ratio.ratio < 1 - 1e-9 ? '✕' : '✓'} {formatNumber(ratio.ratio, 2)}
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Form.Control
        size="sm"
        aria-label="Name of the new reference"
        placeholder="Name of a new reference (optional)"
        maxLength={80}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <div className="d-flex gap-2 flex-wrap">
        <Button
          size="sm"
          variant="outline-primary"
          onClick={() => add(stackOf(part, zone), `${boat.name}, ${zone.name}`)}
        >
          Take this zone as it is now
        </Button>
        {others === undefined ? (
          <Button size="sm" variant="outline-primary" disabled={looking && !failed} onClick={() => setLooking(true)}>
            Take from another boat…
          </Button>
        ) : (
          <>
            <Form.Select
              size="sm"
              className="w-auto"
              aria-label="Other boat"
              value={otherId}
              onChange={(event) => setOtherId(event.target.value)}
            >
              <option value="">{others.length ? 'Which boat?' : 'There is no other boat'}</option>
              {others.map((summary) => (
                <option key={summary.id} value={summary.id}>
                  {summary.name}
                </option>
              ))}
            </Form.Select>
            {other && (
              <Form.Select
                size="sm"
                className="w-auto"
                aria-label="Zone of the other boat"
                value=""
                onChange={(event) => event.target.value && takeFrom(other, event.target.value)}
              >
                <option value="">Which zone?</option>
                {other.parts.flatMap((owner) =>
                  owner.zones.map((one) => (
                    <option key={one.id} value={one.id}>
                      {owner.name}: {one.name}
                    </option>
                  )),
                )}
              </Form.Select>
            )}
          </>
        )}
      </div>
      {boat.references.length > 0 && (
        <ul className="small list-unstyled mb-0">
          {boat.references.map((reference) => (
            <li key={reference.id}>
              {reference.name}, {reference.layers.length} layers. {reference.note}{' '}
              <button
                type="button"
                className="reason-button"
                onClick={() => act({ type: 'reference.remove', id: reference.id })}
                aria-label={`Remove reference ${reference.name}`}
              >
                remove
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
