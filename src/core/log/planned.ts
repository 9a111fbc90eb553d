import { evaluateDetails } from '../detail/kinds';
import type { Boat } from '../document';
import { makeEvaluator, type LaidLayer } from '../evaluate';
import { PROCESSES, type ComponentForm, type Fabric, type ResinFamily } from '../material';
import { boatWeight } from '../weight';

/** What a zone is planned to be: thickness m, masses kg/m², area m² of one part. */
export interface PlannedZone {
  id: string;
  partId: string;
  name: string;
  area: number;
  thickness: number;
  /** Fibre by weight of fibre and resin plies. */
  fibreShare: number;
  dryFibre: number;
  /** What of the thickness is neither fibre nor resin: core, wood, coatings. */
  filled: number;
  /** Densities (kg/m³) of its fibre together, and of its resin. */
  fibreDensity: number;
  resinDensity: number;
  /** Share of its dry fibre by form of cloth, and by cloth. */
  forms: Partial<Record<ComponentForm, number>>;
  cloths: Record<string, number>;
  /** Standard deviation of the fibre share from part to part, by the process. */
  scatter: number;
  /** Fibre share by what is published alone, without what the yard tested. */
  published: number;
}
export interface PlannedPart {
  id: string;
  name: string;
  /** kg, all pieces of it. */
  mass: number;
  resin: number;
  number: number;
}
export interface Planned {
  parts: PlannedPart[];
  zones: PlannedZone[];
  /** Of the resin that it is laid with; null without one. */
  resinFamily: ResinFamily | null;
}

/** Share of the dry fibre of some layers by form of their components. */
function formsOf(cloth: readonly LaidLayer[]): PlannedZone['forms'] {
  const components = cloth.flatMap((layer) => layer.components);
  const all = components.reduce((sum, { fibreMass }) => sum + fibreMass, 0);
  const forms: PlannedZone['forms'] = {};
  for (const { form, fibreMass } of components) forms[form] = (forms[form] ?? 0) + fibreMass / all;
  return forms;
}

/** Share of the dry fibre of some layers by their cloth. */
function clothsOf(cloth: readonly LaidLayer[]): PlannedZone['cloths'] {
  const massOf = ({ components }: LaidLayer) => components.reduce((sum, { fibreMass }) => sum + fibreMass, 0);
  const all = cloth.reduce((sum, layer) => sum + massOf(layer), 0);
  const cloths: PlannedZone['cloths'] = {};
  for (const layer of cloth) cloths[layer.material.id] = (cloths[layer.material.id] ?? 0) + massOf(layer) / all;
  return cloths;
}

/** A boat by what is published alone, without what the yard tested of its cloths; the same where it tested none. */
export function asPublished(boat: Boat): Boat {
  const isTested = (one: Boat['materials'][number]) =>
    one.kind === 'fabric' &&
    one.components.some(({ measured }) => measured.some(({ origin }) => origin === 'yardTest'));
  if (!boat.materials.some(isTested)) return boat;
  const bare = (one: Fabric): Fabric => ({
    ...one,
    components: one.components.map((component) => {
      return { ...component, measured: component.measured.filter(({ origin }) => origin !== 'yardTest') };
    }),
  });
  return { ...boat, materials: boat.materials.map((one) => (one.kind === 'fabric' ? bare(one) : one)) };
}

/** What a revision plans, by which readings are judged. */
export function plannedOf(boat: Boat): Planned {
  const evaluations = makeEvaluator()(boat);
  const published = asPublished(boat);
  const byPublished = published === boat ? evaluations : makeEvaluator()(published);
  const weight = boatWeight(boat, evaluations, evaluateDetails(boat));
  const resin = boat.materials.find((one) => one.kind === 'resin' && one.id === boat.brief.resin);
  const resinDensity = resin?.kind === 'resin' ? resin.density.value : 1200;
  const parts = boat.parts.map(({ id, name, number }) => {
    const own = weight.parts.find(({ partId }) => partId === id);
    const sum = (own?.zones ?? []).reduce((total, zone) => total + zone.resin, 0);
    return { id, name, number, mass: own?.mass ?? 0, resin: sum };
  });
  const zones = boat.parts.flatMap((part) =>
    part.zones.map((zone): PlannedZone => {
      const { layers, thickness, dryArealWeight, fibreWeightFraction } = evaluations.get(zone.id)!;
      const cloth = layers.filter(({ material }) => material.kind === 'fabric');
      const plies = cloth.reduce((total, layer) => total + layer.thickness, 0);
      const plyResin = cloth.reduce((total, layer) => total + layer.resinMass, 0);
      const fibre = plies - plyResin / resinDensity;
      return {
        id: zone.id,
        partId: part.id,
        name: zone.name,
        area: zone.geometry.area,
        thickness,
        fibreShare: fibreWeightFraction,
        dryFibre: dryArealWeight,
        filled: thickness - plies,
        fibreDensity: fibre > 0 ? dryArealWeight / fibre : 2540,
        resinDensity,
        forms: formsOf(cloth),
        cloths: clothsOf(cloth),
        scatter: PROCESSES[boat.brief.process].scatter,
        published: byPublished.get(zone.id)!.fibreWeightFraction,
      };
    }),
  );
  return { parts, zones, resinFamily: resin?.kind === 'resin' ? resin.family : null };
}
