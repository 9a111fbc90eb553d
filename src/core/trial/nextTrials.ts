import type { Boat } from '../document';
import { KeramosError } from '../error';
import { predictTrial, type TrialPrediction } from './predictTrial';
import type { Trial, TrialLayer } from './trial';

/** The same sample with one layer more or less. */
export interface NextTrial {
  says: string;
  layers: TrialLayer[];
  prediction: TrialPrediction;
}

/** Core thicknesses beside the one that is there. */
const CORES = [0.8, 1.25];

/**
 * Samples that differ by one layer: each layer left out, each laid twice, the core thinner or thicker; with what they
 * should weigh and bear, the lightest first. What cannot stand (a core without a skin) is not offered.
 */
export function nextTrials(boat: Boat, trial: Pick<Trial, 'layers' | 'test' | 'span' | 'width'>): NextTrial[] {
  const { layers } = trial;
  const kinds = new Map(boat.materials.map((material) => [material.id, material]));
  const codeOf = ({ material, angleDeg }: TrialLayer) => {
    const found = kinds.get(material);
    return found && 'code' in found ? `${found.code} at ${angleDeg}°` : material;
  };
  const made = layers.flatMap((layer, i): [string, TrialLayer[]][] => {
    const without = layers.filter((_, k) => k !== i);
    if (layer.thickness !== null)
      return CORES.map((factor) => {
        const thickness = Math.round(layer.thickness! * factor * 1000) / 1000;
        const says = `core of ${Math.round(thickness * 1000)} mm`;
        return [says, layers.map((one, k) => (k === i ? { ...one, thickness } : one))];
      });
    return [
      [`without layer ${i + 1}, ${codeOf(layer)}`, without],
      [`layer ${i + 1} twice, ${codeOf(layer)}`, [...layers.slice(0, i + 1), layer, ...layers.slice(i + 1)]],
    ];
  });
  const seen = new Set<string>([JSON.stringify(layers)]);
  return made
    .flatMap(([says, next]): NextTrial[] => {
      const key = JSON.stringify(next);
      if (seen.has(key)) return [];
      seen.add(key);
      try {
        return [{ says, layers: next, prediction: predictTrial(boat, { ...trial, layers: next }) }];
      } catch (error) {
        if (error instanceof KeramosError) return [];
        throw error;
      }
    })
    .sort((a, b) => a.prediction.arealWeight - b.prediction.arealWeight);
}
