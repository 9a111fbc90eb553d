import { failureOf, FAILURE_MODES, laminateResponse, laminateStiffness, type Criterion, type Ply } from '../laminate';
import {
  DEFAULT_TERMS,
  edgeShear,
  plateBuckling,
  plateStiffness,
  plateUnderPressure,
  taperedUnderPressure,
  type Plate,
  type PlateLoad,
  type PlateState,
} from '../panel';
import type { Core } from '../material';
import type { SmallCraftPack } from '../standard';
import type { PanelCase, ZoneLoad } from '../document';
import { sandwichChecks, type SandwichCheck } from './sandwichChecks';

/** One thing the panel must bear, with the place where it is nearest its limit. */
export interface PanelReserve {
  id: 'plies' | 'coreShear' | 'wrinkling' | 'deflection';
  name: string;
  /** Of the combined load. Infinity when nothing loads it. */
  reserveFactor: number;
  demand: number;
  capacity: number;
  unit: 'Pa' | 'm' | '';
  /** From the panel's corner, along and across (m). */
  x: number;
  y: number;
  where: string;
  /** What gives way, in words. */
  governs: string;
  /** Place of the ply's layer in the part's laying order. */
  layer: number | null;
}

export interface PanelAnalysis {
  /** The panel, by what it stands between. */
  name: string;
  /** The panel as a rectangle; one that tapers is solved in its own shape and drawn as this. */
  plate: Plate;
  breadths: readonly number[] | null;
  panelCase: PanelCase;
  /** Pa */
  pressure: number;
  deflection: { value: number; x: number; y: number };
  reserves: PanelReserve[];
  governing: PanelReserve;
  /** Deflection on an even grid, rows along y (m). */
  shape: { columns: number; rows: number; values: number[] };
  /**
   * Edge loads at which the flat panel would buckle, N/m: pressed along, across. Its edges turn freely, for its
   * neighbours buckle with it the other way.
   */
  buckling: { along: number; across: number } | null;
  notChecked: string[];
}

const NAMES = {
  plies: 'Plies',
  coreShear: 'Core in shear',
  wrinkling: 'Skin wrinkling',
  deflection: 'Deflection',
} as const;
/** Which of a panel's reserves a local limit of its sandwich belongs to; nothing presses it in its plane as a whole. */
const LIMIT_OF: Readonly<Record<SandwichCheck['id'], 'coreShear' | 'wrinkling' | null>> = {
  wrinklingOuter: 'wrinkling',
  wrinklingInner: 'wrinkling',
  dimpling: 'wrinkling',
  crimping: null,
  coreShear: 'coreShear',
};
/** Even steps of the grid on which strength is looked for, edges included. */
const STEPS = 8;
const DRAWN = 24;

const placeName = (x: number, y: number, { length: a, breadth: b }: Plate) => {
  const near = (value: number, to: number, size: number) => Math.abs(value - to) < 0.02 * size;
  const atX = near(x, 0, a) || near(x, a, a);
  const atY = near(y, 0, b) || near(y, b, b);
  if (near(x, a / 2, a) && near(y, b / 2, b)) return 'middle of the panel';
  if (atX && atY) return 'corner';
  if (atX || atY)
    return (
      `${atX === a < b ? 'long' : 'short'} ` +
      `edge${near(atX ? y : x, (atX ? b : a) / 2, atX ? b : a) ? ', its middle' : ''}`
    );
  return 'inside the panel';
};

/** What is analysed: the stack with design strengths, how its panel is held, and what the method allows a core. */
export interface AnalysedStack {
  plies: readonly Ply[];
  layerOf: readonly number[];
  cores: readonly Core[];
  panelCase: PanelCase;
  /** Whether it may be pressed from its inner face as well. */
  eitherFace: boolean;
  coreStrengthFactor: SmallCraftPack['coreStrengthFactor'];
}
/** A panel of a zone, and the pressure on it (Pa). */
export interface AnalysedPanel {
  /** What it stands between; '' for one whose figures are typed. */
  name: string;
  length: number;
  /** Of the rectangle that stands for it. */
  breadth: number;
  /** Of a panel that tapers: its own breadths at even steps along it. */
  breadths?: readonly number[] | null;
  pressure: number;
}

/** A panel under its loads, at shares of its length and of its breadth there. */
interface SolvedPanel {
  at: (along: number, across: number) => PlateState;
  deflectionAt: (along: number, across: number) => number;
}

