import { newLayer, type Boat, type Layer, type Part } from '../document';
import { coverCells, fetchMaterials, usualRole, type Edit } from '../edit';
import { evaluateZone, membraneStrength, targetOf, type ZoneEvaluation } from '../evaluate';
import { invalid } from '../error';
import type { Job, Progress } from '../job';
import { FIBRE_FAMILIES, type Core, type Fabric, type Fibre, type FibreFamily, type Material } from '../material';
import { reaches } from '../quantity';
import { takeMaterials } from './takeMaterials';

/**
 * What an alternative must come to: what the zone must hold, the reserve that it has, its stiffness along and across
 * in bending or in its plane, or its strength in its plane.
 */
export type ZoneMatch = 'target' | 'reserve' | 'bending' | 'membrane' | 'strength';

export interface ZoneEquivalentsInput {
  boat: Boat;
  partId: string;
  zoneId: string;
  match: ZoneMatch;
  shelf: readonly Material[];
  /** `ownSolid`: single skins of the family that it is laid of now, and nothing else. */
  only?: 'ownSolid' | undefined;
}

/** What a zone comes to, laid one way or another. */
export interface ZoneSum {
  /** kg/m² */
  mass: number;
  /** m */
  thickness: number;
  /** Per m², in the money of the Shelf; null where a price is missing. */
  cost: number | null;
  reserveFactor: number | null;
  governs: string | null;
  /** Layers of cloth and core. */
  layers: number;
}

/** The lightest stack found of one family of fibre, solid or on one core. */
export interface ZoneEquivalent extends ZoneSum {
  family: FibreFamily;
  /** Name of the core; null of a single skin. */
  core: string | null;
  /** From the mould face: 'BX45 600', or 'PVC 80, 20 mm' as material and thickness. */
  stack: { code: string; angleDeg: number; thickness: number | null }[];
  /** Checks that hold less in hand than now, the greatest loss first. */
  worse: { id: ZoneEvaluation['checks'][number]['id']; before: number; after: number }[];
  /** What its reserve leaves unchecked. */
  notChecked: string[];
  /** Lays it in the zone, in the place of what is there; other zones keep what they have. */
  edits: Edit[];
}

export interface ZoneEquivalents {
  now: ZoneSum;
  found: ZoneEquivalent[];
  /** Families and cores of which nothing that was tried comes to it. */
  none: string[];
  /** Stacks that were evaluated. */
  tried: number;
}

/** Most layers of a single skin, and of both skins of a sandwich together. */
const MOST = { solid: 60, cored: 20 };
/** Fabrics of a family that are tried with one another. */
const FABRICS = 6;
/** Cores that build a boat's panels: what is cut for hardware, and what is no structure, is not among them. */
const STRUCTURAL = { least: 45, most: 260 };

type Member = { fabric: Fabric; angleDeg: number };

const sumOf = (e: ZoneEvaluation): ZoneSum => ({
  mass: e.laminatedArealWeight,
  thickness: e.thickness,
  cost: e.cost,
  reserveFactor: e.unproven.length > 0 ? null : (e.governing?.reserveFactor ?? null),
  governs: e.governing?.id ?? null,
  layers: e.layers.filter(({ material }) => material.kind === 'fabric' || material.kind === 'core').length,
});

/** What is laid again: cloth and core that carry; coatings, what comes off, and a mat behind the coating stay. */
function replacedOf(e: ZoneEvaluation): Set<string> {
  const laid = e.layers.filter(({ layer, material }) => layer.role === 'structure' && material.kind !== 'coating');
  const [first] = laid;
  const isMat = (material: Material) =>
    material.kind === 'fabric' && material.components.every(({ form }) => form === 'randomMat');
  const skin = first && e.layers[0] !== first && isMat(first.material) ? first.layer.id : null;
  return new Set(laid.map(({ layer }) => layer.id).filter((id) => id !== skin));
}

