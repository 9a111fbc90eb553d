import type { Boat } from '../../document';
import { applyEdits, fetchMaterials, type Edit } from '../../edit';
import { invalid, KeramosError } from '../../error';
import { makeEvaluator } from '../../evaluate';
import { FIBRE_FAMILIES, type Core, type Fabric, type Fibre, type FibreFamily, type Material } from '../../material';
import { optimiseBoat } from './optimiseBoat';
import type { GridStep } from './optimisePart';
import type { SolveInteger } from './coupleZones';

export interface PartEquivalentsInput {
  boat: Boat;
  partId: string;
  shelf: readonly Material[];
}

/** A whole part of one family of fibre, solid or with a core where that is lighter. */
export interface PartEquivalent {
  family: FibreFamily;
  /** Name of the core that it may have; null of a single skin everywhere. */
  core: string | null;
  /** kg of its zones, all of the number-off together; materials in the money of the Shelf, null where not known. */
  mass: number;
  cost: number | null;
  /** Greatest thickness of a zone (m). */
  thickness: number;
  reserveFactor: number;
  /** How far above the proven bound it may be, as a share. */
  gap: number;
  edits: Edit[];
}

export interface PartEquivalents {
  now: { mass: number; cost: number | null; thickness: number };
  found: PartEquivalent[];
  /** What nothing of it holds in every zone, and why. */
  none: { name: string; reason: string }[];
}

/** Fabrics of a family that are laid with one another. */
const FABRICS = 3;
const EFFORT = { budget: 20_000, list: 1, gap: 0.01, tidy: 0 };
const MOST_LAYERS = 20;
/** Cores that build panels by habit (kg/m³). */
const USUAL_CORE = { least: 60, most: 130 };

/**
 * What a whole part would come to in another family of fibre, solid and on its core: for each the lightest schedule
 * that every zone proves ({@link optimiseBoat}) from the heaviest fabrics of the family, those of the boat first. Coats
 * stay, and so does the mat behind them.
 *
 * @throws KeramosError `invalid` for a part that is gone, or has no zones.
 */
export function* partEquivalents(
  { boat, partId, shelf }: PartEquivalentsInput,
  solve: SolveInteger,
): Generator<GridStep, PartEquivalents> {
  const part = boat.parts.find(({ id }) => id === partId);
  if (!part || part.zones.length === 0) throw invalid('partId', 'This part is gone, or has no zones');
  const known = new Map([...shelf, ...boat.materials].map((material) => [material.id, material]));
  const materials = [...known.values()];
  const fibres = new Map(
    materials.filter((one): one is Fibre => one.kind === 'fibre').map((one) => [one.id, one.family]),
  );
  const isMat = (one: Material | undefined) =>
    one?.kind === 'fabric' && one.components.every(({ form }) => form === 'randomMat');
  const laid = new Set(part.layers.map(({ material }) => material));
  const weight = ({ components }: Fabric) => components.reduce((sum, { arealWeight }) => sum + arealWeight.value, 0);
  const fabricsOf = (family: FibreFamily): Fabric[] => {
    const all = materials.filter(
      (one): one is Fabric =>
        one.kind === 'fabric' && !isMat(one) && one.components.every(({ fibre }) => fibres.get(fibre) === family),
    );
    // Cloth of one direction wants another across it: it is left to a search of its own where there is other cloth.
    const others = all.filter((one) => one.family !== 'unidirectional');
    const byWeight = [...(others.length > 0 ? others : all)].sort((a, b) => weight(b) - weight(a));
    return [...byWeight.filter(({ id }) => laid.has(id)), ...byWeight.filter(({ id }) => !laid.has(id))].slice(
      0,
      FABRICS,
    );
  };
  const cores = materials.filter((one): one is Core => one.kind === 'core' && one.family !== 'flowMat');
  const core =
    cores.find(({ id, density }) => laid.has(id) && density.value <= USUAL_CORE.most) ??
    cores.find(({ density }) => density.value >= USUAL_CORE.least && density.value <= USUAL_CORE.most);
  const stays = part.layers.filter(
    ({ material, role }) => known.get(material)!.kind === 'coating' || role !== 'structure',
  );
  const behind = part.layers.find((layer) => !stays.includes(layer));
  if (stays.length > 0 && behind && isMat(known.get(behind.material))) stays.push(behind);
  const free = part.layers.filter((layer) => !stays.includes(layer)).map(({ id }) => id);
  const sumOf = (of: Boat) => {
    const evaluations = makeEvaluator()(of);
    const own = part.zones.map((zone) => ({ e: evaluations.get(zone.id)!, area: zone.geometry.area * part.number }));
    return {
      mass: own.reduce((sum, { e, area }) => sum + e.laminatedArealWeight * area, 0),
      cost: own.reduce<number | null>((sum, { e, area }) => {
        return sum === null || e.cost === null ? null : sum + e.cost * area;
      }, 0),
      thickness: Math.max(...own.map(({ e }) => e.thickness)),
    };
  };
  const alternatives = (Object.keys(FIBRE_FAMILIES) as FibreFamily[])
    .map((family) => ({ family, fabrics: fabricsOf(family) }))
    .filter(({ fabrics }) => fabrics.length > 0)
    .flatMap(({ family, fabrics }) => [null, ...(core ? [core] : [])].map((on) => ({ family, fabrics, core: on })));
  const found: PartEquivalent[] = [];
  const none: PartEquivalents['none'] = [];
  for (const [i, { family, fabrics, core: on }] of alternatives.entries()) {
    const name = `${FIBRE_FAMILIES[family]}, ${on ? `on ${on.name} where that is lighter` : 'single skin'}`;
    yield { done: i / alternatives.length, at: name };
    const fetched = fetchMaterials(boat, materials, [...fabrics, ...(on ? [on] : [])]);
    const book = applyEdits(boat, fetched).boat;
    const turned = fabrics.some(({ family: kind }) => kind === 'unidirectional') ? [0, 90] : [0];
    try {
      const search = optimiseBoat(
        {
          boat: book,
          partId,
          free,
          choices: {
            fabrics: fabrics.map(({ id }) => id),
            angles: turned,
            cores: on ? [on.id] : undefined,
            maxLayers: MOST_LAYERS,
          },
          weights: { mass: 1, cost: 0, hours: 0, pieces: 0 },
          effort: EFFORT,
        },
        { solve },
      );
      for (let step = search.next(); ; step = search.next()) {
        if (!step.done) {
          yield { done: (i + step.value.done) / alternatives.length, at: `${name}: ${step.value.at}` };
          continue;
        }
        const { edits, after, gap } = step.value;
        if (edits.length > 0) {
          const sum = sumOf(applyEdits(book, edits).boat);
          const { reserveFactor } = after;
          found.push({ family, core: on?.name ?? null, ...sum, reserveFactor, gap, edits: [...fetched, ...edits] });
        }
        break;
      }
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      none.push({ name, reason: error.text });
    }
  }
  // What may have a core may also have none: heavier than the single skin it is only a search that was cut short.
  const solid = new Map(found.filter((one) => one.core === null).map((one) => [one.family, one.mass]));
  const kept = found.filter((one) => one.core === null || one.mass < (solid.get(one.family) ?? Infinity));
  return { now: sumOf(boat), found: kept.sort((a, b) => a.mass - b.mass), none };
}
