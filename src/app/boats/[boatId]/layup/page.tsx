import { listShelf } from '@/server/stores/shelf';
import { LayupScreen } from '@/ui/layup/LayupScreen';
import { storeContext } from '@/server/http';

export default async function Page() {
  return (
    <LayupScreen
      shelf={(await listShelf(await storeContext()))
        .map((item) => item.material)
        .filter(({ kind }) => kind === 'fabric' || kind === 'fibre' || kind === 'core' || kind === 'coating')}
    />
  );
}
