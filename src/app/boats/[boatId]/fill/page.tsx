import { pageContext } from '@/server/page';
import { readSetting } from '@/server/stores/settings';
import { FillScreen } from '@/ui/fill/FillScreen';

export default async function Page() {
  const context = await pageContext();
  const [filling, curing, mixing] = await Promise.all([
    readSetting(context, 'filling'),
    readSetting(context, 'curing'),
    readSetting(context, 'mixing'),
  ]);
  return <FillScreen settings={{ filling, curing, mixing }} />;
}
