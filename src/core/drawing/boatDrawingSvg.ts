import { shapeOf, type Boat } from '../document';
import { said } from '../quantity';
import { boatDrawingModel, labelsOf, WIDTH, type Area } from './boatDrawingModel';

const escape = (text: string) =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
/** Neighbours are told apart by tone and by their outline, and named. */
const TONES = ['#fbf7ef', '#f1e9da', '#e7dcc6', '#f6f1e6'];
const INK = '#2b2622';
const WATER = '#2a6f8f';
const CLAY = '#9a4527';
/** Marks closer than this would cover each other's figure. */
const ROOM = 44;

const text = (x: number, y: number, words: string, style = '') => {
  const at = `x="${x.toFixed(1)}" y="${y.toFixed(1)}" font-size="11"${style}`;
  // A pale line round the letters, under them: what lies behind stays readable.
  return (
    `<text ${at} fill="none" stroke="#ffffff" stroke-width="2">${escape(words)}</text>` +
    `<text ${at} fill="${INK}">${escape(words)}</text>`
  );
};

/** Where zones of hull and deck begin and end along the boat, and where bulkheads stand (m), within its length. */
function limitsAlong(boat: Boat, aft: number, bow: number): number[] {
  const all = boat.parts.flatMap(({ zones }) =>
    zones.flatMap(({ region }) => {
      if (region?.surface === 'hull' || region?.surface === 'deck') return [region.from, region.to];
      return region?.surface === 'section' ? [region.x] : [];
    }),
  );
  return [...new Set(all.map((x) => Math.round(x * 1000) / 1000))]
    .filter((x) => x > aft && x < bow)
    .sort((a, b) => a - b);
}

/**
 * Profile and plan of a boat for a print: zones with their names, where they begin and end along it (from the aft end
 * of the waterline), members, details by number.
 *
 * @returns an SVG document whose figures are said in the reader's units when it is printed; null without a hull shape.
 */
export function boatDrawingSvg(boat: Boat): string | null {
  const shape = shapeOf(boat);
  if (!shape) return null;
  const { hull } = shape;
  const model = boatDrawingModel(boat, shape, null);
  const { X, Z, Y, axis } = model;
  const stroke = (path: string | null, colour: string, width: number, dash = '') =>
    path
      ? `<path d="${path}" fill="none" stroke="${colour}" stroke-width="${width}"` +
        `${dash && ` stroke-dasharray="${dash}"`}/>`
      : '';
  const fill = ({ path, index }: Area) =>
    `<path d="${path}" fill="${TONES[index % TONES.length]}" stroke="#8a8278" stroke-width="0.6"/>`;
  const named = (areas: Area[]) =>
    labelsOf(areas).map(({ area: { zone }, x, y }) => text(x, y, zone.name, ' text-anchor="middle"'));
  const above = model.above.map((area): Area => ({
    ...area,
    label: [area.label[0], Math.min(area.label[1], axis - 12)],
  }));
  const foot = model.height + 10;
  const height = foot + 28;
  let last = -Infinity;
  const limits = limitsAlong(boat, hull.aft, hull.bow).map((x, i) => {
    const at = X(x);
    const low = at - last < ROOM ? 12 : 0;
    if (low === 0) last = at;
    return (
      stroke(`M${at.toFixed(1)} ${foot - 6}V${foot + low}`, CLAY, 0.7) +
      stroke(`M${at.toFixed(1)} ${(model.foot + 4).toFixed(1)}v${i % 2 ? 6 : 9}`, CLAY, 0.7) +
      text(at, foot + 10 + low, said(x, 'length'), ' text-anchor="middle"')
    );
  });
  const onHull = new Set(
    boat.parts.filter(({ kind }) => kind === 'hull').flatMap(({ zones }) => zones.map(({ id }) => id)),
  );
  const details = boat.details.map(({ x, y, zone }, i) => {
    const [cx, cy] = [X(x), Y(onHull.has(zone) ? -Math.abs(y) : Math.abs(y))];
    return (
      `<circle cx="${cx.toFixed(1)}" cy="${cy.toFixed(1)}" r="7" fill="#ffffff" stroke="${CLAY}" stroke-width="1"/>` +
      `<text x="${cx.toFixed(1)}" y="${(cy + 2.8).toFixed(1)}" font-size="9.5" text-anchor="middle" ` +
      `fill="${CLAY}">${i + 1}</text>`
    );
  });
  const frames = boat.supports.flatMap((one) => {
    if (one.kind === 'frame')
      return [
        stroke(
          `M${X(one.x).toFixed(1)} ${axis}V${Y(-hull.at(one.x, one.upTo === 'chine' ? 1 : 2)[1])}`,
          WATER,
          0.7,
          '3 2',
        ),
      ];
    return one.kind === 'beam'
      ? [stroke(`M${X(one.x).toFixed(1)} ${axis}V${Y(hull.at(one.x, 2)[1])}`, WATER, 0.7, '3 2')]
      : [];
  });
  const waterline = Z(hull.waterline);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${height}" width="${WIDTH}" height="${height}">`,
    ...model.profile.map(fill),
    ...above.map(fill),
    ...model.below.map(fill),
    ...[model.keel, model.sheer, model.transom, model.planDeck, model.planHull].map((path) => stroke(path, INK, 1.3)),
    ...[model.chine, model.planChine].map((path) => stroke(path, INK, 0.8)),
    stroke(`M${X(hull.aft) - 6} ${axis}H${X(hull.bow) + 6}`, INK, 0.7, '12 3 2 3'),
    stroke(`M${X(hull.aft) - 14} ${waterline}H${X(hull.bow) + 6}`, WATER, 1),
    ...model.members.flatMap(({ profile, plan }) => [stroke(profile, WATER, 1, '7 3'), stroke(plan, WATER, 1, '7 3')]),
    ...frames,
    ...details,
    ...[model.profile, above, model.below].flatMap(named),
    text(4, 12, 'Profile'),
    text(4, axis - 4, 'Deck'),
    text(4, axis + 14, 'Hull'),
    text(4, foot + 10, 'from aft'),
    ...limits,
    '</svg>',
  ].join('');
}