interface HowSolved extends Pick<AnalysedPanel, 'pressure'> {
  breadths: readonly number[] | null;
  panelCase: PanelCase;
  terms: number;
  /** Whether shear at the edges is wanted as closely as it goes. */
  byEdges: boolean;
}

/** Solve a panel in its own shape. */
function solvedPanel(
  plate: Plate,
  { breadths, pressure, panelCase: { patch, fixity }, terms, byEdges }: HowSolved,
): SolvedPanel {
  const { length, breadth, A44, A55 } = plate;
  if (breadths) {
    const shear = { ...plate, A44: A44!, A55: A55! };
    const { at, deflection } = taperedUnderPressure({ ...shear, length, breadths, fixity }, { pressure, patch }, terms);
    return { at, deflectionAt: deflection };
  }
  const loads: PlateLoad[] = [{ kind: 'uniform', pressure }];
  if (patch) {
    const [l, b] = [Math.min(patch.length, length), Math.min(patch.breadth, breadth)];
    loads.push({
      kind: 'patch',
      pressure: patch.force / (l * b),
      x: length / 2,
      y: breadth / 2,
      length: l,
      breadth: b,
    });
  }
  const solutions = loads.map((load) => plateUnderPressure(plate, load, terms));
  const sum = (pick: (at: (typeof solutions)[number]['at']) => number) =>
    solutions.reduce((total, { at }) => total + pick(at), 0);
  // Read off as derivatives, the shear of a clamped edge comes out some 3 % low: of even pressure it is found by work.
  const edges = new Map<'x' | 'y', (share: number) => number>();
  const byWork = (edge: 'x' | 'y', share: number): number => {
    const force = edges.get(edge) ?? edgeShear(solutions[0]!.solved, edge);
    edges.set(edge, force);
    return Math.abs(force(share));
  };
  const onRim = (share: number) => byEdges && (share === 0 || share === 1);
  return {
    at: (along, across) => {
      const states = solutions.map(({ at }) => at(along * length, across * breadth));
      const of = (key: keyof PlateState) => states.reduce((total, state) => total + state[key], 0);
      const rest = (key: 'Qx' | 'Qy') => Math.abs(of(key) - states[0]![key]);
      return {
        w: of('w'),
        Mx: of('Mx'),
        My: of('My'),
        Mxy: of('Mxy'),
        Qx: onRim(along) && !onRim(across) ? byWork('x', across) + rest('Qx') : of('Qx'),
        Qy: onRim(across) && !onRim(along) ? byWork('y', along) + rest('Qy') : of('Qy'),
      };
    },
    deflectionAt: (along, across) => sum((solution) => solution.deflection(along * length, across * breadth)),
  };
}

/**
 * Direct analysis of one panel under its pressure, and a load on a patch where one is given: deflection, ply failure
 * with design strengths, shear of the core, wrinkling of the skins and dimpling over cells, anywhere on the panel.
 *
 * Flat plate on reduced bending stiffness with the transverse shear of the laminate; the crown is left out, which is
 * cautious.
 *
 * @param detail false leaves out the deflected shape and buckling. @param scan is for telling panels apart quickly:
 * bend–twist coupling is left out.
 * @throws KeramosError `invalid` for a stack that has no stiffness.
 * Source: docs/engineering.md, "Panels".
 */