/** Fabrics of a family that a yard would lay: those of the boat first, then the heavier of each form. */
function membersOf(family: FibreFamily, boat: Boat, materials: readonly Material[]): Member[] {
  const fibres = new Map(
    materials.filter((one): one is Fibre => one.kind === 'fibre').map((one) => [one.id, one.family]),
  );
  const laid = new Set(boat.parts.flatMap(({ layers }) => layers.map(({ material }) => material)));
  const all = materials.filter(
    (one): one is Fabric =>
      one.kind === 'fabric' &&
      one.components.every(({ fibre }) => fibres.get(fibre) === family) &&
      one.components.some(({ form }) => form !== 'randomMat'),
  );
  const own = all.filter(({ id }) => laid.has(id));
  const weight = ({ components }: Fabric) => components.reduce((sum, { arealWeight }) => sum + arealWeight.value, 0);
  const chosen = [...own, ...all.filter(({ id }) => !laid.has(id)).sort((a, b) => weight(b) - weight(a))];
  return chosen.slice(0, FABRICS).flatMap((fabric): Member[] => {
    const turned = { unidirectional: 90, cloth: 45, roving: 45 }[fabric.family as string];
    return [{ fabric, angleDeg: 0 }, ...(turned ? [{ fabric, angleDeg: turned }] : [])];
  });
}

/** Of one direction only: it is laid together with another, never a skin by itself. */
const isOneWay = ({ fabric }: Member) => fabric.family === 'unidirectional';

/** Layers laid in turn, from the first of a pair. */
const inTurn = (pair: readonly [Member, Member], count: number, from = 0) =>
  Array.from({ length: count }, (_, i) => pair[(i + from) % 2]!);

interface Alternative {
  family: FibreFamily;
  core: Core | null;
  pairs: readonly (readonly [Member, Member])[];
}

/** The family of fibre that a zone is laid of: that of the first cloth from the mould. */
function ownFamilyOf(materials: readonly Material[], now: ZoneEvaluation): FibreFamily | undefined {
  const cloth = now.layers.flatMap(({ material }) => (material.kind === 'fabric' ? material.components : []))[0];
  const fibre = materials.find((one): one is Fibre => one.kind === 'fibre' && one.id === cloth?.fibre);
  return fibre?.family;
}

/** What may be laid: every family solid and on the zone's core, and the zone's own family on every other core. */
function alternativesOf(boat: Boat, materials: readonly Material[], now: ZoneEvaluation): Alternative[] {
  const cores = materials.filter(
    (one): one is Core =>
      one.kind === 'core' &&
      one.family !== 'flowMat' &&
      one.density.value >= STRUCTURAL.least &&
      one.density.value <= STRUCTURAL.most,
  );
  const laidCore = now.layers.find(({ material }) => material.kind === 'core')?.material as Core | undefined;
  const usual = laidCore ?? cores.find(({ family }) => family === 'pvcCrossLinked') ?? cores[0];
  const ownFamily = ownFamilyOf(materials, now);
  const families = (Object.keys(FIBRE_FAMILIES) as FibreFamily[]).map((family) => {
    const members = membersOf(family, boat, materials);
    const pairs = members.flatMap((a) => members.map((b) => [a, b] as const));
    return { family, pairs: pairs.filter(([a, b]) => !(isOneWay(a) && isOneWay(b) && a.angleDeg === b.angleDeg)) };
  });
  return families
    .filter(({ pairs }) => pairs.length > 0)
    .flatMap(({ family, pairs }) => [
      { family, core: null, pairs },
      ...(usual ? [{ family, core: usual, pairs }] : []),
      ...(family === ownFamily ? cores.filter((core) => core !== usual).map((core) => ({ family, core, pairs })) : []),
    ]);
}

/**
 * What else a zone could be laid of: of every family of fibre on the Shelf, solid and on its core, and of its own
 * family on every other core, the lightest stack tried that comes to the same. Coatings, what comes off, and the mat
 * behind the coating stay as they are.
 *
 * Tried are skins of two fabrics in turn (or one; no skin of one direction alone), sheets of a core as they are to be
 * had, skins within one layer of each other; every one that is given was evaluated as the zone itself is. It is no
 * proven optimum.
 *
 * @throws KeramosError `invalid` where nothing is laid, or the zone is not of this boat.
 * @example runToEnd(zoneEquivalentsJob({ boat, partId, zoneId, match: 'target', shelf }, 0)).found[0].mass
 */
