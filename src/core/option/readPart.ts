import { z } from 'zod';
import { newLayer, type Boat, type Layer, type Part } from '../document';
import { usualRole } from '../edit';
import { invalid } from '../error';
import { bookOf, evaluateZone, layAlone, massOf, type LaidLayer } from '../evaluate';
import type { LayerMaterial, Material } from '../material';
import { said, saidLength } from '../quantity';
import { takeMaterials } from './takeMaterials';

const millimetres = z.number().positive().max(0.3);

/** What is read at one place of an existing part; whatever was not looked at is null. */
export const readingSchema = z.strictObject({
  /** Place on the picture, as shares of its breadth and height. */
  at: z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)]),
  /** Whole thickness (m), coating included. */
  thickness: millimetres.nullable(),
  /** Coating on the outside (m). */
  coating: millimetres.nullable(),
  /** Core (m); 0 where there is none. */
  core: z.number().min(0).max(0.2).nullable(),
  /** Layers of cloth that are seen in the cut or after burning off. */
  layers: z.int().min(1).max(80).nullable(),
  /** Fibre left after burning off, per area (kg/m²). */
  fibre: z.number().positive().max(60).nullable(),
  note: z.string().max(200),
});
export type Reading = z.infer<typeof readingSchema>;

/** A photograph or drawing of a part as it is loaded: PNG, JPEG or WebP, at most 3 MB. */
export const PICTURE = /^data:image\/(png|jpeg|webp);base64,[A-Za-z0-9+/]+={0,2}$/;
export const MOST_PICTURE = 3_000_000;

/** What was read of a zone, and what it was compared with. */
export const surveySchema = z.strictObject({
  readings: z.array(readingSchema).max(60, 'At most 60 readings of a zone'),
  cloths: z.array(z.string().max(60)).max(8),
  cores: z.array(z.string().max(60)).max(8),
});
export type Survey = z.infer<typeof surveySchema>;

/** A survey as it is kept. */
export interface KeptSurvey extends Survey {
  /** Counted up with every change; 0 where nothing was read yet. */
  version: number;
  picture: string | null;
  own: { author: string; at: string } | null;
}

/** What an existing part is read by. */
export interface ReadPartInput {
  boat: Boat;
  partId: string;
  zoneId: string;
  readings: readonly Reading[];
  /** Cloths that may have been laid, and cores. */
  cloths: readonly string[];
  cores: readonly string[];
  shelf: readonly Material[];
}

/** A laminate that may be there, with what it comes to. */
export interface PartCandidate {
  /** Cloths from the mould, and the core. */
  layers: { material: string; code: string; count: number }[];
  rows: Layer[];
  /** Share of the likelihood of all that were tried. */
  likelihood: number;
  /** Without coating (m), kg/m² with the resin, dry fibre kg/m². */
  thickness: number;
  mass: number;
  fibre: number;
  /** What it would hold where it lies now, by the rule; null where it cannot be checked. */
  reserveFactor: number | null;
  governs: string | null;
  /** Bending stiffness across the panel (N·m); null where it has none. */
  bending: number | null;
}

export interface PartRead {
  candidates: PartCandidate[];
  /** Means over the readings, and how far they scatter (standard deviation); null where nothing was read. */
  laminate: { mean: number; deviation: number; from: number } | null;
  /** Bands over candidates, weighted by likelihood: fifth and ninety-fifth percentile. */
  band: { mass: [number, number]; thickness: [number, number]; reserve: [number, number] | null };
  suspicions: string[];
  /** Which reading is the thickest. */
  thickest: number | null;
  tried: number;
}

/** One reading of a thickness by gauge or calliper (m), and the share by which laid thickness scatters by hand. */
const READS_TO = 0.0002;
const LAID_TO = 0.08;
/** Counting layers in a cut: one more or less is easily seen. */
const COUNTED_TO = 0.7;
/** Burning off: of the mass. */
const BURNT_TO = 0.05;
const CORE_READS_TO = 0.0005;
/** Most layers of each cloth tried. */
const MOST = 24;
const SHOWN = 12;

const meanOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const deviationOf = (values: readonly number[]) => {
  if (values.length < 2) return 0;
  const mean = meanOf(values);
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1));
};
const square = (departure: number, deviation: number) => (departure / deviation) ** 2;

/** Weighted percentiles of values. */
function percentiles(pairs: readonly { value: number; weight: number }[]): [number, number] {
  const sorted = [...pairs].sort((a, b) => a.value - b.value);
  const at = (share: number) => {
    let sum = 0;
    for (const { value, weight } of sorted) {
      sum += weight;
      if (sum >= share - 1e-12) return value;
    }
    return sorted.at(-1)!.value;
  };
  return [at(0.05), at(0.95)];
}

/**
 * Which laminates an existing part may be, from readings at places of it, gaps allowed: stacks of the cloths that may
 * have been laid, each weighed by how well it explains thickness, layers seen, core and burnt-off fibre.
 *
 * With independent normal errors the likelihood of a stack is exp(−½ Σ ((read − would be)/σ)²): σ of a thickness is
 * hypot(0.2 mm, 8 % of it), for the gauge and for laying by hand, of a count 0.7 layers, of burnt-off fibre 5 %. A mean
 * of n readings has σ/√n. Stacks are as likely as one another beforehand. Of one thickness alone
 * many fit: the band says so.
 *
 * @throws KeramosError `invalid` where nothing was read, or no cloth may have been laid.
 */
