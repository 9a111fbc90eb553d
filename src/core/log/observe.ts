import type { Boat } from '../document';
import { KeramosError } from '../error';
import { fabricArealWeight, type ComponentForm, type Fabric, type Material, type Process } from '../material';
import type { LearnedForm, LearnedProperty } from '../shop';
import { predictTrial, readTrial, type Trial } from '../trial';
import { shareRead, type BuildLog, type ReadZone } from './buildLog';
import { thicknessOf } from './fibreShareOf';
import { asPublished, type PlannedZone } from './planned';

/** One thing that was read, over what is published of it. */
export interface Observation {
  property: LearnedProperty;
  process: Process;
  form: LearnedForm;
  /** The cloth that is most of it, or the core, by its id; empty where it is a mixture. */
  material: string;
  /** Resin that it was laid with, by its id. */
  resin: string;
  ratio: number;
  /** Hull or series, and zone or sample. */
  of: string;
  where: string;
  /** By what it was read. */
  by: string;
  team: string;
  /** Day, ISO. */
  on: string;
}

/** What is so much of the dry fibre gives its name to the whole; else it is a mixture. */
const DOMINANT = 0.7;
const dominantOf = (shares: Readonly<Record<string, number>>): string | null =>
  Object.entries(shares).find(([, share]) => share >= DOMINANT)?.[0] ?? null;

/** A hull as it teaches: what it was laid of and by whom. */
export interface ReadHull {
  hull: string;
  process: Process;
  resin: string;
  teamOf?: (partId: string) => string;
}

function ofZone(zones: readonly ReadZone[], zone: PlannedZone): Pick<Observation, 'property' | 'ratio' | 'by'>[] {
  const read = shareRead(zones, zone.id);
  if (!read || zone.published <= 0) return [];
  const share = { property: 'fibreShare' as const, ratio: read.share / zone.published, by: read.by };
  const thick = zones.find((one) => one.zone.id === zone.id && one.what === 'thickness');
  // Only plugs and thickness together tell voids from resin.
  if (read.by !== 'plugs' || !thick || thick.mean <= zone.filled) return [share];
  const ratio = (thick.mean - zone.filled) / (thicknessOf(zone, read.share) - zone.filled);
  return [share, { property: 'thickness', ratio, by: 'thickness over plugs' }];
}

/** What a hull says of the cloths that it is laid of: fibre share, and thickness where plugs were drilled as well. */
export function observationsOf(
  { hull, process, resin, teamOf = () => '' }: ReadHull,
  { parts }: BuildLog,
): Observation[] {
  return parts.flatMap(({ partId, zones }) =>
    [...new Map(zones.map(({ zone }) => [zone.id, zone])).values()].flatMap((zone): Observation[] => {
      const days = zones
        .filter((one) => one.zone.id === zone.id)
        .flatMap(({ readings }) => readings.map(({ at }) => at));
      const common: Omit<Observation, 'property' | 'ratio' | 'by'> = {
        process,
        form: (dominantOf(zone.forms) as ComponentForm | null) ?? 'all',
        material: dominantOf(zone.cloths) ?? '',
        resin,
        of: `hull ${hull}`,
        where: zone.name,
        team: teamOf(partId),
        on: days.sort().at(-1)?.slice(0, 10) ?? '',
      };
      return ofZone(zones, zone).map((one) => ({ ...common, ...one }));
    }),
  );
}

/** Whose share of the give is so much says what a stiffness speaks of. */
const SPEAKS = 0.7;

/**
 * What a sample says: of its plies where they tore, were crushed or cracked first, or were most of its give; of its
 * core where that sheared, or was most of it. What broke otherwise says nothing of either.
 *
 * @param boat that it was laid like. @param trial with its readings.
 */
