import { z } from 'zod';
import { bounded, choice, shortLength, whole } from '../field';
import { PROCESSES, type Process } from '../material';
import { PREPARATIONS as BOND_PREPARATIONS } from '../material';

const processes = Object.fromEntries(Object.entries(PROCESSES).map(([id, { name }]) => [id, name])) as Record<
  Process,
  string
>;

/** A repair laminate as it is asked for: what comes out, how the new lies against the old. */
export const repairSchema = z.strictObject({
  face: choice('From', { mould: 'the mould side', inside: 'the inside' }),
  depth: whole('Layers that come out', 1, 200),
  joint: choice('Joint', { scarf: 'scarf', step: 'steps, layer by layer' }),
  /** Length of the slope per thickness, or of all steps together per thickness of what comes out. */
  ratio: bounded('Length of the joint per thickness', [4, 150], ''),
  /** Layers laid over it, like the outermost that came out. */
  over: whole('Layers laid over it', 0, 6),
  /** How far each of them reaches past what is below (m). */
  lap: shortLength('Each reaches past the one below by', 0.005, 0.5),
  process: choice('Laid by', processes),
  preparation: choice('The joint is', BOND_PREPARATIONS),
});
export type Repair = z.output<typeof repairSchema>;

/** What is usual at a small yard, to begin with. */
export const USUAL_REPAIR: Repair = {
  face: 'inside',
  depth: 1,
  joint: 'scarf',
  ratio: 20,
  over: 1,
  lap: 0.03,
  process: 'handLayUp',
  preparation: 'peelAbrade',
};
