import { isLayerMaterial } from '@/core/material';
import { listShelf } from '@/server/stores/shelf';
import { OptionsScreen } from '@/ui/options/OptionsScreen';
import { storeContext } from '@/server/http';

export default async function Page() {
  return (
    <OptionsScreen
      shelf={(await listShelf(await storeContext()))
        .map((item) => item.material)
        .filter((material) => material.kind === 'fibre' || isLayerMaterial(material))}
    />
  );
}
