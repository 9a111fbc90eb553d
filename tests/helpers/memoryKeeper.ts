import type { FloorBuild, Keeper, KeptPass, KeptPhoto, KeptRecord } from '@/ui/floor/keeper';

/** What a device keeps, in memory: `disk` outlives a reload, as the browser's database does. */
export function memoryKeeper(disk = newDisk()): Keeper {
  const own = (buildId: string) => [...disk.records.values()].filter((one) => one.buildId === buildId);
  return {
    read: async (buildId) => {
      const records = structuredClone(own(buildId));
      return { build: disk.builds.get(buildId) ?? null, records, seq: disk.seq.get(buildId) ?? 0 };
    },
    keepBuild: async (build) => void disk.builds.set(build.id, build),
    add: async (buildId, record) => {
      if (!disk.records.has(record.id))
        disk.records.set(record.id, { buildId, record: structuredClone(record), sent: false, refusal: null });
    },
    mark: async (answers) => {
      for (const { id, refusal } of answers) {
        const there = disk.records.get(id);
        if (there) disk.records.set(id, { ...there, sent: refusal === null, refusal });
      }
    },
    retry: async (id) => {
      const there = disk.records.get(id);
      if (there) disk.records.set(id, { ...there, refusal: null });
    },
    learn: async (buildId, records, seq) => {
      for (const record of records)
        disk.records.set(record.id, { buildId, record: structuredClone(record), sent: true, refusal: null });
      disk.seq.set(buildId, Math.max(seq, disk.seq.get(buildId) ?? 0));
    },
    photos: async (buildId) => [...disk.photos.values()].filter((one) => one.buildId === buildId),
    addPhoto: async (photo) => void disk.photos.set(photo.id, photo),
    dropPhoto: async (id) => void disk.photos.delete(id),
    passes: async () => [...disk.passes.values()],
    keepPass: async (pass) => void disk.passes.set(pass.name, pass),
  };
}
export const newDisk = () => ({
  builds: new Map<string, FloorBuild>(),
  records: new Map<string, KeptRecord>(),
  seq: new Map<string, number>(),
  photos: new Map<string, KeptPhoto>(),
  passes: new Map<string, KeptPass>(),
});
export type Disk = ReturnType<typeof newDisk>;