export function readPart({ boat: given, partId, zoneId, readings, cloths, cores, shelf }: ReadPartInput): PartRead {
  const boat = takeMaterials(given, [...cloths, ...cores], shelf);
  const part = boat.parts.find(({ id }) => id === partId);
  const zone = part?.zones.find(({ id }) => id === zoneId);
  if (!part || !zone) throw invalid('zoneId', 'This zone is gone');
  if (cloths.length === 0) throw invalid('cloths', 'No cloth may have been laid: tick one');
  if (cloths.length > 3) throw invalid('cloths', 'At most three cloths at a time: untick some');
  const laminates = readings.flatMap(({ thickness, coating, core }) =>
    thickness === null ? [] : [thickness - (coating ?? 0) - (core ?? 0)],
  );
  const counts = readings.flatMap(({ layers }) => layers ?? []);
  const fibres = readings.flatMap(({ fibre }) => fibre ?? []);
  const coreReadings = readings.flatMap(({ core }) => core ?? []);
  if (laminates.length + counts.length + fibres.length === 0)
    throw invalid('readings', 'Nothing is read yet: give a thickness, the layers seen, or the fibre left');
  const thin = laminates.findIndex((value) => value <= 0);
  if (thin >= 0)
    throw invalid('readings', `Reading ${thin + 1}: coating and core are as thick as the whole part, or thicker`);

  const book = bookOf(boat, 0);
  const materials = new Map(boat.materials.map((material) => [material.id, material]));
  const layerOf = (material: string, n: number, thickness: number | null = null): Layer =>
    newLayer({
      id: `${zone.id.slice(0, 24)}-read-${material.slice(0, 10)}-${n}`,
      material,
      thickness,
      role: usualRole(materials.get(material) as LayerMaterial),
      zones: [zone.id],
    });
  const single = new Map<string, LaidLayer>(cloths.map((id) => [id, layAlone(book, layerOf(id, 1))]));
  const coreRead = coreReadings.length > 0 ? meanOf(coreReadings) : null;
  const coreChoices: ({ id: string; thickness: number } | null)[] =
    coreRead !== null && coreRead < 0.001
      ? [null]
      : [
          ...(coreRead === null ? [null] : []),
          ...cores.flatMap((id) => {
            const core = materials.get(id);
            return core?.kind === 'core' ? core.thicknesses.map((thickness) => ({ id, thickness })) : [];
          }),
        ];
  if (coreChoices.length === 0) throw invalid('cores', 'A core was read: tick which cores it may be');

  const stacks = stacksOf(cloths.length);
  // σ of each reading is its own: the same for every stack, so that likelihoods compare by their misfits alone.
  const thicknessRead = laminates.length > 0 ? meanOf(laminates) : null;
  const fibreRead = fibres.length > 0 ? meanOf(fibres) : null;
  const misfitOf = (would: { thickness: number; layers: number; fibre: number; core: number }): number =>
    (thicknessRead === null
      ? 0
      : laminates.length * square(thicknessRead - would.thickness, Math.hypot(READS_TO, LAID_TO * thicknessRead))) +
    (counts.length === 0 ? 0 : counts.length * square(meanOf(counts) - would.layers, COUNTED_TO)) +
    (fibreRead === null ? 0 : fibres.length * square(fibreRead - would.fibre, BURNT_TO * fibreRead)) +
    (coreRead === null ? 0 : square(coreRead - would.core, CORE_READS_TO + 0.02 * coreRead));
  const weighed = coreChoices.flatMap((core) =>
    stacks.flatMap((count) => {
      const sum = (pick: (laid: LaidLayer) => number) =>
        count.reduce((total, n, i) => total + n * pick(single.get(cloths[i]!)!), 0);
      const layers = count.reduce((total, n) => total + n, 0);
      if (core && layers < 2) return [];
      const thickness = sum((laid) => laid.thickness);
      const fibre = sum((laid) => laid.fibreMass);
      const misfit = misfitOf({ thickness, layers, fibre, core: core?.thickness ?? 0 });
      return [{ count, core, thickness, fibre, misfit, weight: Math.exp(-misfit / 2) }];
    }),
  );
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const least = weighed.reduce((low, one) => (one.misfit < low.misfit ? one : low));
  const likely = (total > 0 ? weighed.filter(({ weight }) => weight / total > 1e-3) : [least])
    .sort((a, b) => a.misfit - b.misfit)
    .slice(0, 60);
  const kept = likely.reduce((sum, { weight }) => sum + weight, 0);
  const all = likely.map(({ count, core, thickness, fibre, weight }): PartCandidate => {
    const rows = rowsOf(count, core);
    const laid: Part = { ...part, layers: rows, groups: [], joins: [], zones: [zone] };
    const e = evaluateZone(boat, laid, zone);
    const axis = zone.geometry.panelBreadth <= zone.geometry.panelLength ? 1 : 0;
    return {
      layers: [
        ...count.flatMap((n, i) => (n > 0 ? [{ material: cloths[i]!, code: codeOf(cloths[i]!), count: n }] : [])),
        ...(core ? [{ material: core.id, code: `${codeOf(core.id)} ${saidLength(core.thickness)}`, count: 1 }] : []),
      ],
      rows,
      likelihood: kept > 0 ? weight / kept : 1,
      thickness: thickness + (core?.thickness ?? 0),
      mass: rows.reduce((sum, layer) => sum + massOf(layAlone(book, layer)), 0),
      fibre,
      reserveFactor: e.unproven.length > 0 ? null : (e.governing?.reserveFactor ?? null),
      governs: e.governing?.id ?? null,
      bending: e.stiffness ? e.stiffness.D[axis][axis] : null,
    };
  });
  const pairs = (pick: (one: PartCandidate) => number | null) =>
    all.flatMap((one) => {
      const value = pick(one);
      return value === null ? [] : [{ value, weight: one.likelihood }];
    });
  const reserves = pairs(({ reserveFactor }) => reserveFactor);
  const thicknesses = readings.map(({ thickness }) => thickness ?? -1);
  const most = Math.max(-1, ...thicknesses);
  return {
    candidates: all.slice(0, SHOWN),
    laminate:
      laminates.length > 0
        ? { mean: meanOf(laminates), deviation: deviationOf(laminates), from: laminates.length }
        : null,
    band: {
      mass: percentiles(pairs(({ mass }) => mass)),
      thickness: percentiles(pairs(({ thickness }) => thickness)),
      reserve: reserves.length > 0 ? percentiles(reserves) : null,
    },
    suspicions: suspicionsOf(readings, { laminates, misfit: least.misfit, best: all[0]! }),
    thickest: most > 0 ? thicknesses.indexOf(most) : null,
    tried: weighed.length,
  };

  function codeOf(id: string): string {
    const material = materials.get(id)!;
    return 'code' in material ? material.code : material.name;
  }
  /** Cloths in turn, the core in the middle. */
  function rowsOf(count: readonly number[], core: { id: string; thickness: number } | null): Layer[] {
    const turns: string[] = [];
    const most = Math.max(...count);
    for (let k = 0; k < most; k++) count.forEach((n, i) => n > k && turns.push(cloths[i]!));
    const cloth = turns.map((id, i) => layerOf(id, i + 1));
    if (!core) return cloth;
    const half = Math.ceil(cloth.length / 2);
    return [...cloth.slice(0, half), layerOf(core.id, 0, core.thickness), ...cloth.slice(half)];
  }
}

