'use client';
import { useMemo, useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import type { Boat, Part } from '@/core/document';
import { layersOf, swapMaterial, type Edit, type SwapScope } from '@/core/edit';
import { targetOf } from '@/core/evaluate';
import { isLayerMaterial, type LayerMaterial, type Material } from '@/core/material';
import { EffectOf } from '../shared/EffectOf';
import { KeyDialog } from '../shared/KeyDialog';
import { Refusal } from '../shared/Refusal';
import { useEffectOf } from '../shared/useProofs';

interface SwapDialogProps {
  boat: Boat;
  part: Part;
  /** Layers selected in the grid. */
  ids: readonly string[];
  /** Of the boat and of the Shelf. */
  materials: readonly Material[];
  act: (label: string | null, ...edits: Edit[]) => string | undefined;
  onClose: () => void;
}

/** Puts one material in the place of another, with what that does shown first. */
export function SwapDialog({ show, onClosed, ...rest }: SwapDialogProps & { show: boolean; onClosed: () => void }) {
  return (
    <KeyDialog id="swap" show={show} title="Swap a material" onClose={rest.onClose} onClosed={onClosed}>
      <Entries {...rest} />
    </KeyDialog>
  );
}

const SCOPES = { layers: 'the selected layers', part: 'this part', boat: 'the whole boat' } as const;
type Scope = keyof typeof SCOPES;
const NONE: Edit[] = [];

function Entries({ boat, part, ids, materials, act, onClose }: SwapDialogProps) {
  const laid = boat.materials.filter((one): one is LayerMaterial => isLayerMaterial(one) && layersOf(boat, one.id) > 0);
  const selected = part.layers.find(({ id }) => ids.includes(id))?.material;
  const [from, setFrom] = useState(selected ?? laid[0]?.id ?? '');
  const [to, setTo] = useState('');
  const [within, setWithin] = useState<Scope>('boat');
  const [refusal, setRefusal] = useState<string | null>(null);
  const old = laid.find(({ id }) => id === from);
  const choices = materials.filter(
    (one): one is LayerMaterial => isLayerMaterial(one) && one.id !== from && one.kind === old?.kind,
  );
  const edits = useMemo(() => {
    const scopes: Record<Scope, SwapScope> = {
      layers: { in: 'layers', ids },
      part: { in: 'part', partId: part.id },
      boat: { in: 'boat' },
    };
    return to === '' ? NONE : swapMaterial(boat, { from, to, scope: scopes[within] }, materials);
  }, [boat, part.id, ids, materials, from, to, within]);
  const { effect, current } = useEffectOf(boat, edits);
  const nameOf = (id: string) => materials.find((one) => one.id === id)?.name ?? id;
  const swap = () => {
    const said = act(`swapped ${nameOf(from)} for ${nameOf(to)} in ${SCOPES[within]}`, ...edits);
    setRefusal(said ?? null);
    if (!said) onClose();
  };
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        if (edits.length > 0) swap();
      }}
    >
      <Modal.Body className="d-grid gap-2">
        <Refusal text={refusal} onClose={() => setRefusal(null)} />
        <Form.Group controlId="swap-from">
          <Form.Label className="mb-0">Take out</Form.Label>
          <Form.Select
            autoFocus
            value={from}
            onChange={(event) => {
              setFrom(event.target.value);
              setTo('');
            }}
          >
            {laid.map(({ id, code, name }) => (
              <option key={id} value={id}>
                {code}, {name}: in {layersOf(boat, id)} {layersOf(boat, id) === 1 ? 'layer' : 'layers'}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="swap-to">
          <Form.Label className="mb-0">Lay in its place</Form.Label>
          <Form.Select value={to} onChange={(event) => setTo(event.target.value)}>
            <option value="">choose a {old?.kind ?? 'material'}</option>
            {choices.map(({ id, code, name }) => (
              <option key={id} value={id}>
                {code}, {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="swap-in">
          <Form.Label className="mb-0">In</Form.Label>
          <Form.Select value={within} onChange={(event) => setWithin(event.target.value as Scope)}>
            <option value="boat">the whole boat, its stiffeners and details included</option>
            <option value="part">{part.name}</option>
            <option value="layers">the selected {ids.length === 1 ? 'layer' : `${ids.length} layers`}</option>
          </Form.Select>
        </Form.Group>
        {to !== '' && edits.length === 0 && <p className="soft mb-0">It is not laid there.</p>}
        {edits.length > 0 && <EffectOf effect={effect} current={current} target={targetOf(boat)} />}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-primary" onClick={onClose}>
          Leave it
        </Button>
        <Button type="submit" disabled={edits.length === 0 || !current || typeof effect === 'string'}>
          Swap it
        </Button>
      </Modal.Footer>
    </Form>
  );
}
