import { pageContext } from '@/server/page';
import { readSetting } from '@/server/stores/settings';
import { WeightsScreen } from '@/ui/weights/WeightsScreen';

export default async function Page() {
  const context = await pageContext();
  const [rates, prices] = await Promise.all([readSetting(context, 'rates'), readSetting(context, 'prices')]);
  return <WeightsScreen yard={{ rates, prices }} />;
}
