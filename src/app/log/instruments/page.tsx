import type { Metadata } from 'next';
import { readInstruments } from '@/server/instruments/readInstruments';
import { pageContext } from '@/server/page';
import { InstrumentsScreen } from '@/ui/log/InstrumentsScreen';

export const metadata: Metadata = { title: 'Instruments' };

export default async function Page() {
  const context = await pageContext();
  return <InstrumentsScreen initial={await readInstruments(context)} today={context.now().slice(0, 10)} />;
}
