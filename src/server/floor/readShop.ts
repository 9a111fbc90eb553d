import { shopState, type ShopState } from '@/core/shop';
import type { StoreContext } from '../context';
import { listBuilds } from '../stores/builds';
import { readSetting } from '../stores/settings';
import { listYardFacts } from '../stores/yardFacts';

/** The whole shop as it stands, by what is kept of it and of every build. */
export async function readShop(context: StoreContext): Promise<ShopState> {
  const [{ body: shop }, facts, builds] = await Promise.all([
    readSetting(context, 'shop'),
    listYardFacts(context),
    listBuilds(context),
  ]);
  return shopState(shop, facts, builds);
}
