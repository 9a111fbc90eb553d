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

/** Paste under the cores of a zone and resin in their kerfs, besides the resin of their skins (kg/m²). */
export function coreTakesUp(boat: Boat, { layers }: Pick<ZoneEvaluation, 'layers'>): { bond: number; kerf: number } {
  const usual = USUAL_BONDING[boat.brief.process];
  const resin = boat.materials.find(({ id }) => id === boat.brief.resin) as Resin;
  const cores = layers.filter(({ material, layer }) => material.kind === 'core' && layer.role !== 'comesOff');
  const depth = cores.reduce((sum, { thickness }) => sum + thickness, 0);
  return {
    bond: cores.length * (boat.brief.coreBond ?? usual.coreBond),
    kerf: depth * (boat.brief.kerfShare ?? usual.kerfShare) * resin.density.value,
  };
}

/** Of one part, all of its number: both together, and each by itself (kg). */
export interface CoreBonding {
  partId: string;
  name: string;
  mass: number;
  bond: number;
  kerf: number;
  centre: Vector;
}

/**
 * What cores take up besides the resin of their skins, part by part: paste under them, resin in their kerfs.
 * What is laid as a layer of its own, or drawn up by the faces of the core, is counted there.
 */
export function coreBonding(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): CoreBonding[] {
  return boat.parts.flatMap((part) => {
    const pieces = part.zones.map(({ id, geometry }) => {
      const { bond, kerf } = coreTakesUp(boat, evaluations.get(id)!);
      const area = part.number * geometry.area;
      return { mass: area * (bond + kerf), bond: area * bond, kerf: area * kerf, geometry };
    });
    const sum = (pick: 'mass' | 'bond' | 'kerf') => pieces.reduce((total, piece) => total + piece[pick], 0);
    const mass = sum('mass');
    if (!(mass > 1e-9)) return [];
    const mean = (pick: 'centroidX' | 'centroidZ') =>
      pieces.reduce((total, piece) => total + piece.mass * piece.geometry[pick], 0) / mass;
    const centre: Vector = [mean('centroidX'), 0, mean('centroidZ')];
    return [{ partId: part.id, name: part.name, mass, bond: sum('bond'), kerf: sum('kerf'), centre }];
  });
}