/** Counts of some cloths, at least one layer in all. */
function stacksOf(cloths: number): number[][] {
  const most = cloths === 3 ? 10 : MOST;
  const all = Array.from({ length: cloths }).reduce<number[][]>(
    (some) => some.flatMap((counts) => Array.from({ length: most + 1 }, (_, n) => [...counts, n])),
    [[]],
  );
  return all.filter((counts) => counts.some((n) => n > 0));
}

/** What a surveyor would look at twice. */
function suspicionsOf(
  readings: readonly Reading[],
  { laminates, misfit, best }: { laminates: readonly number[]; misfit: number; best: PartCandidate },
): string[] {
  const suspicions: string[] = [];
  readings.forEach(({ thickness, coating }, i) => {
    if (thickness === null || coating === null) return;
    const share = coating / thickness;
    if (share > 0.3)
      suspicions.push(
        `Reading ${i + 1}: ${Math.round(share * 100)} % of the thickness is coating, which carries nothing`,
      );
  });
  if (laminates.length > 1) {
    const share = deviationOf(laminates) / meanOf(laminates);
    if (share > 0.15)
      suspicions.push(
        `The laminate scatters by ${Math.round(share * 100)} %: more than hand-laid thickness does; ` +
          'it may be more than one laminate, swollen, or ground away',
      );
  }
  const cores = readings.flatMap(({ core }) => (core !== null && core > 0 ? [core] : []));
  if (cores.length > 1 && Math.max(...cores) > 1.1 * Math.min(...cores))
    suspicions.push(
      `The core is read between ${saidLength(Math.min(...cores))} and ${saidLength(Math.max(...cores))}: ` +
        'a foam that has taken up water swells, one that was pressed is thin',
    );
  readings.forEach(({ thickness, coating, core, fibre }, i) => {
    if (thickness === null || fibre === null) return;
    const laminate = thickness - (coating ?? 0) - (core ?? 0);
    const usual = best.thickness > 0 ? best.fibre / (best.thickness - (core ?? 0)) : 0;
    const own = fibre / laminate;
    if (usual > 0 && own < 0.8 * usual)
      suspicions.push(
        `Reading ${i + 1}: ${said(fibre, 'arealWeight')} of fibre is little for its thickness: rich in resin, or voids`,
      );
  });
  if (misfit > 9) suspicions.push('No stack of these cloths explains the readings: something else may be laid there');
  return suspicions;
}
