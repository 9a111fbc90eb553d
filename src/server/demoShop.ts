import { USUAL_SHOP, type Shop } from '@/core/shop';
import type { StoreContext } from './context';
import { keepSetting, readSetting } from './stores/settings';
import { keepYardFact } from './stores/yardFacts';

const mould = (name: string, own: Partial<Shop['moulds'][number]> = {}) => ({
  name,
  pullsBefore: 0,
  serviceEvery: 12,
  places: 6,
  note: '',
  ...own,
});

/** The shop of the made-up yard. */
const SHOP: Shop = {
  ...USUAL_SHOP,
  moulds: [
    mould('M1', { pullsBefore: 11, note: 'hull of the 84' }),
    mould('M2', { pullsBefore: 4, note: 'deck of the 84' }),
    mould('B1', { pullsBefore: 2, places: 2, note: 'hull of the 56: two people, no more, forward of the mast' }),
    mould('B2', { pullsBefore: 2, note: 'deck of the 56' }),
  ],
  work: [{ kind: 'fill', people: 'T. Reed, M. Aske' }],
  people: [
    { name: 'T. Reed', hours: 36 },
    { name: 'M. Aske', hours: 20 },
    { name: 'S. Oake', hours: 36 },
  ],
};

const tool = (on: string, what: string) => ({
  kind: 'tool',
  body: { tool: 'Fabric shears, bench 1', what, on, note: '' },
});
const counted = (consumable: string, amount: number) => ({
  kind: 'counted',
  body: { consumable, amount, on: '2026-11-06', note: '' },
});
const FACTS = [
  {
    kind: 'mould',
    body: { mould: 'M1', what: 'stripped', count: 1, on: '2026-11-06', note: 'wax built up at the chine' },
  },
  { kind: 'mould', body: { mould: 'M1', what: 'repaired', count: 1, on: '2026-11-07', note: 'chip at the stem' } },
  tool('2026-02-02', 'begun'),
  tool('2026-05-29', 'ended'),
  tool('2026-06-01', 'begun'),
  tool('2026-08-14', 'mended'),
  counted('Rollers', 60),
  counted('Nitrile gloves', 400),
  counted('Mixing buckets', 45),
];

/** Moulds, hands, tools and counts of the demo; a shop that somebody has set is left as it is. */
export async function seedDemoShop(context: StoreContext): Promise<void> {
  const own = { ...context, actor: 'M. Aske' };
  const { version } = await readSetting(own, 'shop');
  if (version > 0) return;
  await keepSetting(own, 'shop', { body: SHOP, version });
  for (const [i, fact] of FACTS.entries())
    await keepYardFact(own, { id: `demo-shop-${i + 1}`, corrects: null, void: false, ...fact });
}