export function analyseOnePanel(
  { plies, layerOf, cores, panelCase, eitherFace, coreStrengthFactor }: AnalysedStack,
  { name, length, breadth, breadths = null, pressure }: AnalysedPanel,
  { criterion, terms, detail, scan = false }: { criterion: Criterion; terms: number; detail: boolean; scan?: boolean },
): PanelAnalysis {
  const stiffness = laminateStiffness(plies);
  const plate: Plate = {
    length,
    breadth,
    ...plateStiffness(plies, stiffness),
    // Which panel is the worst does not hang on the little that bending twists.
    ...(scan && { D16: 0, D26: 0 }),
    fixityX: panelCase.fixity,
    fixityY: panelCase.fixity,
  };
  const { at, deflectionAt } = solvedPanel(plate, {
    breadths,
    pressure,
    panelCase,
    terms,
    byEdges: cores.length > 0 && terms >= DEFAULT_TERMS,
  });
  // Loads stand in the middle: without bend–twist coupling a quarter of a rectangle, half of a taper tells everything.
  const half = plate.D16 === 0 && plate.D26 === 0 ? STEPS / 2 : STEPS;
  const reach = breadths ? STEPS : half;
  const worst = new Map<PanelReserve['id'], PanelReserve>();
  const offer = (reserve: Omit<PanelReserve, 'where' | 'name'>) => {
    const known = worst.get(reserve.id);
    // The other face counts where it leaves less by more than rounding.
    if (known === undefined || reserve.reserveFactor < known.reserveFactor * (1 - 1e-9))
      worst.set(reserve.id, { ...reserve, name: NAMES[reserve.id], where: placeName(reserve.x, reserve.y, plate) });
  };
  const shear = { A44: plate.A44!, A55: plate.A55! };
  const senses = eitherFace ? [1, -1] : [1];
  let deepest = { value: 0, x: length / 2, y: breadth / 2 };
  for (let i = 0; i <= reach; i++)
    for (let j = 0; j <= half; j++) {
      const [x, y] = [(length * i) / STEPS, (breadth * j) / STEPS];
      const state = at(i / STEPS, j / STEPS);
      if (Math.abs(state.w) > Math.abs(deepest.value)) deepest = { value: state.w, x, y };
      // In the very corner of a simply supported panel the series for shear has nothing to say.
      const corner = (i === 0 || i === STEPS) && (j === 0 || j === STEPS);
      for (const sense of senses) {
        const from = sense === 1 ? '' : ', pressed from the inner face';
        const M: [number, number, number] = [sense * state.Mx, sense * state.My, sense * state.Mxy];
        const load: ZoneLoad = { N: [0, 0, 0], M, V: Math.hypot(state.Qx, state.Qy) };
        const response = laminateResponse(plies, load, undefined, stiffness);
        const failure = failureOf(plies, response.plies, criterion);
        offer({
          id: 'plies',
          reserveFactor: failure.reserveFactor,
          demand: 1,
          capacity: failure.reserveFactor,
          unit: '',
          x,
          y,
          governs: `${plies[failure.ply]?.name ?? 'ply'}, ${FAILURE_MODES[failure.mode].toLowerCase()}${from}`,
          layer: layerOf[failure.ply] ?? null,
        });
        if (cores.length === 0 || corner) continue;
        for (const { id, name, demand, capacity, reserveFactor } of sandwichChecks(
          { plies, cores, response, load, shear },
          coreStrengthFactor,
        ) ?? []) {
          const limits = LIMIT_OF[id];
          const governs = `${name[0]!.toLowerCase()}${name.slice(1)}${limits === 'coreShear' ? '' : from}`;
          if (limits) offer({ id: limits, reserveFactor, demand, capacity, unit: 'Pa', x, y, governs, layer: null });
        }
      }
    }
  const allowed = panelCase.deflectionLimit * Math.min(length, breadth);
  offer({
    id: 'deflection',
    reserveFactor: allowed / Math.abs(deepest.value),
    demand: Math.abs(deepest.value),
    capacity: allowed,
    unit: 'm',
    x: deepest.x,
    y: deepest.y,
    governs: `${(panelCase.deflectionLimit * 100).toFixed(1)} % of the short side`,
    layer: null,
  });
  const reserves = (Object.keys(NAMES) as PanelReserve['id'][]).flatMap((id) => worst.get(id) ?? []);
  const values: number[] = [];
  if (detail)
    for (let j = 0; j <= DRAWN; j++) for (let i = 0; i <= DRAWN; i++) values.push(deflectionAt(i / DRAWN, j / DRAWN));
  const free: Plate = { ...plate, fixityX: 0, fixityY: 0 };
  const turned: Plate = {
    ...free,
    length: breadth,
    breadth: length,
    D11: plate.D22,
    D22: plate.D11,
    D16: plate.D26!,
    D26: plate.D16!,
    A44: plate.A55!,
    A55: plate.A44!,
  };
  return {
    name,
    plate,
    breadths,
    panelCase,
    pressure,
    deflection: deepest,
    reserves,
    governing: reserves.reduce((low, one) => (one.reserveFactor < low.reserveFactor ? one : low)),
    shape: { columns: DRAWN + 1, rows: DRAWN + 1, values },
    buckling: detail
      ? {
          along: plateBuckling(free, 'uniaxialX').criticalLoad,
          across: plateBuckling(turned, 'uniaxialX').criticalLoad,
        }
      : null,
    notChecked: [
      'Crown of the panel (taken as flat)',
      ...(breadths && detail ? ['Buckling in its own shape (that of the rectangle is shown)'] : []),
      ...(Math.abs(deepest.value) > stiffness.thickness / 2
        ? ['Stretching of the skin at this deflection, which helps']
        : []),
      'Fatigue and impact',
      'Load from the edges into the supports',
    ],
  };
}
