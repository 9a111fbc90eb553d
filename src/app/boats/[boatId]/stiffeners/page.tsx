import { database } from '@/server/database/open';
import { listShelf } from '@/server/stores/shelf';
import { StiffenersScreen } from '@/ui/stiffeners/StiffenersScreen';

export default async function Page() {
  return (
    <StiffenersScreen
      shelf={(await listShelf(await database()))
        .map((item) => item.material)
        .filter(({ kind }) => kind === 'fabric' || kind === 'core' || kind === 'fibre')}
    />
  );
}
