'use client';
import type { At } from '@/core/kit';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';

/** Points of an outline as figures, once round. */
export function OutlinePoints({ outline, onOutline }: { outline: readonly At[]; onOutline: (outline: At[]) => void }) {
  const { unit } = useUnits();
  const put = (at: number, point: At) => onOutline(outline.map((one, i) => (i === at ? point : one)));
  return (
    <details className="mb-2">
      <summary>{outline.length} points as figures</summary>
      <table className="table table-sm w-auto" aria-label="Points of the outline">
        <thead>
          <tr>
            <th scope="col">Point</th>
            <th scope="col">along warp, {unit('length')}</th>
            <th scope="col">across, {unit('length')}</th>
          </tr>
        </thead>
        <tbody>
          {outline.map(([x, y], i) => (
            <tr key={`${i} ${x} ${y}`}>
              <th scope="row" className="fw-normal">
                {i + 1}
              </th>
              {(
                [
                  ['Along', y, (value: number): At => [x, value]],
                  ['Across', x, (value: number): At => [value, y]],
                ] as const
              ).map(([name, value, at]) => (
                <td key={name}>
                  <QuantityField
                    label={`${name}, point ${i + 1}`}
                    hideLabel
                    kind="length"
                    value={value}
                    minimum={-60}
                    maximum={60}
                    onCommit={(next) => {
                      if (next !== null) put(i, at(next));
                    }}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
