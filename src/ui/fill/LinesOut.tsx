'use client';
import { Button, Card } from 'react-bootstrap';
import { LINE_OPENS, type FillPlan } from '@/core/document';
import { datumsOf, linesDxf, linesSvg, markedPoints, type FillCase } from '@/core/fill';
import { PickButton } from '../shared/PickButton';
import { saveFile } from '../shared/saveFile';
import { useUnits } from '../shared/units';
import type { Filled } from '@/workers/fill.worker';
import { minutes } from './minutes';

/** Clamps in the order in which they open, and where each line is marked on the mould. */
export function LinesOut({
  plan,
  own: { skin },
  filled,
  onChoose,
}: {
  plan: FillPlan;
  own: FillCase;
  filled: Filled | null;
  onChoose: (id: string) => void;
}) {
  const { full, show, unit } = useUnits();
  const opens = new Map(filled?.outcome.opens.map((one) => [one.id, one]));
  const order = [...plan.lines].sort(
    (a, b) =>
      Number(b.role === 'feed') - Number(a.role === 'feed') ||
      (opens.get(a.id)?.opens ?? Infinity) - (opens.get(b.id)?.opens ?? Infinity) ||
      plan.lines.indexOf(a) - plan.lines.indexOf(b),
  );
  const [a, b] = datumsOf(skin);
  const file = plan.name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();
  const through = (id: string) => {
    const mass = filled?.resin.byLine.get(id);
    return mass === undefined ? '' : show(mass, 'mass');
  };
  if (plan.lines.length === 0) return null;
  return (
    <Card body>
      <div className="d-flex gap-2 align-items-center flex-wrap mb-2">
        <h2 className="mb-0 me-auto">Lines and clamps, in order</h2>
        <Button size="sm" variant="outline-primary" className="d-print-none" onClick={() => window.print()}>
          Print the diagram
        </Button>
        <Button
          size="sm"
          variant="outline-primary"
          className="d-print-none"
          onClick={() => saveFile(`${file}.dxf`, linesDxf(skin, plan.lines), 'application/dxf')}
        >
          DXF
        </Button>
        <Button
          size="sm"
          variant="outline-primary"
          className="d-print-none"
          onClick={() => saveFile(`${file}.svg`, linesSvg(skin, plan.lines), 'image/svg+xml')}
        >
          SVG 1:1
        </Button>
      </div>
      <table className="table table-sm" aria-label="Lines and clamps">
        <thead>
          <tr>
            <th scope="col">Line</th>
            <th scope="col">Clamp</th>
            <th scope="col">opens</th>
            <th scope="col">closes</th>
            <th scope="col">resin through it, {unit('mass')}</th>
            <th scope="col">marked at, {unit('length')}: along / up the skin (tape from A, from B)</th>
          </tr>
        </thead>
        <tbody>
          {order.map((line) => {
            const own = opens.get(line.id);
            return (
              <tr key={line.id}>
                <td>
                  <PickButton onPick={() => onChoose(line.id)}>
                    {line.role === 'feed' ? '▶' : '○'} {line.name}
                  </PickButton>
                </td>
                <td>{line.role === 'vent' ? 'open all the time' : LINE_OPENS[line.opens]}</td>
                <td>{line.role === 'feed' && opensWords(own)}</td>
                <td>{line.role === 'feed' ? minutes(own?.closes ?? null) : 'at gel'}</td>
                <td>{through(line.id)}</td>
                <td className="small">
                  {markedPoints(line, skin)
                    .map(
                      ({ along, up, fromA, fromB }) =>
                        `${show(along, 'length')} / ${show(up, 'length')} ` +
                        `(${show(fromA, 'length')}, ${show(fromB, 'length')})`,
                    )
                    .join(' · ')}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="small soft mb-0">
        {[a, b].map(({ name, at: [x, y] }) => (
          <span key={name}>
            Mark {name}: {full(x, 'length')} along, {full(y, 'length')} up.{' '}
          </span>
        ))}
        Tapes are taut, through the air. Along: {skin.axes.x}; up: {skin.axes.y}.
        {skin.half && ' The other hand is marked as its mirror.'} Vacuum stays on until the resin has gelled.
      </p>
    </Card>
  );
}

function opensWords(own: { opens: number | null } | undefined): string {
  if (!own) return '–';
  return own.opens === null ? '✕ never' : minutes(own.opens);
}
