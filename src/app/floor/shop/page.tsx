import type { Metadata } from 'next';
import { readShop } from '@/server/floor/readShop';
import { pageContext } from '@/server/page';
import { readSetting } from '@/server/stores/settings';
import { ShopScreen } from '@/ui/floor/ShopScreen';

export const metadata: Metadata = { title: 'Moulds and shop' };

export default async function Page() {
  const context = await pageContext();
  const [state, shop] = await Promise.all([readShop(context), readSetting(context, 'shop')]);
  return <ShopScreen initial={state} shop={shop} today={context.now().slice(0, 10)} />;
}
