'use client';
import { useMemo, useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { Plug } from '@/core/document';
import type { HullSurface } from '@/core/geometry';
import { boxOf, plugFrames, type At } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { saveFile } from '../shared/saveFile';
import { useUnits } from '../shared/units';
import { fileName } from './ClothCard';

const WIDE = 520;

/** Frames of a plug or mould: one shown large, all others behind it. */
export function PlugFrames({ plug, hull }: { plug: Plug; hull: HullSurface }) {
  const { full } = useUnits();
  const { frames, battenLength, area } = useMemo(() => plugFrames(hull, plug), [hull, plug]);
  const [at, setAt] = useState(Math.floor(frames.length / 2));
  const frame = frames[Math.min(at, frames.length - 1)]!;
  const all = boxOf(frames.flatMap(({ outline }) => outline));
  const scale = Math.min(WIDE / (all.maxX - all.minX), 360 / (all.maxY - all.minY));
  const point = ([x, y]: At): At => [(x - all.minX) * scale, (all.maxY - y) * scale];
  const said = (points: readonly At[]) =>
    points
      .map(point)
      .map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`)
      .join(' ');
  const dxf = async () => {
    const { framesDxf } = await import('@/core/kit/out/cutDxf');
    saveFile(`${fileName(plug.name)}-frames.dxf`, framesDxf(frames), 'image/vnd.dxf');
  };
  return (
    <Card>
      <Card.Body>
        <div className="d-flex gap-2 align-items-center mb-2">
          <h2 className="mb-0 me-auto">
            {plug.name}: {frames.length} frames
          </h2>
          <Button size="sm" variant="outline-primary" onClick={() => void dxf()}>
            All frames as DXF
          </Button>
        </div>
        <svg
          viewBox={`-2 -2 ${(all.maxX - all.minX) * scale + 4} ${(all.maxY - all.minY) * scale + 4}`}
          className="kit-picture"
          role="img"
          aria-label={`${frame.name} of ${frames.length}, seen from aft`}
        >
          {frames.map((one) => (
            <polygon key={one.name} points={said(one.outline)} fill="none" stroke="var(--line)" strokeWidth="0.8" />
          ))}
          <polygon points={said(frame.outline)} className="kit-piece chosen" />
          {frame.marks.map((mark, i) => (
            <polyline key={i} points={said(mark)} className="kit-dart" />
          ))}
        </svg>
        <Form.Group controlId="plug-frame">
          <Form.Label className="mb-0">
            {frame.name}, {full(frame.x, 'length')} forward of the aft end of the waterline
          </Form.Label>
          <Form.Range
            min={0}
            max={frames.length - 1}
            value={at}
            onChange={({ target }) => setAt(Number(target.value))}
          />
        </Form.Group>
        <p className="mb-1">
          {full(area, 'area')} of board {full(plug.board, 'shortLength')} thick in frames
          {battenLength > 0 && `; ${full(battenLength, 'length')} of batten, ${frame.battens} on this frame`}
          {plug.notched && battenLength > 0 && ', let into the frames'}.
        </p>
        <p className="small soft mb-0">
          Section of the hull less {full(plug.skin, 'shortLength')} of skin
          {!plug.notched && plug.battenThickness > 0 && ` and ${full(plug.battenThickness, 'shortLength')} of batten`},
          square to the surface: by its slope along the boat that is up to{' '}
          {formatNumber(1000 * steepest(hull, plug), 1)} mm more in the plane of a frame. Faces of the frames are
          square: bevel them to the run. Dashed: centreline and level. Not checked: whether the frames carry the plug,
          and whether the mould lets the part go.
        </p>
      </Card.Body>
    </Card>
  );
}

/** By how much more than square to the surface a frame is cut back where the hull slopes most (m). */
function steepest(hull: HullSurface, { from, to, skin, battenThickness, notched }: Plug): number {
  const laid = skin + (notched ? 0 : battenThickness);
  const slopes = Array.from({ length: 20 }, (_, i) => {
    const x = from + ((to - from) * i) / 19;
    const wide = (at: number) => hull.at(Math.min(hull.bow, Math.max(hull.aft, at)), 1.5)[1];
    return Math.abs(wide(x + 0.05) - wide(x - 0.05)) / 0.1;
  });
  return laid * (Math.hypot(1, Math.max(...slopes)) - 1);
}
