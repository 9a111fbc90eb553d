import { listPacks } from '@/server/stores/packs';
import { listShelf } from '@/server/stores/shelf';
import { BriefScreen } from '@/ui/brief/BriefScreen';
import { pageContext } from '@/server/page';

export default async function Page() {
  const context = await pageContext();
  const [shelf, packs] = await Promise.all([listShelf(context), listPacks(context)]);
  return (
    <BriefScreen shelf={shelf.map((item) => item.material).filter(({ kind }) => kind === 'resin')} packs={packs} />
  );
}
