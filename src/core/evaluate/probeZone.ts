import { KeramosError } from '../error';
import { panelsToCheck, type Boat, type Layer, type Zone } from '../document';
import { reaches } from '../quantity';
import type { Check, Sheet } from '../standard';
import { bookOf, layAlone, massOf, sheetsOf, type LaidLayer } from './book';
import { isMonotone, layerSum, MonotoneBound, type LayerSum } from './monotoneBound';
import { checkPack, spanAngleOf } from './packChecks';

/** What a stack fails by; `never` says that no stack with less of the same layers passes it either. */
export interface Failing {
  id: Check['id'] | 'incomplete' | 'unproven';
  reserveFactor: number | null;
  governs: string;
  never: boolean;
}

/** A layer as it weighs and costs: kg/m², per m² (null where a price is missing), thickness m, dry fibre kg/m². */
export interface LayerFigures {
  mass: number;
  cost: number | null;
  thickness: number;
  fibre: number;
}

/** Looks at many stacks of one zone, as fast as may be. */
export interface ZoneProbe {
  /**
   * The check that a stack fails by, or null when it fails none of those that the packs ask.
   * @param layers from the mould face. @param only `monotone`: the checks that more of the same layers never lower.
   */
  failing(layers: readonly Layer[], only?: 'monotone'): Failing | null;
  figures(layer: Layer): LayerFigures;
}

/** Least fibre masses follow the kind of fibre, which other layers change. */
const BY_FIBRE: ReadonlySet<Check['id']> = new Set(['minimumFibre', 'outerMinimum', 'innerMinimum']);

/** The sums are added up in another order than the checks: a hair's breadth is left to those. */
const SHY = 1 - 1e-9;

/**
 * A zone made ready for many stacks: its panels, and each layer's sheets, are found once; of a stack that fails, the
 * panel that found it is asked first next time. A stack that it lets pass is still to be evaluated whole
 * ({@link evaluateZone}): other proofs than the packs', and what a brief lets one path of two prove, are not looked at.
 *
 * @param target reserve that every check must reach.
 * @example probeZone(boat, zone, 1.1).failing(layers)?.id // 'coreShear'
 */
export function probeZone(boat: Boat, zone: Zone, target: number): ZoneProbe {
  const book = bookOf(boat, 0);
  const panels = panelsToCheck(boat, zone).map((panel) => ({ panel, angle: spanAngleOf(panel.geometry) }));
  const tables = boat.packs.filter(({ kind }) => kind === 'yardRule' || kind === 'asSpecified');
  const byPanel = boat.packs.filter(({ kind }) => kind === 'smallCraft' || kind === 'workboatUplift');
  const jobs = panels.flatMap((of, i) =>
    [...(i === 0 ? tables : []), ...byPanel].map((pack) => ({ ...of, pack, tables: tables.includes(pack) })),
  );
  const { someMat, continuousGlass, carbonOrAramid } = book.pack.fibreTypeFactor;
  const factors = [someMat, continuousGlass, carbonOrAramid];
  const fibreSlack = Math.max(...factors) / Math.min(...factors);

  const angles = [...new Set(panels.flatMap(({ angle }) => [angle]))];
  const bound = new MonotoneBound(angles);
  const known = new Map<Layer, { laid: LaidLayer; sheets: Map<number, Sheet[]>; sum: LayerSum }>();
  const knownOf = (layer: Layer) => {
    let one = known.get(layer);
    if (!one) {
      const laid = layAlone(book, layer);
      one = { laid, sheets: new Map(), sum: layerSum(laid, angles, (angle) => sheetsOf(book, [laid], angle)) };
      known.set(layer, one);
    }
    return one;
  };
  const sheetsIn = (layers: readonly Layer[], angle: number): Sheet[] => {
    const sheets: Sheet[] = [];
    for (const layer of layers) {
      const one = knownOf(layer);
      let own = one.sheets.get(angle);
      if (!own) one.sheets.set(angle, (own = sheetsOf(book, [one.laid], angle)));
      for (const sheet of own) sheets.push(sheet);
    }
    return sheets;
  };
  // Of two paths of a single skin either may do: left to the whole evaluation.
  const either = boat.brief.singleSkin !== 'both';
  const left = (id: Check['id']) => either && (id === 'skinFlexure' || id === 'plyByPly');

  function failing(layers: readonly Layer[], only?: 'monotone'): Failing | null {
    if (!boat.brief.proofs.rule) return null;
    const sums = layers.map((layer) => knownOf(layer).sum);
    const falls = (id: Check['id'], reserve: number) =>
      !reaches(reserve * (BY_FIBRE.has(id) ? fibreSlack : 1), target * SHY);
    const short = bound.failing(sums, falls);
    if (short) return { ...short, never: true };
    if (only && short === null) return null;
    const ways = new Map<number, Sheet[]>();
    const at = (angle: number) => {
      let sheets = ways.get(angle);
      if (!sheets) ways.set(angle, (sheets = sheetsIn(layers, angle)));
      return sheets;
    };
    const laid = layers.map((layer) => knownOf(layer).laid);
    if (bound.wants(sums)) learn(sums, laid, at);
    for (let i = 0; i < jobs.length; i++) {
      const { panel, angle, pack } = jobs[i]!;
      const found = failingOf(() =>
        checkPack({ boat, zone, book, panel, laid, sheets: at(angle), sheetsAlong: at(90 - angle) }, pack),
      );
      if (found === null) continue;
      if (i > 0) jobs.unshift(...jobs.splice(i, 1));
      return found;
    }
    return null;

    function failingOf(check: () => ReturnType<typeof checkPack>): Failing | null {
      let result;
      try {
        result = check();
      } catch (error) {
        if (error instanceof KeramosError)
          return { id: 'incomplete', reserveFactor: null, governs: error.text, never: true };
        throw error;
      }
      let worst: Failing | null = null;
      for (const { id, reserveFactor: own, evenly = own, governs } of result.checks) {
        const monotone = isMonotone(id);
        if ((only && !monotone) || left(id)) continue;
        const slack = only && BY_FIBRE.has(id) ? fibreSlack : 1;
        const reserveFactor = only ? evenly : own;
        if (reaches(reserveFactor * slack, target)) continue;
        // What the laminate's own directions ask for, one with less of it may not.
        const never = monotone && !reaches(evenly, target);
        if (worst === null || reserveFactor < worst.reserveFactor!) worst = { id, reserveFactor, governs, never };
      }
      if (worst || only || result.unproven.length === 0) return worst;
      return { id: 'unproven', reserveFactor: null, governs: result.unproven[0]!, never: false };
    }
  }
  /** What every panel asks of the family that a stack belongs to. */
  function learn(sums: readonly LayerSum[], laid: readonly LaidLayer[], at: (angle: number) => Sheet[]) {
    try {
      const found = jobs.flatMap(({ panel, angle, pack }) =>
        checkPack({ boat, zone, book, panel, laid, sheets: at(angle), sheetsAlong: at(90 - angle) }, pack).checks.map(
          (check) => ({ check, angle }),
        ),
      );
      bound.learn(sums, found);
    } catch (error) {
      // A core that lacks a skin teaches nothing.
      if (!(error instanceof KeramosError)) throw error;
    }
  }
  return {
    failing,
    figures: (layer) => {
      const { laid } = knownOf(layer);
      return { mass: massOf(laid), cost: laid.cost, thickness: laid.thickness, fibre: laid.fibreMass };
    },
  };
}
