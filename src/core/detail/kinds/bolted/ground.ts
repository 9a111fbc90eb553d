import { saidLength } from '../../../quantity';
import { invalid } from '../../../error';
import type { Core, Material } from '../../../material';
import type { LaidLayer, SectionMember } from '../../../evaluate';
import { boltYield } from '../boltYield';
import { layOwn, memberAlong, need, skinsUnder, type Scene } from '../scene';
import type { DetailOf } from '../schema';

const LEAST_PITCH = 2;

type Metal = Extract<Material, { kind: 'metal' }>;
type Wood = Extract<Material, { kind: 'wood' }>;

/** What a fitting is bolted to: lengths m, strengths Pa. */
export interface BoltedGround {
  /** Largest sheet of the patch each way; null without a patch. */
  patch: { length: number; breadth: number } | null;
  cores: readonly LaidLayer[];
  coreThickness: number;
  /** How far the core's bevel runs out on each side. */
  run: number;
  /** Fabrics of the zone, and those of the patch. */
  laid: readonly LaidLayer[];
  own: readonly LaidLayer[];
  /** Both together, along the force. */
  member: SectionMember;
  /** Of all that is drilled. */
  thickness: number;
  /**
   * What may bear on the bolts, of which the worse counts: with something softer let in, the skin that the fitting
   * stands on, with the patch on it; all of it where it is solid.
   */
  bearing: readonly { laid: readonly LaidLayer[]; thickness: number }[];
  metal: Metal;
  /** Of a bolt, by its class or its metal (Pa). */
  boltYield: number;
  insert: Core | Wood | null;
  /** Compressive strength of what washer, plate and base press on. */
  underWasher: number;
}

function refuseBolts({ name, bolts, boltDiameter: d, base }: DetailOf<'bolted'>): void {
  for (const [i, one] of bolts.entries())
    for (const other of bolts.slice(i + 1)) {
      const pitch = Math.hypot(one[0] - other[0], one[1] - other[1]);
      if (pitch < LEAST_PITCH * d)
        throw invalid(
          'bolts',
          `${name}: two holes stand ${saidLength(pitch)} apart; ${LEAST_PITCH} ` +
            `diameters, ${saidLength(LEAST_PITCH * d)}, is the least`,
          { given: pitch, minimum: LEAST_PITCH * d },
        );
    }
  const off = bolts.find(([x, y]) => Math.abs(x) > base[0] / 2 || Math.abs(y) > base[1] / 2);
  if (off)
    throw invalid(
      'bolts',
      `${name}: a bolt at ${saidLength(off[0])}, ${saidLength(off[1])} lies off ` +
        `its base of ${saidLength(base[0])} × ${saidLength(base[1])}`,
    );
}

function patchOf({ name, sheets, base }: DetailOf<'bolted'>): BoltedGround['patch'] {
  if (sheets.length === 0) return null;
  const patch = {
    length: Math.max(...sheets.map(({ length }) => length)),
    breadth: Math.max(...sheets.map(({ breadth }) => breadth)),
  };
  if (patch.length < base[0] || patch.breadth < base[1])
    throw invalid(
      'sheets',
      `${name}: a patch of ${saidLength(patch.length)} × ${saidLength(patch.breadth)} is ` +
        `smaller than the base of ${saidLength(base[0])} × ${saidLength(base[1])}`,
    );
  return patch;
}

function refuseCore({ zone }: Scene, detail: DetailOf<'bolted'>, coreThickness: number, run: number): void {
  if (coreThickness === 0) return;
  const { base } = detail;
  const room = Math.min(zone.geometry.panelLength, zone.geometry.panelBreadth);
  if (detail.core !== 'none' && base[1] + 2 * run > room * 2 && base[1] + 2 * run > Math.sqrt(zone.geometry.area))
    throw invalid(
      'bevel',
      `${detail.name}: the core's bevel of ${saidLength(run)} each way is longer than ${zone.name} has room for`,
    );
  if (detail.core === 'none')
    throw invalid(
      'core',
      `${detail.name}: ${zone.name} has a core of ${saidLength(coreThickness)} under ` +
        'the bolts: replace it by solid, high-density core or plywood',
    );
}

/** What bears on the bolts: see {@link BoltedGround.bearing}. */
function bearingOf(
  { laid, book }: Scene,
  detail: DetailOf<'bolted'>,
  { laid: fabrics, own, thickness }: Pick<BoltedGround, 'laid' | 'own' | 'thickness'>,
): BoltedGround['bearing'] {
  const letIn = detail.core !== 'solid' && detail.core !== 'none';
  if (!letIn) return [{ laid: [...fabrics, ...own], thickness }];
  return skinsUnder(laid, detail.face).map((skin) => {
    const bears = [...skin, ...own];
    return { laid: bears, thickness: memberAlong(book, bears, 0).thickness };
  });
}

/** What is let in where the core is taken out. */
function insertOf({ book }: Scene, { core, insert }: DetailOf<'bolted'>): Core | Wood | null {
  if (core === 'highDensity') return need(book, insert, 'core', 'Insert');
  return core === 'plywood' ? need(book, insert, 'wood', 'Insert') : null;
}

/**
 * What a fitting is bolted to.
 *
 * @throws KeramosError `invalid` for holes closer than two diameters, bolts off the base, a patch smaller than the
 * base, a core left under the bolts, a bevel that the zone has no room for, or a material that is not there.
 */
export function boltedGround(scene: Scene, detail: DetailOf<'bolted'>): BoltedGround {
  const { book, inPlane } = scene;
  refuseBolts(detail);
  const patch = patchOf(detail);
  const cores = scene.laid.filter(({ material, layer }) => material.kind === 'core' && layer.role === 'structure');
  const coreThickness = cores.reduce((sum, one) => sum + one.thickness, 0);
  const run = detail.bevel * coreThickness;
  refuseCore(scene, detail, coreThickness, run);
  // What the bolts go through: the skins, the patch, and solid laminate in the core's place.
  const laid = scene.laid.filter(({ material }) => material.kind === 'fabric');
  const own = layOwn(book, detail.sheets);
  const towards = (Math.atan2(inPlane[1], inPlane[0]) * 180) / Math.PI;
  const member = memberAlong(book, [...laid, ...own], towards);
  const insert = insertOf(scene, detail);
  const metal = need(book, detail.boltMetal, 'metal', 'Bolts');
  const thickness = member.thickness + (detail.core === 'solid' ? coreThickness : 0);
  const inserted = insert && (insert.kind === 'core' ? insert.compressiveStrength : insert.compressiveAcross).value;
  return {
    patch,
    cores,
    coreThickness,
    run,
    laid,
    own,
    member,
    thickness,
    bearing: bearingOf(scene, detail, { laid, own, thickness }),
    metal,
    boltYield: boltYield(metal, detail.boltClass, detail.name),
    insert,
    underWasher: inserted ?? member.compressiveStrength,
  };
}
