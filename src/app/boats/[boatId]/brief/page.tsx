import { database } from '@/server/database/open';
import { listPacks } from '@/server/stores/packs';
import { listShelf } from '@/server/stores/shelf';
import { BriefScreen } from '@/ui/brief/BriefScreen';

export default async function Page() {
  const db = await database();
  const [shelf, packs] = await Promise.all([listShelf(db), listPacks(db)]);
  return (
    <BriefScreen shelf={shelf.map((item) => item.material).filter(({ kind }) => kind === 'resin')} packs={packs} />
  );
}
