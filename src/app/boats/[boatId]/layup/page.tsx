import { database } from '@/server/database/open';
import { listShelf } from '@/server/stores/shelf';
import { LayupScreen } from '@/ui/layup/LayupScreen';

export default async function Page() {
  return (
    <LayupScreen
      shelf={(await listShelf(await database()))
        .map((item) => item.material)
        .filter(({ kind }) => kind === 'fabric' || kind === 'fibre' || kind === 'core' || kind === 'coating')}
    />
  );
}
