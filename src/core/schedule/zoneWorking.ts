import { WORKING_SECTIONS, type CheckId, type WorkingSection } from '../standard';
import type { WorkingStep } from '../working';
import type { Boat, Part, Zone } from './boat';
import { traceZone } from './evaluate';

export interface WorkingPart {
  section: WorkingSection;
  title: string;
  steps: WorkingStep[];
}

/**
 * The working of a zone in reading order: pressure, what the laminate has, what the pack asks, reserve factor.
 *
 * @param check when given, only the result of that check; otherwise of all.
 * @throws KeramosError when the zone cannot be checked.
 */
export function zoneWorking(boat: Boat, part: Part, zone: Zone, check?: CheckId): WorkingPart[] {
  const sections = new Map<WorkingSection, WorkingStep[]>(Object.keys(WORKING_SECTIONS).map((section) => [section as WorkingSection, []]));
  traceZone(boat, part, zone, (section, step, about) => {
    if (check === undefined || about === undefined || about === check) sections.get(section)!.push(step);
  });
  return [...sections].map(([section, steps]) => ({ section, title: WORKING_SECTIONS[section], steps }));
}
