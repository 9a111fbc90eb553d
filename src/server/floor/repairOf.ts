import { z } from 'zod';
import { checkRepair, repairSchema, type CheckedRepair } from '@/core/build';
import { KeramosError, parseOrThrow } from '@/core/error';
import { bounded } from '@/core/field';
import type { StoreContext } from '../context';
import { readBuild } from '../stores/builds';
import { readRevision } from '../stores/revisions';

const asked = z.strictObject({
  zone: z.string().min(1, 'Which zone is it in?').max(60),
  size: bounded('Size', [0.0005, 20], 'm'),
  repair: repairSchema,
});

/**
 * A repair laminate against the revision that the hull is built by.
 * @throws KeramosError `invalid` for what cannot be repaired so; `notFound`.
 */
export async function repairOf(context: StoreContext, buildId: string, raw: unknown): Promise<CheckedRepair> {
  const { zone: zoneId, size, repair } = parseOrThrow(asked, raw, 'repair');
  const { boatId, revision } = await readBuild(context, buildId);
  const { boat } = await readRevision(context, boatId, revision);
  for (const part of boat.parts)
    for (const zone of part.zones) if (zone.id === zoneId) return checkRepair(boat, part, zone, { repair, size });
  throw new KeramosError('notFound', 'The revision has no such zone: the defect lies beside the laminate', 'zone');
}
