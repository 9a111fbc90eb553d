import type { Edit } from '@/core/edit';
import type { Boat } from '@/core/document';
import type { HeldByBoat } from '@/core/revision';
import type { StandardPack } from '@/core/standard';
import type { StoreContext } from '../context';
import { holding, readBoats } from './boats';
import { readPack } from './packs';
import { heldBy, takeOver, type TakenOver } from './takeOver';

/** Packs in whose place a copy may stand: itself, and the one it was made from. */
const placesOf = ({ id, basedOn }: StandardPack) => (basedOn === null ? [id] : [id, basedOn]);

/** Edits by which a boat takes a pack as the yard has it: its own copy anew, or in place of what it was made from. */
function taking(boat: Boat, pack: StandardPack): Edit[] {
  const own = boat.packs.find(({ id }) => id === pack.id);
  if (own) return JSON.stringify(own) === JSON.stringify(pack) ? [] : [{ type: 'pack.set', item: pack }];
  const at = boat.packs.findIndex(({ id }) => id === pack.basedOn);
  if (at < 0) return [];
  return [
    { type: 'pack.add', item: pack, index: at },
    { type: 'pack.remove', id: boat.packs[at]!.id },
  ];
}

/**
 * Boats that are built to a pack, or to the one it was made from, and what taking it as it is now would change.
 * @throws KeramosError `notFound`.
 */
export async function listBoatsOfPack(context: StoreContext, packId: string): Promise<HeldByBoat[]> {
  const pack = await readPack(context, packId);
  const boats = await readBoats(context, holding('packs', placesOf(pack)));
  return heldBy(boats, (boat) => {
    const other = boat.packs.find(({ id }) => id === pack.basedOn && !boat.packs.some((own) => own.id === pack.id));
    return { edits: taking(boat, pack), held: other ? `built to ${other.title}` : 'built to it' };
  });
}

/** Let boats take a pack as the yard has it. @throws KeramosError `notFound`. */
export async function takeOverPack(
  context: StoreContext,
  packId: string,
  boats: readonly { boatId: string; version: number }[],
): Promise<TakenOver[]> {
  const pack = await readPack(context, packId);
  return takeOver(context, boats, {
    label: `took ${pack.title} as the yard has it`,
    editsOf: (boat) => taking(boat, pack),
  });
}
