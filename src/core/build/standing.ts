import type { BuildRecord, BuildRecordOf, RecordKind } from './record';

/** Records that stand: in the order in which they happened, without those that were taken back or replaced. */
export function standingRecords(records: readonly BuildRecord[]): BuildRecord[] {
  const byId = new Map(records.map((record) => [record.id, record]));
  // Of two that correct the same one, the later counts; one that was itself taken back corrects nothing.
  const gone = new Set<string>();
  for (const record of [...records].sort(inTime).reverse())
    if (record.corrects !== null && !gone.has(record.id) && byId.has(record.corrects)) gone.add(record.corrects);
  return records.filter(({ id, kind }) => !gone.has(id) && kind !== 'undone').sort(inTime);
}

/** By when they happened; of the same moment by id, so that every device has the same order. */
export const inTime = (a: Pick<BuildRecord, 'at' | 'id'>, b: Pick<BuildRecord, 'at' | 'id'>): number =>
  a.at.localeCompare(b.at) || (a.id < b.id ? -1 : 1);

/** Those of one kind. */
export const ofKind = <K extends RecordKind>(records: readonly BuildRecord[], kind: K): BuildRecordOf<K>[] =>
  records.filter((record) => record.kind === kind) as BuildRecordOf<K>[];
