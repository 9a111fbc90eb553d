'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { KeramosError } from '@/core/error';
import { DRAWING_UNITS, outlineFromMeasures, type At, type DrawingRead, type DrawingUnit } from '@/core/kit';
import { FileButton } from '../shared/FileButton';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { saidPoints } from './OutlineSvg';

export interface SourceOutline {
  name: string;
  outline: At[];
}

/** A drawing larger than this is not read (bytes). */
const MOST = 10_000_000;

/** Outlines out of a DXF, or from measures that are typed or pasted. */
export function OutlineSource({
  title,
  several = false,
  onOutlines,
}: {
  title: string;
  /** All outlines that are ticked, or one. */
  several?: boolean;
  onOutlines: (outlines: SourceOutline[]) => void;
}) {
  const { system, unit: unitOf } = useUnits();
  const [measures, setMeasures] = useState('');
  const [text, setText] = useState<string | null>(null);
  const [read, setRead] = useState<DrawingRead | null>(null);
  const [needsUnit, setNeedsUnit] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const look = async (drawing: string, unit?: DrawingUnit) => {
    const { outlinesFromDxf } = await import('@/core/kit/in/outlinesFromDxf');
    setText(drawing);
    setRefusal(null);
    setRead(null);
    try {
      setRead(outlinesFromDxf(drawing, unit));
      setNeedsUnit(false);
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      setNeedsUnit(error.path === 'unit');
      if (error.path !== 'unit') setRefusal(error.text);
    }
  };
  const open = async (file: File) => {
    if (file.size > MOST) setRefusal('The drawing is larger than 10 MB');
    else await look(await file.text());
  };
  const take = (outlines: SourceOutline[]) => {
    onOutlines(outlines);
    setRead(null);
    setText(null);
  };
  const takeMeasures = () => {
    try {
      onOutlines([{ name: 'Measured', outline: outlineFromMeasures(measures, system) }]);
      setMeasures('');
      setRefusal(null);
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      setRefusal(error.text);
    }
  };
  return (
    <details className="mb-0" open={several || undefined}>
      <summary className="mb-2">{title}</summary>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <div className="d-flex gap-3 align-items-start flex-wrap">
        <div className="d-grid gap-2">
          <FileButton label="Drawing of outlines" accept=".dxf" onFile={(file) => void open(file)}>
            Open a DXF…
          </FileButton>
          {needsUnit && text !== null && (
            <Form.Group controlId="drawing-unit">
              <Form.Label className="mb-0">The drawing does not say its unit. It is in</Form.Label>
              <Form.Select
                size="sm"
                defaultValue=""
                onChange={({ target }) => void look(text, target.value as DrawingUnit)}
              >
                <option value="" disabled>
                  choose
                </option>
                {Object.keys(DRAWING_UNITS).map((name) => (
                  <option key={name} value={name}>
                    {name}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
          )}
        </div>
        <Form.Group
          controlId={`measures-${several ? 'many' : 'one'}`}
          className="flex-grow-1"
          style={{ maxWidth: 460 }}
        >
          <Form.Label className="mb-0">
            Or measures, a line for each place: along and across; or along, left edge, right edge ({unitOf('length')})
          </Form.Label>
          <Form.Control
            as="textarea"
            rows={3}
            value={measures}
            placeholder={'0\t0\t0.40\n0.5\t0.02\t0.45\n1.2\t0.10\t0.38'}
            onChange={({ target }) => setMeasures(target.value)}
          />
          <Button size="sm" className="mt-1" disabled={measures.trim() === ''} onClick={takeMeasures}>
            Take the measures
          </Button>
        </Form.Group>
      </div>
      {read && <ReadDrawing read={read} several={several} onTake={take} />}
    </details>
  );
}

/** What a drawing has: each outline to be ticked or taken, and what was left out of it. */
function ReadDrawing({
  read,
  several,
  onTake,
}: {
  read: DrawingRead;
  several: boolean;
  onTake: (outlines: SourceOutline[]) => void;
}) {
  const { full } = useUnits();
  const [off, setOff] = useState<ReadonlySet<number>>(new Set());
  const chosen = read.outlines.filter((_, i) => !off.has(i));
  return (
    <div className="mt-2">
      {read.left.length > 0 && <p className="mb-1">△ Left out: {read.left.join('; ')}.</p>}
      {read.outlines.length === 0 && <p className="mb-0">There is no closed outline in this drawing.</p>}
      <ul className="list-unstyled d-flex gap-3 flex-wrap mb-2">
        {read.outlines.map(({ name, outline, inside }, i) => {
          const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
          const [x0, y0] = [Math.min(...xs), Math.min(...ys)];
          const [w, h] = [Math.max(...ys) - y0, Math.max(...xs) - x0];
          const scale = Math.min(140 / w, 90 / h);
          const own = outline.map(([x, y]): At => [x - x0, y - y0]);
          return (
            <li key={i} className="border rounded p-2">
              <svg width={148} height={h * scale + 8} viewBox={`-4 -4 148 ${h * scale + 8}`} aria-hidden>
                <polygon points={saidPoints(own, scale)} className="kit-piece" />
              </svg>
              <div className="small">
                {name}: {full(w, 'length')} × {full(h, 'length')}
                {inside > 0 && `; ${inside} cut-outs inside are left to the drawing`}
              </div>
              {several ? (
                <Form.Check
                  id={`outline-${i}`}
                  label="Take it"
                  checked={!off.has(i)}
                  onChange={() => setOff((before) => toggled(before, i))}
                />
              ) : (
                <Button size="sm" onClick={() => onTake([{ name, outline }])}>
                  Take it
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      {several && chosen.length > 0 && (
        <Button size="sm" onClick={() => onTake(chosen)}>
          Add {chosen.length === 1 ? 'the piece' : `${chosen.length} pieces`}
        </Button>
      )}
    </div>
  );
}

function toggled(set: ReadonlySet<number>, one: number): ReadonlySet<number> {
  const next = new Set(set);
  if (!next.delete(one)) next.add(one);
  return next;
}
