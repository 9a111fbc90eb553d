import type { Recommendation, TriedSample } from './recommend';

/** A series of samples with what it proves. */
export interface TrialSeries {
  series: string;
  boat: string;
  samples: (TriedSample & { author: string; on: string })[];
  recommendation: Recommendation;
}

/** What a sample can be laid of: the boat's cloths and cores, and its zones as they are laid. */
export interface TrialBoat {
  id: string;
  name: string;
  materials: { id: string; code: string; name: string; isCore: boolean }[];
  zones: { id: string; name: string; layers: { material: string; angleDeg: number; thickness: number | null }[] }[];
}
