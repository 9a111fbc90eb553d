import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { invalid, KeramosError } from '@/core/error';
import { idSchema } from '@/core/field';
import { allow, type StoreContext } from '../context';
import { dataFolder } from '../database/open';
import { readBuild } from '../stores/builds';

/** Photographs of a build, kept beside the database under the id that the device gave. */
export const photoFolder = (folder = dataFolder()) => path.join(folder, 'photos');
export const PHOTO_LIMIT = 4 * 1024 * 1024;

/** What a picture is, by its first bytes; null for anything else. */
function kindOf(bytes: Uint8Array): 'image/jpeg' | 'image/png' | 'image/webp' | null {
  const starts = (...first: number[]) => first.every((byte, i) => bytes[i] === byte);
  if (starts(0xff, 0xd8, 0xff)) return 'image/jpeg';
  if (starts(0x89, 0x50, 0x4e, 0x47)) return 'image/png';
  if (starts(0x52, 0x49, 0x46, 0x46) && Buffer.from(bytes.subarray(8, 12)).toString() === 'WEBP') return 'image/webp';
  return null;
}

async function fileOf(context: StoreContext, buildId: string, photoId: string): Promise<string> {
  const { id } = await readBuild(context, buildId);
  if (!idSchema.safeParse(photoId).success || !/^[\w-]{1,60}$/.test(id))
    throw new KeramosError('notFound', 'There is no such photograph', 'photo');
  return path.join(/* turbopackIgnore: true */ photoFolder(), id, photoId);
}

/** Keep a photograph; the same again is kept once. @throws KeramosError `invalid`, `conflict`, `forbidden`. */
export async function keepPhoto(
  context: StoreContext,
  { buildId, photoId, bytes }: { buildId: string; photoId: string; bytes: Uint8Array },
): Promise<void> {
  allow(context, 'record');
  const file = await fileOf(context, buildId, photoId);
  if (kindOf(bytes) === null) throw invalid('photo', 'The photograph is no JPEG, PNG or WebP');
  if (existsSync(/* turbopackIgnore: true */ file)) {
    if (readFileSync(/* turbopackIgnore: true */ file).equals(bytes)) return;
    throw new KeramosError('conflict', 'Another photograph has this id', 'photo');
  }
  mkdirSync(/* turbopackIgnore: true */ path.dirname(file), { recursive: true });
  writeFileSync(`${file}.part`, bytes);
  renameSync(`${file}.part`, file);
}

/** A photograph with what it is. @throws KeramosError `notFound`. */
export async function readPhoto(context: StoreContext, buildId: string, photoId: string) {
  const file = await fileOf(context, buildId, photoId);
  if (!existsSync(/* turbopackIgnore: true */ file))
    throw new KeramosError('notFound', 'This photograph has not arrived yet, or was never taken', 'photo');
  const bytes = new Uint8Array(readFileSync(/* turbopackIgnore: true */ file));
  return { bytes, type: kindOf(bytes)! };
}
