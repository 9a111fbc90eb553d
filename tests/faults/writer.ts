/** Edits one boat for ever and says each version that the database acknowledged; the test kills it at some moment. */
import { openDatabase } from '@/server/database/open';
import { contextOf } from '@/server/context';
import { editBoat, readBoat } from '@/server/stores/boats';

const [file, id] = process.argv.slice(2) as [string, string];
const db = await openDatabase(file);
let { version } = await readBoat(contextOf(db), id);
process.stdout.write('ready\n');
const parent = process.ppid;
for (let turn = 0; ; turn++) {
  // The test that would have killed it is gone.
  if (process.ppid !== parent) process.exit(1);
  const { boat } = await readBoat(contextOf(db), id);
  const layer = boat.parts[0]!.layers[3]!;
  const removed = { type: 'layer.remove' as const, layerId: layer.id };
  const added = {
    type: 'layer.add' as const,
    partId: boat.parts[0]!.id,
    layer: { ...layer, angleDeg: turn % 90 },
    index: 3,
  };
  const target = { type: 'brief.set' as const, patch: { weightTarget: 400 + (version % 100) } };
  ({ version } = await editBoat(contextOf(db), id, version, [
    { clientId: `${process.pid}-${turn}`, action: 'do', edits: [removed, added, target] },
  ]));
  process.stdout.write(`${version}\n`);
}
