import type { InstrumentsNow } from '@/core/instrument';
import { standingFacts, type KeptYardFact } from '@/core/shop';
import type { StoreContext } from '../context';
import { listYardFacts } from '../stores/yardFacts';
import { hub } from './hub';

type Calibration = Extract<KeptYardFact, { kind: 'calibration' }>;

/** What instruments say now, with until when each is calibrated. */
export async function readInstruments(context: StoreContext): Promise<InstrumentsNow> {
  const facts = standingFacts(await listYardFacts(context, ['calibration'])) as Calibration[];
  const due = new Map(facts.map(({ body }) => [body.instrument, body.due]));
  const { listening, trouble, unknown } = hub();
  const today = context.now().slice(0, 10);
  return {
    listening,
    trouble,
    unknown,
    channels: hub()
      .standing()
      .map((channel) => {
        const until = due.get(channel.id) ?? null;
        return { ...channel, due: until, isOverdue: until !== null && until < today };
      }),
  };
}