export const zoneEquivalentsJob: Job<ZoneEquivalentsInput, ZoneEquivalents> = function* (input) {
  const { partId, zoneId, match, shelf, only } = input;
  const part = input.boat.parts.find(({ id }) => id === partId);
  const zone = part?.zones.find(({ id }) => id === zoneId);
  if (!part || !zone) throw invalid('zoneId', 'This zone is gone');
  const now = evaluateZone(input.boat, part, zone);
  const replaced = replacedOf(now);
  if (replaced.size === 0) throw invalid('zoneId', `Nothing is laid in ${zone.name} that could be laid otherwise`);
  const known = new Map([...shelf, ...input.boat.materials].map((material) => [material.id, material]));
  const materials = [...known.values()];
  const all = alternativesOf(input.boat, materials, now);
  const own = ownFamilyOf(materials, now);
  const alternatives = only ? all.filter(({ family, core }) => family === own && core === null) : all;
  const target = targetOf(input.boat);
  // All that may be laid lies in the book, so that one book serves every try.
  const wanted = alternatives.flatMap(({ core, pairs }) => [
    ...(core ? [core.id] : []),
    ...pairs.map(([{ fabric }]) => fabric.id),
  ]);
  const boat = takeMaterials(input.boat, [...new Set(wanted)], shelf);
  const at = part.layers.findIndex(({ id }) => replaced.has(id));

  const rowsOf = (outer: readonly Member[], core: Core | null, thickness: number, inner: readonly Member[]) => {
    const of = ({ fabric, angleDeg }: Member) => ({ material: fabric, angleDeg, thickness: null as number | null });
    return [
      ...outer.map(of),
      ...(core ? [{ material: core as Fabric | Core, angleDeg: 0, thickness: thickness as number | null }] : []),
      ...inner.map(of),
    ];
  };
  // Taken more than once, what it lays must not be called like what lies there.
  const ids = new Set(input.boat.parts.flatMap(({ layers }) => layers.map(({ id }) => id)));
  let turn = 1;
  while ([...ids].some((id) => id.startsWith(`${zone.id.slice(0, 26)}-as${turn}-`))) turn += 1;
  type Row = ReturnType<typeof rowsOf>[number];
  let tried = 0;
  // A layer that was laid once is known at its place: only what is new is computed.
  const rowLayers = new Map<string, Layer>();
  const layersOf = (rows: readonly Row[]): Layer[] =>
    rows.map(({ material, angleDeg, thickness }, i) => {
      const key = `${material.id}|${angleDeg}|${thickness}|${i}`;
      const layer =
        rowLayers.get(key) ??
        newLayer({
          id: `${zone.id.slice(0, 26)}-as${turn}-${i + 1}`,
          material: material.id,
          angleDeg,
          thickness,
          role: usualRole(material),
          zones: [zone.id],
        });
      rowLayers.set(key, layer);
      return layer;
    });
  const kept = part.layers.filter(({ id, zones }) => zones.includes(zone.id) && !replaced.has(id));
  const under = kept.filter((layer) => part.layers.indexOf(layer) < at);
  const over = kept.filter((layer) => !under.includes(layer));
  const partOf = (rows: readonly Row[]): Part => ({
    ...part,
    layers: [...under, ...layersOf(rows), ...over],
    groups: [],
    joins: [],
    zones: [zone],
  });
  const lay = (rows: readonly Row[]): ZoneEvaluation => {
    tried += 1;
    return evaluateZone(boat, partOf(rows), zone);
  };
  const bears = match === 'strength' ? membraneStrength(input.boat, part, zone) : null;
  if (match === 'strength' && bears === null)
    throw invalid('match', `${zone.name} has no strength in its plane: a layer has no figures for it`);
  const asStrong = (rows: readonly Row[]) => {
    const own = membraneStrength(boat, partOf(rows), zone);
    return own !== null && bears !== null && own.every((value, axis) => value >= bears[axis]! * (1 - 1e-9));
  };
  // What a layer weighs is known from the first time that it was laid, kg/m².
  const weights = new Map<string, number>();
  const rowKey = ({ material, angleDeg, thickness }: Row) => `${material.id}|${angleDeg}|${thickness}`;
  const weigh = (rows: readonly Row[]): number => {
    for (const row of rows)
      if (!weights.has(rowKey(row))) weights.set(rowKey(row), lay([row]).laminatedArealWeight - bare);
    return rows.reduce((sum, row) => sum + weights.get(rowKey(row))!, bare);
  };
  const bare = lay([]).laminatedArealWeight;
  const asStiff = (e: ZoneEvaluation, of: 'A' | 'D') =>
    e.stiffness !== null &&
    now.stiffness !== null &&
    [0, 1].every((i) => e.stiffness![of][i]![i]! >= now.stiffness![of][i]![i]! * (1 - 1e-9));
  const asked = (now.governing?.reserveFactor ?? 0) >= target ? now.governing!.reserveFactor : target;
  const holds = (e: ZoneEvaluation, least: number) =>
    e.governing !== null && e.unproven.length === 0 && reaches(e.governing.reserveFactor, least);
  const comes: Record<ZoneMatch, (e: ZoneEvaluation, rows: readonly Row[]) => boolean> = {
    target: (e) => holds(e, target),
    reserve: (e) => holds(e, asked),
    bending: (e) => asStiff(e, 'D'),
    membrane: (e) => asStiff(e, 'A'),
    strength: (_, rows) => asStrong(rows),
  };

  /** The fewest layers of a pair that come to it and are lighter than what was found, by halving. */
  function fewest(make: (count: number) => Row[], least: number, most: number, lightest: number) {
    let [low, high] = [least, most];
    let best: { rows: Row[]; e: ZoneEvaluation } | null = null;
    while (low <= high) {
      const middle = Math.floor((low + high) / 2);
      const rows = make(middle);
      if (weigh(rows) >= lightest) {
        high = middle - 1;
        continue;
      }
      const e = lay(rows);
      if (comes[match](e, rows)) {
        best = { rows, e };
        high = middle - 1;
      } else low = middle + 1;
    }
    return best;
  }

  const found: ZoneEquivalent[] = [];
  const none: string[] = [];
  for (const [i, { family, core, pairs }] of alternatives.entries()) {
    const name = `${FIBRE_FAMILIES[family]}, ${core ? `on ${core.name}` : 'single skin'}`;
    yield { done: i / alternatives.length, at: name } satisfies Progress;
    let best: { rows: Row[]; e: ZoneEvaluation } | null = null;
    for (const thickness of core ? core.thicknesses : [0])
      for (const pair of pairs) {
        const make = (count: number) =>
          core
            ? rowsOf(inTurn(pair, Math.ceil(count / 2)), core, thickness, inTurn(pair, Math.floor(count / 2), 1))
            : rowsOf(inTurn(pair, count), null, 0, []);
        // A cloth of one direction comes with another on its side of the core.
        const perSkin = pair.some(isOneWay) ? 2 : 1;
        const one = fewest(
          make,
          core ? 2 * perSkin : perSkin,
          core ? MOST.cored : MOST.solid,
          best?.e.laminatedArealWeight ?? Infinity,
        );
        if (one) best = one;
      }
    if (!best) {
      none.push(name);
      continue;
    }
    found.push({
      ...sumOf(best.e),
      family,
      core: core?.name ?? null,
      stack: best.rows.map(({ material, angleDeg, thickness }) => ({ code: material.code, angleDeg, thickness })),
      worse: worseOf(now, best.e),
      notChecked: best.e.notChecked,
      edits: editsOf(best.rows),
    });
  }
  return { now: sumOf(now), found: found.sort((a, b) => a.mass - b.mass), none, tried };

  function editsOf(rows: readonly Row[]): Edit[] {
    const fetched = fetchMaterials(input.boat, materials, rows.map(({ material }) => material) as Material[]);
    const leaving = part!.layers.filter(({ id }) => replaced.has(id));
    const alone = leaving.filter(({ zones }) => zones.length === 1).map(({ id }) => id);
    const shared = leaving.filter(({ zones }) => zones.length > 1).map(({ id }) => id);
    return [
      ...fetched,
      ...layersOf(rows).map((layer, i): Edit => ({ type: 'layer.add', partId, layer, index: at + i })),
      ...coverCells(part!, shared, [zone!.id], false),
      ...alone.map((layerId): Edit => ({ type: 'layer.remove', layerId })),
    ];
  }
};

/** Checks of which less is in hand than before. */
function worseOf(before: ZoneEvaluation, after: ZoneEvaluation): ZoneEquivalent['worse'] {
  const least = (e: ZoneEvaluation, id: string) =>
    Math.min(...e.checks.filter((check) => check.id === id).map(({ reserveFactor }) => reserveFactor));
  return [...new Set(after.checks.map(({ id }) => id))]
    .map((id) => ({ id, before: least(before, id), after: least(after, id) }))
    .filter((one) => Number.isFinite(one.before) && one.after < 0.98 * one.before)
    .sort((a, b) => a.after / a.before - b.after / b.before);
}
