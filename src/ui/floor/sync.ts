import type { BuildRecord } from '@/core/build';
import type { Keeper } from './keeper';

/** How a device reaches the server; each throws where it does not. */
export interface Wire {
  send(buildId: string, records: readonly BuildRecord[], passes: Record<string, string>): Promise<Answer[]>;
  fetch(buildId: string, since: number): Promise<{ records: BuildRecord[]; seq: number; now?: string }>;
  sendPhoto(buildId: string, id: string, bytes: Blob): Promise<void>;
}
/** What the server says of one record: kept, or why never. */
export interface Answer {
  id: string;
  refusal: { message: string } | null;
}

/** Sent at a time: small enough for a poor network, large enough for the end of a shift. */
const LOT = 100;

/**
 * One round: what is unsent goes out, what others recorded comes in. It may stop anywhere, by a lost answer or a closed
 * page, and be begun again: the server knows records by their ids, and what was learned is kept with its place.
 *
 * @returns the server's time (ISO 8601) where it says so.
 * @throws what the wire throws; everything that was kept until then stays.
 */
export async function syncOnce(keeper: Keeper, wire: Wire, buildId: string): Promise<string | null> {
  const { records, seq } = await keeper.read(buildId);
  const waiting = records
    .filter(({ sent, refusal }) => !sent && refusal === null)
    .map(({ record }) => record)
    .sort((a, b) => a.at.localeCompare(b.at));
  const passes = Object.fromEntries((await keeper.passes()).map(({ name, pass }) => [name, pass]));
  for (let i = 0; i < waiting.length; i += LOT) {
    const answers = await wire.send(buildId, waiting.slice(i, i + LOT), passes);
    await keeper.mark(answers.map(({ id, refusal }) => ({ id, refusal: refusal?.message ?? null })));
  }
  for (const { id, bytes } of await keeper.photos(buildId)) {
    await wire.sendPhoto(buildId, id, bytes);
    await keeper.dropPhoto(id);
  }
  const { records: learned, seq: reached, now = null } = await wire.fetch(buildId, seq);
  if (learned.length > 0) await keeper.learn(buildId, learned, reached);
  return now;
}
