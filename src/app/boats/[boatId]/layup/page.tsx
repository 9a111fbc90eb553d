import { isLayerMaterial } from '@/core/material';
import { listShelf } from '@/server/stores/shelf';
import { LayupScreen } from '@/ui/layup/LayupScreen';
import { pageContext } from '@/server/page';

export default async function Page() {
  return (
    <LayupScreen
      shelf={(await listShelf(await pageContext()))
        .map((item) => item.material)
        .filter((material) => material.kind === 'fibre' || isLayerMaterial(material))}
    />
  );
}