export function observationsOfTrial(boat: Boat, trial: Trial): Observation[] {
  const published = asPublished(boat);
  const prediction = predictTrial(published, trial);
  const { stiffness, failure, firstCrack } = readTrial(trial);
  const cloths = trial.layers.flatMap(({ material }) => {
    const found = boat.materials.find((one) => one.id === material);
    return found?.kind === 'fabric' ? [found] : [];
  });
  const core = trial.layers.find(({ material }) => {
    return boat.materials.find((one) => one.id === material)?.kind === 'core';
  });
  const common = {
    process: boat.brief.process,
    resin: boat.brief.resin,
    of: trial.series,
    where: trial.name,
    team: '',
    on: trial.on,
  };
  const ofPlies = { ...common, ...mostOf(cloths) };
  const ofCore = { ...common, form: 'all' as const, material: core?.material ?? '' };
  const found: Observation[] = [];
  const plies: number[] = [];
  const way = (...hows: string[]) => prediction.ways.find(({ how }) => hows.includes(how))?.load;
  const isOfPlies = failure === null || failure.how === 'tension' || failure.how === 'compression';
  // Where a core or a bond went, a crack before it may have been its own.
  if (firstCrack !== null && firstCrack > 0 && isOfPlies) {
    plies.push(firstCrack / prediction.firstCrack);
  }
  if (failure && failure.load > 0) {
    if (isOfPlies) plies.push(failure.load / way('tension', 'compression')!);
    const shear = way('shear');
    if (failure.how === 'shear' && core && shear !== undefined)
      found.push({ ...ofCore, property: 'coreStrength', ratio: failure.load / shear, by: 'a broken sample' });
  }
  // First crack and break of one sample are one reading: the less of both.
  if (plies.length > 0)
    found.push({ ...ofPlies, property: 'strength', ratio: Math.min(...plies), by: 'a broken sample' });
  if (stiffness && stiffness.slope > 0) {
    const { bending, shear } = prediction.give;
    const read = 1 / stiffness.slope;
    const share = bending / (bending + shear);
    if (share >= SPEAKS && read > shear)
      found.push({ ...ofPlies, property: 'stiffness', ratio: bending / (read - shear), by: 'load and deflection' });
    if (core && 1 - share >= SPEAKS && read > bending)
      found.push({ ...ofCore, property: 'coreStiffness', ratio: shear / (read - bending), by: 'load and deflection' });
  }
  return found;
}

/** The form and the cloth that are most of some layers by dry weight. */
function mostOf(cloths: readonly Fabric[]): Pick<Observation, 'form' | 'material'> {
  const all = cloths.reduce((sum, cloth) => sum + fabricArealWeight(cloth), 0);
  const [forms, ids]: Record<string, number>[] = [{}, {}];
  for (const cloth of cloths) {
    ids![cloth.id] = (ids![cloth.id] ?? 0) + fabricArealWeight(cloth) / all;
    for (const { form, arealWeight } of cloth.components) forms![form] = (forms![form] ?? 0) + arealWeight.value / all;
  }
  return { form: (dominantOf(forms!) as ComponentForm | null) ?? 'all', material: dominantOf(ids!) ?? '' };
}

/** The same, and nothing of a sample whose boat no longer has its materials. */
export function taughtBy(boat: Boat, trial: Trial): Observation[] {
  try {
    return observationsOfTrial(boat, trial);
  } catch (error) {
    if (error instanceof KeramosError) return [];
    throw error;
  }
}

/** A piece of cloth on the scales: dry weight over what the Shelf says of it; nothing where it is not there. */
export function observationOfCloth(
  materials: readonly Material[],
  { material, lot, area, mass, on }: { material: string; lot: string; area: number; mass: number; on: string },
): Observation[] {
  const cloth = materials.find((one): one is Fabric => one.kind === 'fabric' && one.id === material);
  if (!cloth) return [];
  const stated = fabricArealWeight(cloth) + cloth.bindingWeight.value;
  return [
    {
      property: 'arealWeight',
      process: 'handLayUp',
      form: 'all',
      material,
      resin: '',
      ratio: mass / area / stated,
      of: cloth.code,
      where: lot === '' ? 'no lot' : `lot ${lot}`,
      by: 'scales',
      team: '',
      on,
    },
  ];
}
