import type { Boat } from '../../document';
import { readAt } from '../../field';
import { kindOf } from './kinds';
import type { Detail } from './schema';
import { startingMaterials } from './start';

/**
 * What is added to a list of a detail, or fills a group that was left out: what the kind says, else one like the last,
 * else one like those it begins with.
 */
export function additionTo(boat: Boat, detail: Detail, key: string): unknown {
  const from = startingMaterials(boat);
  const { additions, start } = kindOf(detail);
  const own = additions?.[key];
  if (own) return own(detail as never, from);
  const last = (readAt(detail, key) as readonly unknown[] | null)?.at(-1);
  return structuredClone(last ?? (readAt(start(from), key) as readonly unknown[] | null)?.[0]);
}
