'use client';
import { Button, Card, Form } from 'react-bootstrap';
import { LINE_OPENS, LINE_ROLES, type FillLine } from '@/core/document';
import { QuantityField } from '../shared/QuantityField';
import { TextField } from '../shared/TextField';
import { useUnits } from '../shared/units';

/** The line that is chosen: what it takes, when its clamp opens, its points as figures. */
export function LineCard({
  line,
  onLine,
  onRemove,
}: {
  line: FillLine;
  onLine: (line: FillLine) => void;
  onRemove: () => void;
}) {
  const { unit } = useUnits();
  const put = (at: number, axis: 0 | 1, value: number) =>
    onLine({
      ...line,
      points: line.points.map((p, i): [number, number] => {
        if (i !== at) return p;
        return axis === 0 ? [value, p[1]] : [p[0], value];
      }),
    });
  const [lastX, lastY] = line.points.at(-1)!;
  return (
    <Card body className="d-print-none">
      <div className="d-flex gap-2 align-items-center mb-2">
        <h2 className="mb-0 me-auto">{line.name}</h2>
        <Button size="sm" variant="outline-primary" onClick={onRemove}>
          Remove the line
        </Button>
      </div>
      <div className="detail-fields">
        <TextField
          label="Name of the line"
          value={line.name}
          maximum={40}
          onCommit={(name) => {
            onLine({ ...line, name });
            return undefined;
          }}
        />
        <Pick label="Takes" options={LINE_ROLES} value={line.role} onPick={(role) => onLine({ ...line, role })} />
        {line.role === 'feed' && (
          <>
            <Pick
              label="Its clamp opens"
              options={LINE_OPENS}
              value={line.opens}
              onPick={(opens) => onLine({ ...line, opens })}
            />
            {line.opens === 'clock' && (
              <QuantityField
                label="Opens after"
                kind="duration"
                value={line.at}
                minimum={0}
                maximum={36_000}
                onCommit={(at) => {
                  if (at !== null) onLine({ ...line, at });
                }}
              />
            )}
            <QuantityField
              label="Closes after"
              kind="duration"
              value={line.closes}
              minimum={1}
              maximum={86_400}
              optional
              hint="empty: when the part is full"
              onCommit={(closes) => onLine({ ...line, closes })}
            />
          </>
        )}
      </div>
      <details className="mt-2">
        <summary>{line.points.length === 1 ? 'A point' : `${line.points.length} points`}, as figures</summary>
        <table className="table table-sm w-auto mb-1" aria-label={`Points of ${line.name}`}>
          <thead>
            <tr>
              <th scope="col">Point</th>
              <th scope="col">along, {unit('length')}</th>
              <th scope="col">up, {unit('length')}</th>
              <th scope="col">
                <span className="visually-hidden">take it out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {line.points.map(([x, y], i) => (
              <tr key={`${i} ${x} ${y}`}>
                <th scope="row" className="fw-normal">
                  {i + 1}
                </th>
                {([x, y] as const).map((value, axis) => (
                  <td key={axis}>
                    <QuantityField
                      label={`${axis === 0 ? 'Along' : 'Up'}, point ${i + 1}`}
                      hideLabel
                      kind="length"
                      value={value}
                      minimum={-60}
                      maximum={60}
                      onCommit={(next) => {
                        if (next !== null) put(i, axis as 0 | 1, next);
                      }}
                    />
                  </td>
                ))}
                <td>
                  <Button
                    size="sm"
                    variant="outline-primary"
                    aria-label={`Take out point ${i + 1}`}
                    disabled={line.points.length === 1}
                    onClick={() => onLine({ ...line, points: line.points.filter((_, k) => k !== i) })}
                  >
                    ✕
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <Button
          size="sm"
          variant="outline-primary"
          onClick={() => onLine({ ...line, points: [...line.points, [Number((lastX + 0.2).toFixed(3)), lastY]] })}
        >
          Add a point
        </Button>
      </details>
    </Card>
  );
}

function Pick<K extends string>({
  label,
  options,
  value,
  onPick,
}: {
  label: string;
  options: Readonly<Record<K, string>>;
  value: K;
  onPick: (value: K) => void;
}) {
  return (
    <Form.Group controlId={`line-${label}`}>
      <Form.Label className="small mb-0">{label}</Form.Label>
      <Form.Select size="sm" value={value} onChange={(event) => onPick(event.target.value as K)}>
        {Object.entries<string>(options).map(([key, word]) => (
          <option key={key} value={key}>
            {word}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}
