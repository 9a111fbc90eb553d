import { listShelf } from '@/server/stores/shelf';
import { StiffenersScreen } from '@/ui/stiffeners/StiffenersScreen';
import { storeContext } from '@/server/http';

export default async function Page() {
  return (
    <StiffenersScreen
      shelf={(await listShelf(await storeContext()))
        .map((item) => item.material)
        .filter(({ kind }) => kind === 'fabric' || kind === 'core' || kind === 'fibre')}
    />
  );
}
