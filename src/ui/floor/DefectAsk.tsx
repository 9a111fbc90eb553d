'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { DEFECT_KINDS, type DefectKind, type Step } from '@/core/build';
import { QuantityField } from '../shared/QuantityField';
import { Ask } from './Ask';
import { NotTaken } from './NotTaken';
import { scaled } from './photo';
import { SkinMap } from './SkinMap';
import { useFloor } from './useFloor';

const KINDS = Object.keys(DEFECT_KINDS) as DefectKind[];

/** Something is wrong: what, where, how large, with a photograph; one tap each. */
export function DefectAsk({ step, onLeave }: { step: Step | null; onLeave: () => void }) {
  const { state, store, note } = useFloor();
  const [partId, setPart] = useState(step?.partId ?? state.plan.parts[0]!.id);
  const [kind, setKind] = useState<DefectKind | null>(null);
  const [place, setPlace] = useState<{ skin: string; at: [number, number]; zone: string; name: string } | null>(null);
  const [size, setSize] = useState<number | null>(0.05);
  const [words, setWords] = useState('');
  const [photos, setPhotos] = useState<string[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const part = state.plan.parts.find(({ id }) => id === partId)!;
  const addPhoto = async (file: File | undefined) => {
    if (!file) return;
    setTrouble(null);
    try {
      const id = await store.addPhoto(await scaled(file));
      setPhotos((before) => [...before, id].slice(0, 6));
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <Ask
      title="Something is wrong"
      act="Record the defect"
      disabled={kind === null || place === null || size === null}
      onAct={() =>
        note('defect', {
          part: partId,
          step: step?.id ?? null,
          zone: place!.zone,
          skin: place!.skin,
          at: place!.at,
          kind: kind!,
          size: size!,
          note: words.trim(),
          photos,
        })
      }
      onLeave={onLeave}
    >
      {step?.partId == null && (
        <Form.Select
          aria-label="Part"
          className="mb-2"
          value={partId}
          onChange={(event) => {
            setPart(event.target.value);
            setPlace(null);
          }}
        >
          {state.plan.parts.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Form.Select>
      )}
      <div className="defect-kinds" role="group" aria-label="What is it?">
        {KINDS.map((one) => (
          <Button
            key={one}
            variant={kind === one ? 'primary' : 'outline-primary'}
            aria-pressed={kind === one}
            onClick={() => setKind(one)}
          >
            {DEFECT_KINDS[one]}
          </Button>
        ))}
      </div>
      <p className="mt-2 mb-1">
        Where? Tap it: <strong>{place ? place.name || 'beside the zones' : 'not shown yet'}</strong>
      </p>
      {part.skins.map((skin) => (
        <SkinMap
          key={skin.id}
          skin={skin}
          label={`${skin.name}: tap where the defect is`}
          onPoint={(at, zone) => setPlace({ skin: skin.id, at, zone: zone?.id ?? '', name: zone?.name ?? '' })}
        >
          {([w, h]) =>
            place?.skin === skin.id && (
              <circle cx={place.at[0] * w} cy={place.at[1] * h} r="13" className="defect-mark open" />
            )
          }
        </SkinMap>
      ))}
      <div className="d-grid gap-2 mt-2">
        <QuantityField label="Size" kind="shortLength" value={size} minimum={0.0005} maximum={20} onCommit={setSize} />
        <Form.Group controlId="defect-note">
          <Form.Label className="mb-0">In words</Form.Label>
          <Form.Control value={words} maxLength={500} onChange={(event) => setWords(event.target.value)} />
        </Form.Group>
        <Form.Group controlId="defect-photo">
          <Form.Label className="mb-0">Photograph{photos.length > 0 && `: ${photos.length} taken`}</Form.Label>
          <Form.Control
            type="file"
            accept="image/*"
            capture="environment"
            onChange={(event) => void addPhoto((event.target as HTMLInputElement).files?.[0])}
          />
        </Form.Group>
        <NotTaken text={trouble} />
      </div>
    </Ask>
  );
}
