import { readFileSync } from 'node:fs';
import path from 'node:path';
import { boatFromJson } from '@/core/document';
import type { StoreContext } from './context';
import { createBoat, hasBoats } from './stores/boats';

const DEMO_BOATS = { 'merrow-84': 'data/demo/merrow-84.json', 'brant-56': 'data/demo/brant-56.json' };

/** Put the demo boats into an empty database; a database with any boat in it is left as it is. */
export async function seedDemo(context: StoreContext): Promise<boolean> {
  if (await hasBoats(context)) return false;
  for (const [id, file] of Object.entries(DEMO_BOATS))
    await createBoat(
      context,
      boatFromJson(readFileSync(path.join(/* turbopackIgnore: true */ process.cwd(), file), 'utf8')),
      { id },
    );
  return true;
}
