import { Colors } from '@tarikjabiri/dxf';
import type { At } from '../nest/convexParts';
import type { PlugFrame } from '../plug/plugFrames';
import { dxfSheet } from './dxfSheet';
import { drawnPlaces, type Lay } from './lay';

/** Layers of a cut file: what the knife follows, what is drawn, what is written. */
export const DXF_LAYERS = { CUT: Colors.Red, MARK: Colors.Blue, TEXT: Colors.White } as const;
type LayerName = keyof typeof DXF_LAYERS;
/** Half the arms of the cross at a notch (m). */
const CROSS = 0.005;

/** Letters 18 mm high. */
const TEXT = { high: 0.018, layerName: 'TEXT' } as const;

/**
 * One roll, offcut or sheet as DXF in millimetres, x along the cloth and y across it: outlines and what is cut inside
 * them, the edge of the cloth, the warp, darts and notches of each piece to mark, its label as text, each on a layer of
 * its own.
 */
export function cutDxf(lay: Lay): string {
  const out = dxfSheet(DXF_LAYERS);
  const along = ([x, y]: At): At => [y, x];
  const path = (points: readonly At[], layer: LayerName, closed: boolean) => out.path(points.map(along), layer, closed);
  if (lay.edge) path(lay.edge, 'MARK', true);
  for (const { outline, cuts, darts, notches, middle, reach, label } of drawnPlaces(lay)) {
    path(outline, 'CUT', true);
    for (const line of cuts) path(line, 'CUT', true);
    for (const line of darts) path(line, 'MARK', false);
    for (const [x, y] of notches) {
      out.line(along([x - CROSS, y]), along([x + CROSS, y]), 'MARK');
      out.line(along([x, y - CROSS]), along([x, y + CROSS]), 'MARK');
    }
    out.line(along([middle[0], middle[1] - reach / 2]), along([middle[0], middle[1] + reach / 2]), 'MARK');
    out.text(along([middle[0] + 0.01, middle[1] - reach / 2]), label, TEXT);
  }
  return out.done();
}

/** Between frames that lie side by side (m). */
const BESIDE = 0.1;

/** Frames of a plug or mould as DXF in millimetres, side by side as seen from aft: cut, centreline and level, name. */
export function framesDxf(frames: readonly PlugFrame[]): string {
  const out = dxfSheet(DXF_LAYERS);
  let right = 0;
  for (const { name, x, outline, marks } of frames) {
    const xs = outline.map(([across]) => across);
    const by = right - Math.min(...xs);
    right = by + Math.max(...xs) + BESIDE;
    const moved = ([u, v]: At): At => [u + by, v];
    out.path(outline.map(moved), 'CUT', true);
    for (const [from, to] of marks) out.line(moved(from), moved(to), 'MARK');
    out.text(
      moved([0.01, outline.reduce((sum, [, y]) => sum + y, 0) / outline.length]),
      `${name}, x ${x.toFixed(3)} m`,
      TEXT,
    );
  }
  return out.done();
}
