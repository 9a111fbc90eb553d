import { listShelf } from '@/server/stores/shelf';
import { StiffenersScreen } from '@/ui/stiffeners/StiffenersScreen';
import { pageContext } from '@/server/page';

export default async function Page() {
  return (
    <StiffenersScreen
      shelf={(await listShelf(await pageContext()))
        .map((item) => item.material)
        .filter(({ kind }) => kind === 'fabric' || kind === 'core' || kind === 'fibre')}
    />
  );
}
