import { wordsIn, type UnitSystem } from '../../quantity';
import type { At, DetailDrawing, Mark } from './marks';

const escape = (text: string) =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
const n = (value: number) => Number(value.toFixed(2));

const STROKES: Record<Extract<Mark, { as: 'line' }>['style'], string> = {
  outline: 'stroke="#2b2622" stroke-width="1"',
  thin: 'stroke="#2b2622" stroke-width="0.5"',
  hidden: 'stroke="#2b2622" stroke-width="0.7" stroke-dasharray="4 2.5"',
  centre: 'stroke="#2b2622" stroke-width="0.5" stroke-dasharray="8 2 2 2"',
  fibre: 'stroke="#7d7266" stroke-width="0.8"',
  load: 'stroke="#9a4527" stroke-width="2"',
};
/** Told apart by hatch as well as by tone. */
const PATTERNS = `<defs>
<pattern id="dd-laminate" width="5" height="4" patternUnits="userSpaceOnUse">
  <rect width="5" height="4" fill="#ffffff"/>
  <path d="M0 2H5" stroke="#b7ada0" stroke-width="0.5"/>
</pattern>
<pattern id="dd-core" width="7" height="7" patternUnits="userSpaceOnUse">
  <rect width="7" height="7" fill="#f3e7cd"/>
  <circle cx="2" cy="2" r="1.1" fill="none" stroke="#b79f66" stroke-width="0.5"/>
  <circle cx="5.5" cy="5.5" r="0.8" fill="none" stroke="#b79f66" stroke-width="0.5"/>
</pattern>
<pattern id="dd-metal" width="4" height="4" patternUnits="userSpaceOnUse">
  <rect width="4" height="4" fill="#dfe3e5"/>
  <path d="M0 4L4 0" stroke="#6b7479" stroke-width="0.6"/>
</pattern>
<pattern id="dd-bond" width="3" height="3" patternUnits="userSpaceOnUse">
  <rect width="3" height="3" fill="#c9bfae"/>
  <circle cx="1.5" cy="1.5" r="0.7" fill="#5f574d"/>
</pattern>
<pattern id="dd-wood" width="8" height="3" patternUnits="userSpaceOnUse">
  <rect width="8" height="3" fill="#ecd6b4"/>
  <path d="M0 1.5Q2 0.2 4 1.5T8 1.5" fill="none" stroke="#a07c4a" stroke-width="0.5"/>
</pattern>
</defs>`;
export const FILL_NAMES = {
  laminate: 'laminate',
  core: 'core',
  metal: 'metal',
  bond: 'bond or putty',
  wood: 'wood or bulkhead',
} as const;

/** Corners of all marks (mm), with room for dimensions and text. */
function bounds(marks: readonly Mark[]) {
  const points: At[] = marks.flatMap((mark): At[] => {
    if (mark.as === 'line') return [...mark.points];
    if (mark.as === 'circle')
      return [
        [mark.at[0] - mark.radius, mark.at[1] - mark.radius],
        [mark.at[0] + mark.radius, mark.at[1] + mark.radius],
      ];
    if (mark.as === 'dimension') return offsetLine(mark);
    return [mark.at];
  });
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return { left: Math.min(...xs), right: Math.max(...xs), low: Math.min(...ys), high: Math.max(...ys) };
}

/** The line a dimension is drawn on, beside what it measures. */
export function offsetLine({ from, to, offset }: Extract<Mark, { as: 'dimension' }>): [At, At] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [nx, ny] = [(-(to[1] - from[1]) / length) * offset, ((to[0] - from[0]) / length) * offset];
  return [
    [from[0] + nx, from[1] + ny],
    [to[0] + nx, to[1] + ny],
  ];
}

/** Where a view stands on the sheet, in its dots. */
interface Frame {
  x: number;
  y: number;
  width: number;
  height: number;
}

