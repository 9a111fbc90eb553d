import { pageContext } from '@/server/page';
import { readSetting } from '@/server/stores/settings';
import { KitScreen } from '@/ui/kit/KitScreen';

export default async function Page() {
  const context = await pageContext();
  const [cutting, mixing, filling] = await Promise.all([
    readSetting(context, 'cutting'),
    readSetting(context, 'mixing'),
    readSetting(context, 'filling'),
  ]);
  return <KitScreen settings={{ cutting, mixing, filling: filling.body }} />;
}
