import { PROCESSES, type Core, type Fabric, type Resin } from '../material';
import { analyseStack, type LaidLayer, type StackAnalysis, type ZoneEvaluation } from '../evaluate';
import type { Boat, Part, Zone } from '../document';
import type { Severity } from './severity';

/** What a rule may look at: one zone with its stack. */
export interface Scene {
  boat: Boat;
  part: Part;
  zone: Zone;
  evaluation: ZoneEvaluation;
  resin: Resin;
  process: (typeof PROCESSES)[keyof typeof PROCESSES];
  /** Layers that carry load, in laying order, coatings left out. */
  laid: readonly LaidLayer[];
  fabrics: readonly FabricLayer[];
  cores: readonly CoreLayer[];
  /** Before the first and after the last core; the outer one is all there is without a core. */
  outer: readonly FabricLayer[];
  inner: readonly FabricLayer[];
  /** Computed when first asked for; null when the zone cannot be analysed. */
  analysis: () => StackAnalysis | null;
}
export type FabricLayer = LaidLayer & { material: Fabric };
export type CoreLayer = LaidLayer & { material: Core };

/** One thing a rule found: the layer it is about, or the zone when there is none. */
export interface Finding {
  layerId?: string;
  /** The figures behind it, in words. */
  detail: string;
}

export interface CautionRule {
  id: string;
  severity: Severity;
  title: string;
  reason: string;
  wayOut: string;
  source: string;
  find: (scene: Scene) => Finding[];
}

export function sceneOf(boat: Boat, part: Part, zone: Zone, evaluation: ZoneEvaluation): Scene {
  const laid = evaluation.layers.filter(
    ({ material, layer }) => material.kind !== 'coating' && layer.role === 'structure',
  );
  const fabrics = laid.filter((one): one is FabricLayer => one.material.kind === 'fabric');
  const cores = laid.filter((one): one is CoreLayer => one.material.kind === 'core');
  const [first, last] = [cores[0]?.index ?? Infinity, cores.at(-1)?.index ?? Infinity];
  let analysis: StackAnalysis | null | undefined;
  return {
    boat,
    part,
    zone,
    evaluation,
    resin: boat.materials.find((material) => material.id === boat.brief.resin) as Resin,
    process: PROCESSES[boat.brief.process],
    laid,
    fabrics,
    cores,
    outer: fabrics.filter(({ index }) => index < first),
    inner: fabrics.filter(({ index }) => index > last),
    analysis: () => {
      if (analysis === undefined) {
        try {
          analysis = analyseStack(boat, part, zone, 'maxStrain');
        } catch {
          analysis = null;
        }
      }
      return analysis;
    },
  };
}

/** A finding for each layer that fits. */
export const each = <T extends LaidLayer>(
  layers: readonly T[],
  fits: (layer: T) => boolean,
  detail: (layer: T) => string,
): Finding[] => layers.filter(fits).map((one) => ({ layerId: one.layer.id, detail: detail(one) }));

export const fibreMassOf = (layers: readonly LaidLayer[]) => layers.reduce((sum, { fibreMass }) => sum + fibreMass, 0);
export const thicknessOf = (layers: readonly LaidLayer[]) => layers.reduce((sum, { thickness }) => sum + thickness, 0);
export const families = (layers: readonly FabricLayer[]) => [
  ...new Set(layers.flatMap(({ components }) => components.map(({ fibre }) => fibre.family))),
];
export const wet = (zone: Zone) => zone.location === 'bottom';