function viewSvg(marks: readonly Mark[], { x: x0, y: y0, width, height }: Frame): { svg: string; scale: number } {
  const { left, right, low, high } = bounds(marks);
  const MARGIN = 40;
  const scale = Math.min(
    (width - 2 * MARGIN) / Math.max(1, right - left),
    (height - 2 * MARGIN) / Math.max(1, high - low),
  );
  const [cx, cy] = [x0 + width / 2 - (scale * (left + right)) / 2, y0 + height / 2 + (scale * (low + high)) / 2];
  const at = ([x, y]: At): string => `${n(cx + x * scale)} ${n(cy - y * scale)}`;
  const text = (place: At, words: string, anchor: string, size: number) => {
    const [x, y] = at(place).split(' ');
    return `<text x="${x}" y="${y}" font-size="${size}" text-anchor="${anchor}" fill="#2b2622">${escape(words)}</text>`;
  };
  const svg = marks
    .map((mark) => {
      switch (mark.as) {
        case 'line':
          return (
            `<path d="M${mark.points.map(at).join('L')}${mark.closed ? 'Z' : ''}" ` +
            `fill="${mark.fill ? `url(#dd-${mark.fill})` : 'none'}" ${STROKES[mark.style]} ` +
            'stroke-linejoin="round"/>'
          );
        case 'circle': {
          const [x, y] = at(mark.at).split(' ');
          return (
            `<circle cx="${x}" cy="${y}" r="${n(mark.radius * scale)}" ` +
            `fill="${mark.style === 'outline' ? '#ffffff' : 'none'}" ` +
            `${STROKES[mark.style]}/>`
          );
        }
        case 'dimension': {
          const [a, b] = offsetLine(mark);
          const angle = (-Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
          const upright = angle > 90 || angle <= -90 ? angle + 180 : angle;
          const middle: At = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
          const [mx, my] = at(middle).split(' ');
          const tick = (p: At) => {
            const [x, y] = at(p).split(' ').map(Number) as [number, number];
            return `<path d="M${x - 2.5} ${y + 2.5}L${x + 2.5} ${y - 2.5}" stroke="#2b2622" stroke-width="0.8"/>`;
          };
          return (
            `<path d="M${at(mark.from)}L${at(a)}M${at(mark.to)}L${at(b)}" stroke="#8a8278" ` +
            `stroke-width="0.4" fill="none"/><path d="M${at(a)}L${at(b)}" stroke="#2b2622" ` +
            `stroke-width="0.5"/>${tick(a)}${tick(b)}<text x="${mx}" y="${my}" dy="-3" ` +
            'font-size="12" text-anchor="middle" fill="#2b2622" ' +
            `transform="rotate(${n(upright)} ${mx} ${my})">${escape(mark.text)}</text>`
          );
        }
        case 'text':
          return text(mark.at, mark.text, mark.anchor ?? 'start', mark.size === 'small' ? 11 : 13);
      }
    })
    .join('\n');
  return { svg, scale };
}

const WIDTH = 760;
const VIEW = 300;

/**
 * A detail's drawing as SVG: its views side by side, dimensions in millimetres, each view with its scale, and what
 * the hatches mean.
 *
 * @param units in which forces are written; what is measured stays in millimetres.
 * @returns a whole `<svg>` without style attributes; the same goes on the page, into a file and into the PDF.
 * @example drawingSvg(evaluation.drawing, 'Chainplate')
 */
export function drawingSvg({ views }: DetailDrawing, title: string, units: UnitSystem = 'metric'): string {
  const each = WIDTH / views.length;
  // A drawing unit on paper: 760 units are 190 mm.
  const PER_MM = WIDTH / 190;
  const drawn = views.map(({ title: name, marks }, i) => {
    const { svg, scale } = viewSvg(marks, { x: i * each, y: 18, width: each, height: VIEW });
    const ratio = PER_MM / scale;
    const said =
      ratio >= 1 ? `1 : ${ratio < 10 ? ratio.toFixed(1) : Math.round(ratio)}` : `${(1 / ratio).toFixed(1)} : 1`;
    return (
      `<text x="${n(i * each + 8)}" y="13" font-size="12.5" font-weight="600" ` +
      `fill="#2b2622">${escape(name)} <tspan fill="#6b6156" font-weight="400">about ` +
      `${said}</tspan></text>${svg}`
    );
  });
  const used = [
    ...new Set(
      views.flatMap(({ marks }) => marks.flatMap((mark) => (mark.as === 'line' && mark.fill ? [mark.fill] : []))),
    ),
  ];
  const legend = used
    .map(
      (fill, i) =>
        `<rect x="${8 + i * 140}" y="${VIEW + 24}" width="22" height="11" ` +
        `fill="url(#dd-${fill})" stroke="#2b2622" stroke-width="0.5"/><text ` +
        `x="${36 + i * 140}" y="${VIEW + 33}" font-size="11" ` +
        `fill="#2b2622">${FILL_NAMES[fill]}</text>`,
    )
    .join('');
  const unit =
    `<text x="${WIDTH - 8}" y="${VIEW + 33}" font-size="11" ` +
    'fill="#6b6156" text-anchor="end">dimensions in mm</text>';
  return wordsIn(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${VIEW + 42}" ` +
      `width="100%" role="img" aria-label="${escape(title)}" font-family="Plex, 'IBM Plex Sans ` +
      `Variable', sans-serif">${PATTERNS}${drawn.join('\n')}${legend}${unit}</svg>`,
    units,
  );
}
