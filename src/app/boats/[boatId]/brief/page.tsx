import { database } from '@/server/database/open';
import { listShelf } from '@/server/stores/shelf';
import { BriefScreen } from '@/ui/brief/BriefScreen';

export default async function Page() {
  return <BriefScreen shelf={(await listShelf(await database())).map((item) => item.material).filter(({ kind }) => kind === 'resin')} />;
}
