import { failureOf, FAILURE_MODES, laminateResponse, laminateStiffness, type Ply } from '../laminate';
import { plateStiffness, plateUnderPressure, type Plate, type PlateLoad } from '../panel';
import { methodOf, panelsToCheck, type Boat, type CheckedPanel, type Part, type Zone } from '../document';
import { bookOf, type LaidLayer } from './book';
import { designPliesOf, designStack } from './designStack';
import { sandwichChecks } from './sandwichChecks';

/** What a fitting brings into the panel it stands on, in the middle of it; load factors included. */
export interface FittingLoad {
  /** Sheets laid round it; null for none. */
  doubler: Doubler | null;
  /** Out of the panel or into it (N). */
  force: number;
  /** Moments that turn the panel along its reference direction and across it (N·m). */
  moments: readonly [along: number, across: number];
  /** Along and across, over which it comes in (m). */
  patch: readonly [number, number];
}
/** Sheets laid round the fitting, and how far they reach along and across (m). */
export interface Doubler {
  laid: readonly LaidLayer[];
  size: readonly [number, number];
}

/** Where the panel under a fitting is nearest its limit. Reserve factors of the whole load. */
export interface FittingReserve {
  plies: { reserveFactor: number; governs: string };
  /** Null on a solid laminate. */
  wrinkling: { reserveFactor: number; governs: string } | null;
  coreShear: { reserveFactor: number; governs: string } | null;
}

/** Functions each way; sixteen move the moment under a patch of a tenth of the panel by less than 3 %. */
const TERMS = 12;
/**
 * How firmly the edges hold while only this panel is loaded: its neighbours give way. Half way between simply
 * supported and clamped, where the zone does not say otherwise.
 */
const FIXITY = 0.5;

/** The panel of the greatest short side, of equals the longest: there a force in the middle bends most. */
function widest(panels: readonly CheckedPanel[]): Zone['geometry'] {
  const short = ({ geometry: { panelLength, panelBreadth } }: CheckedPanel) => Math.min(panelLength, panelBreadth);
  const long = ({ geometry: { panelLength, panelBreadth } }: CheckedPanel) => Math.max(panelLength, panelBreadth);
  return panels.reduce((most, one) =>
    short(one) > short(most) || (short(one) === short(most) && long(one) > long(most)) ? one : most,
  ).geometry;
}

/**
 * The broadest panel of a zone under a fitting in its middle: bending of plies, wrinkling of skins and shear of the
 * core, in both senses of the load. Inside the doublers they take part; the panel is as stiff as the bare zone
 * everywhere, which is cautious for the doublers' edge and for what lies beyond.
 *
 * @throws KeramosError `invalid` for a zone that has no stack to compute.
 * @example fittingOnPanel(boat, deck, foredeck, { force: 2e4, moments: [0, 0], patch: [0.2, 0.2],
 * doubler: null }).plies.reserveFactor
 * Source: docs/engineering.md, "Fittings on a panel"; plate by Ritz, patch of even pressure, straight pressure for a
 * moment.
 */
export function fittingOnPanel(
  boat: Boat,
  part: Part,
  zone: Zone,
  { force, moments, patch, doubler }: FittingLoad,
): FittingReserve {
  const { plies, cores } = designStack(boat, part, zone);
  const stiffness = laminateStiffness(plies);
  const { panelLength: length, panelBreadth: breadth } = widest(panelsToCheck(boat, zone));
  const fixity = zone.panelCase?.fixity ?? FIXITY;
  const plate: Plate = {
    length,
    breadth,
    ...plateStiffness(plies, stiffness),
    fixityX: fixity,
    fixityY: fixity,
  };
  const [l, b] = [Math.min(patch[0], length), Math.min(patch[1], breadth)];
  const loads: PlateLoad[] = [];
  if (force !== 0)
    loads.push({ kind: 'patch', pressure: force / (l * b), x: length / 2, y: breadth / 2, length: l, breadth: b });
  if (moments[0] !== 0) loads.push({ kind: 'couple', moment: moments[0], along: 'x', length: l, breadth: b });
  if (moments[1] !== 0) loads.push({ kind: 'couple', moment: moments[1], along: 'y', length: l, breadth: b });
  const none = { reserveFactor: Infinity, governs: 'nothing bends it' };
  const found: FittingReserve = {
    plies: none,
    wrinkling: cores.length > 0 ? none : null,
    coreShear: cores.length > 0 ? none : null,
  };
  if (loads.length === 0) return found;
  const solutions = loads.map((load) => plateUnderPressure(plate, load, TERMS));
  // Core, skins and doublers inside; what the zone has outside.
  const inside = doubler && [...plies, ...designPliesOf(boat, bookOf(boat, 0), doubler.laid)];
  const insideStiffness = inside && laminateStiffness(inside);
  const shear = { A44: plate.A44!, A55: plate.A55! };
  const { coreStrengthFactor } = methodOf(boat);

  const offer = (kind: keyof FittingReserve, reserveFactor: number, governs: string) => {
    const known = found[kind];
    if (known && reserveFactor < known.reserveFactor) found[kind] = { reserveFactor, governs };
  };
  const lookAt = (x: number, y: number) => {
    const states = solutions.map((solution) => solution.at(x, y));
    const sum = (key: 'Mx' | 'My' | 'Mxy' | 'Qx' | 'Qy') => states.reduce((total, state) => total + state[key], 0);
    const within =
      doubler !== null &&
      Math.abs(x - length / 2) < doubler.size[0] / 2 &&
      Math.abs(y - breadth / 2) < doubler.size[1] / 2;
    const stack: readonly Ply[] = within ? inside! : plies;
    for (const sense of [1, -1]) {
      const M: [number, number, number] = [sense * sum('Mx'), sense * sum('My'), sense * sum('Mxy')];
      const load = { N: [0, 0, 0] as [number, number, number], M };
      const response = laminateResponse(stack, load, undefined, within ? insideStiffness! : stiffness);
      const failure = failureOf(stack, response.plies, 'tsaiWu');
      const ply = stack[failure.ply]?.name ?? 'ply';
      offer('plies', failure.reserveFactor, `${ply}, ${FAILURE_MODES[failure.mode].toLowerCase()}`);
      if (cores.length === 0) continue;
      const V = Math.hypot(sum('Qx'), sum('Qy'));
      const local = sandwichChecks({ plies: stack, cores, response, load: { ...load, V }, shear }, coreStrengthFactor);
      for (const { id, name, reserveFactor } of local ?? [])
        if (id === 'coreShear') offer('coreShear', reserveFactor, name);
        else offer('wrinkling', reserveFactor, name);
    }
  };
  const places = (side: number, size: number, reach: number | undefined) => [
    ...new Set(
      [0, 0.25, 0.5, 0.75, 1]
        .map((share) => share * side)
        .concat([-1, -0.5, 0.5, 1].map((at) => side / 2 + (at * size) / 2))
        .concat(reach !== undefined && reach < side ? [side / 2 - reach / 2, side / 2 + reach / 2] : []),
    ),
  ];
  for (const x of places(length, l, doubler?.size[0]))
    for (const y of places(breadth, b, doubler?.size[1])) {
      const corner = (x === 0 || x === length) && (y === 0 || y === breadth);
      if (!corner) lookAt(x, y);
    }
  return found;
}
