import type { LessonTold } from '@/core/build';
import type { Shop } from '@/core/shop';
import type { StoreContext } from '../context';
import { listLessons } from '../stores/buildRecords';
import { readBuild, type StoredBuild } from '../stores/builds';
import { readSetting } from '../stores/settings';

/** A build with what the floor must know beside its plan: what was learned anywhere, and who may do which work. */
export interface BuildForFloor extends StoredBuild {
  lessons: LessonTold[];
  work: Shop['work'];
}

/** @throws KeramosError `notFound`. */
export async function buildForFloor(context: StoreContext, id: string): Promise<BuildForFloor> {
  const build = await readBuild(context, id);
  const [lessons, shop] = await Promise.all([listLessons(context), readSetting(context, 'shop')]);
  return { ...build, lessons, work: shop.body.work };
}
