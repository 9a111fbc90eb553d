import type { Boat } from '../document';
import type { ZoneEvaluation } from '../evaluate';
import type { Process, Resin } from '../material';
import type { Vector } from './rollUpMasses';

/** Paste a core is bedded in (kg/m²), and the share of its volume that kerfs and holes take up, by process. */
export const USUAL_BONDING: Readonly<Record<Process, { coreBond: number; kerfShare: number }>> = {
  handLayUp: { coreBond: 0.9, kerfShare: 0.02 },
  wetBag: { coreBond: 0.6, kerfShare: 0.01 },
  infusion: { coreBond: 0, kerfShare: 0.02 },
  prepreg: { coreBond: 0.3, kerfShare: 0 },
};

/**
 * What cores take up besides the resin of their skins, part by part: paste under them, resin in their kerfs.
 * What is laid as a layer of its own, or drawn up by the faces of the core, is counted there.
 */
export function coreBonding(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
): { partId: string; name: string; mass: number; centre: Vector }[] {
  const usual = USUAL_BONDING[boat.brief.process];
  const coreBond = boat.brief.coreBond ?? usual.coreBond;
  const kerfShare = boat.brief.kerfShare ?? usual.kerfShare;
  const resin = boat.materials.find(({ id }) => id === boat.brief.resin) as Resin;
  return boat.parts.flatMap((part) => {
    const pieces = part.zones.map(({ id, geometry }) => {
      const cores = evaluations.get(id)!.layers.filter(({ material, layer }) => {
        return material.kind === 'core' && layer.role !== 'comesOff';
      });
      const depth = cores.reduce((sum, { thickness }) => sum + thickness, 0);
      const mass = part.number * geometry.area * (cores.length * coreBond + depth * kerfShare * resin.density.value);
      return { mass, geometry };
    });
    const mass = pieces.reduce((sum, piece) => sum + piece.mass, 0);
    if (!(mass > 1e-9)) return [];
    const mean = (pick: 'centroidX' | 'centroidZ') =>
      pieces.reduce((sum, piece) => sum + piece.mass * piece.geometry[pick], 0) / mass;
    return [{ partId: part.id, name: part.name, mass, centre: [mean('centroidX'), 0, mean('centroidZ')] }];
  });
}
