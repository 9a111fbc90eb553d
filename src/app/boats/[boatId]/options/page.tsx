import { isLayerMaterial } from '@/core/material';
import { listHabits } from '@/server/stores/habits';
import { listShelf } from '@/server/stores/shelf';
import { OptionsScreen } from '@/ui/options/OptionsScreen';
import { pageContext } from '@/server/page';

export default async function Page() {
  const context = await pageContext();
  const shelf = (await listShelf(context))
    .map(({ material }) => material)
    .filter((material) => material.kind === 'fibre' || material.kind === 'resin' || isLayerMaterial(material));
  return <OptionsScreen shelf={shelf} habits={await listHabits(context)} />;
}
