'use client';
import { useImperativeHandle, useRef, useState, type Ref } from 'react';
import { Button, ButtonGroup, Form } from 'react-bootstrap';
import { hasDirection, normalAngle, type LayerMaterial } from '@/core/material';
import { formatForEntry, parseQuantity } from '@/core/quantity';
import type { Layer } from '@/core/document';
import { useUnits } from '../shared/units';
import { Said } from '../shared/Said';

export interface LayerBarHandle {
  /** Put the cursor into the entry of angle or thickness, with the key that was typed. */
  enter: (typed: string) => void;
}

export interface LayerBarProps {
  layer: Layer | undefined;
  index: number;
  last: number;
  material: LayerMaterial | undefined;
  ref: Ref<LayerBarHandle>;
  onAngle: (angleDeg: number) => string | undefined;
  onThickness: (thickness: number) => string | undefined;
  onEntered: () => void;
  onCommand: (id: string) => void;
  /** How many layers are selected. */
  count: number;
  /** Pieces to be cut of it, in words. */
  pieces: string;
}

/** What can be done to the chosen layer, each with its key. */
export function LayerBar({
  layer,
  index,
  last,
  material,
  ref,
  onAngle,
  onThickness,
  onEntered,
  onCommand,
  count,
  pieces,
}: LayerBarProps) {
  const { system, unit } = useUnits();
  const box = useRef<HTMLInputElement>(null);
  const [draft, showDraft] = useState<string | null>(null);
  /** What is typed and not taken yet: Enter moves the focus away, and leaving must not take it a second time. */
  const waiting = useRef<string | null>(null);
  const setDraft = (text: string | null) => {
    waiting.current = text;
    showDraft(text);
  };
  const [refusal, setRefusal] = useState<string | null>(null);
  const fabric = material?.kind === 'fabric';
  const enters = material !== undefined && (!fabric || hasDirection(material));
  const kind = fabric ? 'angle' : 'thickness';
  const value = layer ? formatForEntry(fabric ? layer.angleDeg : layer.thickness, kind, system) : '';

  useImperativeHandle(
    ref,
    () => ({
      enter: (typed) => {
        setDraft(typed || null);
        setRefusal(null);
        box.current?.focus();
        if (!typed) box.current?.select();
      },
    }),
    [],
  );

  const takeAngle = (degrees: number) =>
    Math.abs(degrees) > 180 ? 'Angle must be between −180° and 180°' : onAngle(normalAngle(degrees));
  const commit = (): boolean => {
    const entry = waiting.current;
    if (entry === null || !layer) return true;
    // Wood takes a thickness, and an angle where one is typed as such.
    const turns = fabric || (material?.kind === 'wood' && /°|deg/i.test(entry));
    const parsed = parseQuantity(entry, turns ? 'angle' : 'thickness', system);
    const take = turns ? takeAngle : onThickness;
    const said = parsed.ok ? take(parsed.value) : parsed.message;
    setRefusal(said ?? null);
    if (!said) setDraft(null);
    return !said;
  };

  return (
    <div className="layer-bar">
      <Button size="sm" onClick={() => onCommand('add')} title="Add a layer after the chosen one (N)">
        Add layer
      </Button>
      {layer && material && (
        <>
          <span className="text-nowrap fw-semibold">{count > 1 ? `${count} layers` : `Layer ${index + 1}`}</span>
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() => onCommand('choose')}
            title={`${material.name}: choose another (Enter)`}
          >
            {material.code} ▾
          </Button>
          {enters && (
            <Form.Control
              ref={box}
              size="sm"
              className="num w-auto"
              aria-label={fabric ? 'Angle of the layer in degrees' : `Thickness of the layer in ${unit('thickness')}`}
              htmlSize={6}
              value={draft ?? value}
              isInvalid={refusal !== null}
              onChange={(event) => {
                setDraft(event.target.value.slice(0, 40));
                setRefusal(null);
              }}
              onBlur={commit}
              onKeyDown={(event) => {
                if (event.key === 'Enter' && commit()) onEntered();
                if (event.key === 'Escape') {
                  setDraft(null);
                  setRefusal(null);
                  onEntered();
                }
              }}
            />
          )}
          {enters && <span className="unit">{fabric ? '°' : unit('thickness')}</span>}
          {enters && hasDirection(material) && (
            <ButtonGroup size="sm">
              <Button variant="outline-primary" onClick={() => onCommand('turn-15')} title="Turn by 15° (])">
                +15°
              </Button>
              <Button variant="outline-primary" onClick={() => onCommand('turn-45')} title="Turn by 45° (T)">
                +45°
              </Button>
              <Button variant="outline-primary" onClick={() => onCommand('turn-90')} title="Turn by 90° (Shift+T)">
                +90°
              </Button>
            </ButtonGroup>
          )}
          <ButtonGroup size="sm">
            <Button
              variant="outline-primary"
              onClick={() => onCommand('up')}
              disabled={index === 0}
              title="Move towards the mould face (Alt+↑)"
              aria-label="Move layer up"
            >
              ↑
            </Button>
            <Button
              variant="outline-primary"
              onClick={() => onCommand('down')}
              disabled={index === last}
              title="Move away from the mould face (Alt+↓)"
              aria-label="Move layer down"
            >
              ↓
            </Button>
          </ButtonGroup>
          <ButtonGroup size="sm">
            <Button variant="outline-primary" onClick={() => onCommand('duplicate')} title="Duplicate (D)">
              Duplicate
            </Button>
            <Button variant="outline-primary" onClick={() => onCommand('remove')} title="Remove (Delete)">
              Remove
            </Button>
          </ButtonGroup>
          <span className="small soft text-nowrap">{pieces}</span>
        </>
      )}
      {refusal && (
        <span className="small verdict fails" role="alert">
          <Said text={refusal} />
        </span>
      )}
    </div>
  );
}
