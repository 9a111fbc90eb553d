import { readFileSync } from 'node:fs';
import path from 'node:path';
import { boatFromJson } from '@/core/document';
import { rectangle } from '@/core/kit';
import type { StoreContext } from './context';
import { createBoat, hasBoats } from './stores/boats';
import { bookStock } from './stores/stock';
import { keepWeighIn } from './stores/weighIns';

const DEMO_BOATS = { 'merrow-84': 'data/demo/merrow-84.json', 'brant-56': 'data/demo/brant-56.json' };

/** Two mouldings of the first hull on the yard's load cells: the hull a little heavy, the deck not yet laid. */
const DEMO_WEIGH_INS = [
  {
    id: 'demo-hull',
    subject: 'hull',
    mass: 369,
    scales: 0.5,
    day: '2026-10-12',
    note: 'off the mould, untrimmed edge',
  },
  { id: 'demo-liner', subject: 'liner', mass: 35.8, scales: 0.2, day: '2026-10-30', note: '' },
].map((one) => ({ hull: '1', stage: 'bare', corrects: null, void: false, ...one }));

/** Two rolls of the hull's cloth, neither long enough for it, and three offcuts of the last boat. */
const DEMO_LOTS = [
  { id: 'demo-roll-1', kind: 'roll', lot: 'B4471', place: 'Rack 2', width: 1.27, outline: null, left: 26 },
  { id: 'demo-roll-2', kind: 'roll', lot: 'B4502', place: 'Rack 2', width: 1.27, outline: null, left: 14.5 },
  { id: 'demo-offcut-1', kind: 'offcut', lot: 'from B4398', place: 'Bin 4', outline: rectangle(0.62, 2.4), left: 1 },
  { id: 'demo-offcut-2', kind: 'offcut', lot: 'from B4398', place: 'Bin 4', outline: rectangle(0.9, 1.6), left: 1 },
  {
    id: 'demo-offcut-3',
    kind: 'offcut',
    lot: 'from B4471',
    place: 'Bin 5',
    outline: [
      [0, 0],
      [1.1, 0],
      [1.1, 0.9],
      [0.5, 1.9],
      [0, 1.9],
    ],
    left: 1,
  },
];

/** Put the demo boats into an empty database; a database with any boat in it is left as it is. */
export async function seedDemo(context: StoreContext): Promise<boolean> {
  if (await hasBoats(context)) return false;
  for (const [id, file] of Object.entries(DEMO_BOATS))
    await createBoat(
      context,
      boatFromJson(readFileSync(path.join(/* turbopackIgnore: true */ process.cwd(), file), 'utf8')),
      { id },
    );
  for (const weighIn of DEMO_WEIGH_INS) await keepWeighIn({ ...context, actor: 'I. Hallin' }, 'merrow-84', weighIn);
  await bookStock(
    { ...context, actor: 'I. Hallin' },
    {
      lots: DEMO_LOTS.map(({ left: _left, ...lot }) => ({
        width: null,
        length: null,
        price: null,
        expires: null,
        material: 'bx45-600',
        ...lot,
      })),
      moves: DEMO_LOTS.map(({ id, left }) => ({ id: `${id}-in`, lotId: id, amount: left, reason: 'counted' })),
    },
  );
  return true;
}
