import type { Rates } from '../../cost';
import type { Boat, Zone } from '../../document';
import { invalid } from '../../error';
import { targetOf } from '../../evaluate';
import { hasDirection, normalAngle, type Core, type Fabric, type Material } from '../../material';
import { optimisePart, type GridAnswer, type GridStep } from './optimisePart';
import type { Effort, GridQuestion, Weights } from './readyPart';
import type { SolveInteger } from './coupleZones';
import type { Member, StackSpace } from './stackSpace';
import type { ZoneFront } from './zoneFront';

/** What may be laid, and what is wanted. */
export interface OptimiseInput {
  boat: Boat;
  partId: string;
  zoneIds?: readonly string[] | undefined;
  choices: {
    fabrics: readonly string[];
    angles: readonly number[];
    cores?: readonly string[] | undefined;
    coreThicknesses?: readonly number[] | undefined;
    maxLayers?: number | undefined;
  };
  free?: readonly string[] | undefined;
  weights: Weights;
  target?: number | undefined;
  mostDropped?: number | undefined;
  mostMaterials?: number | undefined;
  /** m² of a material that there is. */
  stock?: Readonly<Record<string, number>> | undefined;
  /** What the yard reckons hours by; the usual ones where it is left out. */
  rates?: Rates | undefined;
  effort?: Partial<Effort> | undefined;
}

export const USUAL_EFFORT: Effort = { budget: 200_000, list: 400, gap: 0, tidy: 0 };
const MOST_LAYERS = 12;

function materialOf<K extends Material['kind']>(boat: Boat, id: string, kind: K, path: string) {
  const material = boat.materials.find((one) => one.id === id);
  if (!material) throw invalid(path, `"${id}" is not among the materials of ${boat.name}: add it from the Shelf`);
  if (material.kind !== kind) throw invalid(path, `${material.name} is no ${kind}`);
  return material as Extract<Material, { kind: K }>;
}

/** Cloths with the angles at which they may be laid; what has no direction has one. */
function membersOf(fabrics: readonly Fabric[], angles: readonly number[]): Member[] {
  const turned = [...new Set(angles.map(normalAngle))];
  return fabrics.flatMap((fabric) =>
    (hasDirection(fabric) ? turned : [0]).map((angleDeg) => ({ material: fabric.id, angleDeg })),
  );
}

/** The stacks of a zone that a set of choices makes. @throws KeramosError `invalid` that names the bad choice. */
export function spaceOfChoices({ boat, choices, mostDropped, weights }: OptimiseInput): StackSpace {
  const fabrics = choices.fabrics.map((id, i) => materialOf(boat, id, 'fabric', `choices.fabrics[${i}]`));
  if (fabrics.length === 0) throw invalid('choices.fabrics', 'No fabric may be laid: allow one');
  if (choices.angles.length === 0) throw invalid('choices.angles', 'No angle is allowed: allow one');
  const given = choices.coreThicknesses;
  const cores = (choices.cores ?? []).map((id, i) => {
    const core: Core = materialOf(boat, id, 'core', `choices.cores[${i}]`);
    const thicknesses = [...new Set(given ?? core.thicknesses)].sort((a, b) => a - b);
    if (thicknesses.length === 0) throw invalid('choices.coreThicknesses', `${core.name} has no thickness: give one`);
    return { material: id, thicknesses, tie: null };
  });
  const members = membersOf(fabrics, choices.angles);
  const all = members.map((_, member) => member);
  const inner = cores.length > 0 ? members : [];
  return {
    outer: members,
    inner,
    cores,
    usable: cores.map((_, core) => core),
    cycles: { inTurn: false, single: all, outer: all, inner: inner.map((_, member) => member) },
    solid: true,
    runsOn: cores.length > 0 && (mostDropped !== undefined || weights.pieces > 0),
    most: choices.maxLayers ?? MOST_LAYERS,
    lawful: () => true,
  };
}

/**
 * The best schedule of a part from given fabrics, angles and cores ({@link optimisePart}), as a job.
 *
 * In a skin the cloths are laid in turn, in the order in which they are given; counts of each, core and thickness are
 * chosen zone by zone.
 */
export const optimiseBoat = (input: OptimiseInput, how: SearchHow): Generator<GridStep, GridAnswer> =>
  optimisePart(questionOf(input, how));

/** What a search is given besides its question. */
export interface SearchHow {
  solve: SolveInteger;
  /** Zones found before, by id, of the very same question. */
  known?: ReadonlyMap<string, ZoneFront>;
}

/** A set of choices as a question of a part. @throws KeramosError `invalid` that names what cannot be asked. */
export function questionOf(input: OptimiseInput, { solve, known }: SearchHow): GridQuestion {
  const { boat, weights, target = targetOf(boat) } = input;
  if (Object.values(weights).every((weight) => weight <= 0))
    throw invalid('objective', 'Nothing is to be made least: give mass, cost, hours or pieces a weight above 0');
  const space = spaceOfChoices(input);
  const part = boat.parts.find(({ id }) => id === input.partId);
  const core = part?.layers.find(
    ({ id, material }) =>
      input.free !== undefined &&
      !input.free.includes(id) &&
      boat.materials.find((one) => one.id === material)?.kind === 'core',
  );
  // A core that stays has skins on both sides, and no other core beside it.
  const held = (zone: Zone) => core?.zones.includes(zone.id) === true;
  const both: StackSpace = { ...space, inner: space.outer, cycles: { ...space.cycles, inner: space.cycles.outer } };
  const onHeld: StackSpace = { ...both, usable: [], runsOn: true };
  return {
    boat,
    partId: input.partId,
    zoneIds: input.zoneIds ?? null,
    free: input.free ?? null,
    spaceOf: (zone) => {
      if (held(zone)) return onHeld;
      return core ? both : space;
    },
    weights,
    target,
    mostDropped: input.mostDropped ?? null,
    mostMaterials: input.mostMaterials ?? null,
    stock: new Map(Object.entries(input.stock ?? {})),
    rates: input.rates,
    effort: { ...USUAL_EFFORT, ...input.effort },
    solve,
    ...(known && { known }),
  };
}
