import { readFileSync } from 'node:fs';
import path from 'node:path';
import { boatFromJson } from '@/core/document';
import type { StoreContext } from './context';
import { createBoat, hasBoats } from './stores/boats';
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
  return true;
}
