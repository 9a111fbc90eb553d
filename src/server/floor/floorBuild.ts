import type { DatedLot, LessonTold } from '@/core/build';
import type { Shop } from '@/core/shop';
import type { StoreContext } from '../context';
import { listLessons } from '../stores/buildRecords';
import { readBuild, type StoredBuild } from '../stores/builds';
import { readSetting } from '../stores/settings';
import { listDatedLots } from '../stores/stock';

/**
 * A build with what the floor must know beside its plan: what was learned anywhere, who may do which work, and which
 * lots of the store have a day.
 */
export interface BuildForFloor extends StoredBuild {
  lessons: LessonTold[];
  work: Shop['work'];
  dated: DatedLot[];
}

/** @throws KeramosError `notFound`. */
export async function buildForFloor(context: StoreContext, id: string): Promise<BuildForFloor> {
  const build = await readBuild(context, id);
  const [lessons, shop, dated] = await Promise.all([
    listLessons(context),
    readSetting(context, 'shop'),
    listDatedLots(context),
  ]);
  return { ...build, lessons, work: shop.body.work, dated };
}
