'use client';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card, Col, Form, Row } from 'react-bootstrap';
import { formFields, writeAt } from '@/core/field';
import { HOLDS_ONLY, SUPPORT_KINDS, supportSchema, type Support } from '@/core/geometry';
import type { Boat } from '@/core/document';
import { EntityForm } from '../shared/EntityForm';
import { AS_STIFFENER } from '../stiffeners/HeldForm';
import { TextField } from '../shared/TextField';
import { useUnits } from '../shared/units';
import { useEdit } from '../shared/useEdit';
import { Refusal } from '../shared/Refusal';

const KIND_WORDS = {
  frame: 'Frame',
  stringer: 'Stringer',
  beam: 'Deck beam',
  girder: 'Deck girder',
  rib: 'Rib',
} as const;

/** How far up a frame runs, behind where it stands. */
const FRAME_TO = { notSaid: '', chine: ', to the chine', deckEdge: ', to the deck edge' } as const;

/** Entered beside the form, or under Stiffeners. */
const BESIDE = ['name', 'section', ...AS_STIFFENER];

/** A member of the wanted kind to begin with. */
function supportFor(kind: Support['kind'], boat: Boat, zoneId: string | null): Support | null {
  const common = {
    ...HOLDS_ONLY,
    id: nanoid(8),
    name: `${KIND_WORDS[kind]} ${boat.supports.filter((other) => other.kind === kind).length + 1}`,
    section: boat.sections[0]?.id ?? null,
  };
  const middle = Number((0.5 * boat.brief.waterlineLength).toFixed(2));
  switch (kind) {
    case 'frame':
      return { ...common, kind, x: middle, upTo: 'chine' };
    case 'beam':
      return { ...common, kind, x: middle };
    case 'stringer':
      return { ...common, kind, band: 'bottom', share: 0.5, loadAt: null, from: -1, to: boat.brief.waterlineLength };
    case 'girder':
      return { ...common, kind, y: 0.4, loadAt: null, from: -1, to: boat.brief.waterlineLength };
    case 'rib':
      return zoneId === null ? null : { ...common, kind, zone: zoneId, run: 'across', share: 0.5 };
  }
}

/** Frames, stringers, beams, girders and ribs: what holds the panels besides bulkheads and hard edges. */
export function SupportsEditor({ boat, zoneId }: { boat: Boat; zoneId: string | null }) {
  const edit = useEdit();
  const { full } = useUnits();
  const [open, setOpen] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const act = (...edits: Parameters<typeof edit>) => {
    const said = edit(...edits);
    setRefusal(said ?? null);
    return said;
  };
  const zones = boat.parts.flatMap((part) => part.zones).map(({ id, name }) => ({ id, label: name }));
  const zoneName = (id: string) => zones.find((zone) => zone.id === id)?.label ?? 'a zone that is gone';
  const add = (kind: Support['kind']) => {
    const item = supportFor(kind, boat, zoneId);
    if (!item) return setRefusal('Choose a zone first: a rib stands on one.');
    if (!act({ type: 'support.add', item, index: boat.supports.length })) setOpen(item.id);
  };
  const place = (support: Support) => {
    switch (support.kind) {
      case 'frame':
        return `at ${full(support.x, 'length')}${FRAME_TO[support.upTo]}`;
      case 'beam':
        return `at ${full(support.x, 'length')}`;
      case 'stringer':
        return `${support.band}, ${Math.round(support.share * 100)} % up the girth`;
      case 'girder':
        return `${full(support.y, 'length')} off centre`;
      case 'rib':
        return `${zoneName(support.zone)}, ${support.run}, at ${Math.round(support.share * 100)} %`;
    }
  };
  return (
    <Card>
      <Card.Body className="d-grid gap-2">
        <h2 className="mb-0">Supports</h2>
        <Refusal text={refusal} onClose={() => setRefusal(null)} className="mb-0" />
        <p className="small soft mb-0">
          Bulkheads are zones on a section of the boat; these are the rest. Their sections and checks are under
          Stiffeners.
        </p>
        <ul className="list-unstyled mb-0">
          {boat.supports.map((support) => (
            <li key={support.id} className="border-bottom py-1">
              <div className="d-flex justify-content-between gap-2">
                <button
                  type="button"
                  className="reason-button text-start"
                  aria-expanded={open === support.id}
                  onClick={() => setOpen(open === support.id ? null : support.id)}
                >
                  {support.name}
                </button>
                <span className="small soft text-end">{place(support)}</span>
              </div>
              {open === support.id && (
                <Row className="g-2 py-1" xs={2}>
                  <Col>
                    <TextField
                      label="Name of member"
                      value={support.name}
                      maximum={60}
                      onCommit={(name) => act({ type: 'support.set', item: { ...support, name } })}
                    />
                  </Col>
                  <Col>
                    <Form.Group controlId="support-section">
                      <Form.Label className="mb-0">Section</Form.Label>
                      <Form.Select
                        value={support.section ?? ''}
                        onChange={(event) =>
                          act({ type: 'support.set', item: { ...support, section: event.target.value || null } })
                        }
                      >
                        <option value="">holds only, not computed</option>
                        {boat.sections.map((section) => (
                          <option key={section.id} value={section.id}>
                            {section.name}
                          </option>
                        ))}
                      </Form.Select>
                    </Form.Group>
                  </Col>
                  <Col xs={12}>
                    <EntityForm
                      fields={formFields(supportSchema, '', BESIDE, support)}
                      value={support}
                      optionsOf={() => zones}
                      additionTo={() => null}
                      onSet={(key, value) => act({ type: 'support.set', item: writeAt(support, key, value) })}
                    />
                  </Col>
                  <Col className="align-self-end">
                    <Button
                      size="sm"
                      variant="outline-primary"
                      onClick={() => act({ type: 'support.remove', id: support.id })}
                    >
                      Remove {support.name}
                    </Button>
                  </Col>
                </Row>
              )}
            </li>
          ))}
          {boat.supports.length === 0 && <li className="small">None yet: panels run from bulkhead to bulkhead.</li>}
        </ul>
        <Form.Select
          size="sm"
          aria-label="Add a support"
          value=""
          onChange={(event) => event.target.value && add(event.target.value as Support['kind'])}
        >
          <option value="">Add a support…</option>
          {Object.entries(SUPPORT_KINDS).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Form.Select>
      </Card.Body>
    </Card>
  );
}
