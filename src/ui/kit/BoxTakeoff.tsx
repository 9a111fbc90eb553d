'use client';
import { Card } from 'react-bootstrap';
import type { Box } from '@/core/document';
import { boxOf, boxPanels, type At, type BoxPanel } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';

const WIDE = 520;
const APART = 16;

/** Panels of a box flat, with what it takes: faces, screws in and out again, filler. */
export function BoxTakeoff({ box }: { box: Box }) {
  const { full } = useUnits();
  const { panels, faces, joints, screws, filler } = boxPanels(box);
  const all = screws * box.number;
  const plural = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;
  return (
    <Card>
      <Card.Body>
        <h2>
          {box.number} × {box.name}
        </h2>
        <p className="mb-2">
          {plural(faces, 'face')} each{panels.length !== faces && ` in ${plural(panels.length, 'panel')}`}:{' '}
          <strong>{plural(panels.length * box.number, 'panel')}</strong> for one boat.
        </p>
        <Flat panels={panels} />
        <table className="table table-sm" aria-label="Panels of the box">
          <thead>
            <tr>
              <th scope="col">Panel</th>
              <th scope="col" className="num">
                across
              </th>
              <th scope="col" className="num">
                up
              </th>
              <th scope="col" className="num">
                cut-outs
              </th>
              <th scope="col" className="num">
                to cut
              </th>
            </tr>
          </thead>
          <tbody>
            {panels.map(({ name, outline, cuts, notes }) => {
              const { minX, maxX, minY, maxY } = boxOf(outline);
              return (
                <tr key={name}>
                  <th scope="row" className="fw-normal">
                    {name}
                    {notes.map((note) => (
                      <div key={note} className="small soft">
                        {note}
                      </div>
                    ))}
                  </th>
                  <td className="num">{full(maxX - minX, 'shortLength')}</td>
                  <td className="num">{full(maxY - minY, 'shortLength')}</td>
                  <td className="num">{cuts.length || ''}</td>
                  <td className="num">{box.number}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <p className="mb-1">
          {screws > 0 ? `${all} screws in to glue it, and ${all} out again: count them.` : 'No screws.'}{' '}
          {full(joints * box.number, 'length')} of joints inside
          {filler > 0 && `, ${formatNumber(filler * box.number * 1000, 2)} l of filler for their fillets`}.
        </p>
        <p className="small soft mb-0">
          Measures outside; the panel thickness is taken off where a face runs over the edge of another.{' '}
          {box.material === null && 'Say what the panels are of, and they stand with the pieces to cut. '}
          Not checked: whether the panels carry what stands on them, and whether it goes through the hatch.
        </p>
      </Card.Body>
    </Card>
  );
}

/** Panels side by side, all to one scale. */
function Flat({ panels }: { panels: readonly BoxPanel[] }) {
  const boxes = panels.map(({ outline }) => boxOf(outline));
  const total = boxes.reduce((sum, { minX, maxX }) => sum + maxX - minX, 0);
  const high = Math.max(0.05, ...boxes.map(({ minY, maxY }) => maxY - minY));
  const scale = Math.min((WIDE - APART * panels.length) / total, 170 / high);
  const starts = boxes.map((_, i) =>
    boxes.slice(0, i).reduce((sum, { minX, maxX }) => sum + (maxX - minX) * scale + APART, 0),
  );
  return (
    <svg
      viewBox={`-2 -2 ${WIDE + 4} ${high * scale + 22}`}
      className="kit-picture mb-2"
      role="img"
      aria-label={`${panels.length} panels, as seen from outside`}
    >
      {panels.map(({ name, outline, cuts }, i) => {
        const { minX, maxX, minY, maxY } = boxes[i]!;
        // Up is up.
        const said = (points: readonly At[]) =>
          points.map(([x, y]) => `${((x - minX) * scale).toFixed(1)},${((maxY - y) * scale).toFixed(1)}`).join(' ');
        return (
          <g key={name} transform={`translate(${starts[i]} ${(high - (maxY - minY)) * scale})`}>
            <polygon points={said(outline)} className="kit-piece" />
            {cuts.map((cut, k) => (
              <polygon key={k} points={said(cut)} className="kit-cut" />
            ))}
            <text
              x={((maxX - minX) * scale) / 2}
              y={(maxY - minY) * scale + 14}
              textAnchor="middle"
              className="kit-text"
            >
              {name.length * 6 > (maxX - minX) * scale + APART ? name.slice(0, 6) : name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
