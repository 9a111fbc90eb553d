import type { PlannedPart } from '../build';
import type { BuildLog, Causes } from './buildLog';
import type { YardView } from './yard';

/** A hull on the page of the log. */
export interface LogOfBuild {
  id: string;
  boatId: string;
  boat: string;
  hull: string;
  revision: string;
  units: 'metric' | 'us';
  createdAt: string;
  closedAt: string | null;
  log: BuildLog;
  causes: { partId: string; found: Causes }[];
  skins: { partId: string; skins: PlannedPart['skins'] }[];
}
export interface LogOfYard {
  /** What was learned and is in use, in words. */
  learned: { says: string; on: string; author: string }[];
  boats: { boatId: string; boat: string; hulls: string[]; view: YardView }[];
  builds: { id: string; boat: string; hull: string; revision: string; createdAt: string; closedAt: string | null }[];
}
