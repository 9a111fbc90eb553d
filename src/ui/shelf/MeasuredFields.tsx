'use client';
import { Button, Form } from 'react-bootstrap';
import { PLY_FIGURES, PROCESSES, type MeasuredFigure, type PlyFigure, type Process } from '@/core/material';
import { QuantityField } from '../shared/QuantityField';

/** Figures of the ply that a data sheet or a test states, each in front of the computed one. */
export function MeasuredFields({
  name,
  measured,
  onChange,
}: {
  name: string;
  measured: readonly MeasuredFigure[];
  onChange: (measured: MeasuredFigure[]) => void;
}) {
  const set = (at: number, patch: Partial<MeasuredFigure>) =>
    onChange(measured.map((figure, i) => (i === at ? { ...figure, ...patch } : figure)));
  return (
    <div className="mt-2">
      {measured.map((figure, at) => {
        const { label, kind, minimum, maximum } = PLY_FIGURES[figure.property];
        return (
          <div key={at} className="border-top pt-1 mb-1">
            <div className="d-flex gap-1">
              <Form.Select
                size="sm"
                aria-label={`Measured figure ${at + 1} of ${name}`}
                value={figure.property}
                onChange={(event) => {
                  const property = event.target.value as PlyFigure;
                  set(at, {
                    property,
                    value:
                      Math.sqrt(PLY_FIGURES[property].minimum * PLY_FIGURES[property].maximum) ||
                      PLY_FIGURES[property].maximum / 2,
                  });
                }}
              >
                {Object.entries(PLY_FIGURES).map(([key, { label: words }]) => (
                  <option key={key} value={key}>
                    {words}
                  </option>
                ))}
              </Form.Select>
              <Form.Select
                size="sm"
                aria-label={`Origin of measured figure ${at + 1}`}
                value={figure.origin}
                onChange={(event) => set(at, { origin: event.target.value as MeasuredFigure['origin'] })}
              >
                <option value="dataSheet">data sheet</option>
                <option value="yardTest">tested here</option>
              </Form.Select>
              <Form.Select
                size="sm"
                aria-label={`Process of measured figure ${at + 1}`}
                value={figure.process ?? ''}
                onChange={(event) => set(at, { process: (event.target.value || null) as Process | null })}
              >
                <option value="">any process</option>
                {(Object.keys(PROCESSES) as Process[]).map((process) => (
                  <option key={process} value={process}>
                    {PROCESSES[process].name}
                  </option>
                ))}
              </Form.Select>
            </div>
            <div className="d-flex gap-1 align-items-end">
              <QuantityField
                label={label}
                kind={kind}
                value={figure.value}
                minimum={minimum}
                maximum={maximum}
                onCommit={(value) => set(at, { value: value! })}
              />
              <QuantityField
                label="Samples"
                kind="ratio"
                value={figure.n}
                minimum={1}
                maximum={10000}
                optional
                onCommit={(value) => set(at, { n: value === null ? null : Math.round(value) })}
              />
              <QuantityField
                label="Spread"
                kind="fraction"
                value={figure.spread}
                minimum={0}
                maximum={1}
                optional
                onCommit={(value) => set(at, { spread: value })}
              />
              <Button
                size="sm"
                variant="outline-primary"
                aria-label={`Remove measured figure ${at + 1}`}
                onClick={() => onChange(measured.filter((_, i) => i !== at))}
              >
                ✕
              </Button>
            </div>
          </div>
        );
      })}
      <Button
        size="sm"
        variant="outline-primary"
        onClick={() =>
          onChange([
            ...measured,
            { property: 'E1', value: 3e10, origin: 'dataSheet', n: null, spread: null, process: null },
          ])
        }
      >
        Add a stated or tested ply figure
      </Button>
    </div>
  );
}
