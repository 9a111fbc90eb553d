import { nanoid } from 'nanoid';
import type { LayerMaterial, Material } from '@/core/material';
import { chooseMaterial, fetchMaterials, usualRole, usualThickness, type Edit } from '@/core/edit';
import { newLayer, type Boat, type Part } from '@/core/document';
import { targetOf } from '@/core/evaluate';
import { nextStep, type LayerMove, type MovesInput, type NextStep } from '@/core/option';
import { onceAside } from '../shared/useProofs';
import type { Cursor } from './LayerGrid';
import type { Place } from './usePlace';

/** Until some layer ends within a part, a new one runs through it as those before do. */
const runsThrough = ({ layers, zones }: Part) => layers.every((layer) => layer.zones.length === zones.length);

/** A material for the layers chosen, or as a layer more after the cursor. @returns where the cursor goes then. */
export function layMaterial(
  at: { boat: Boat; part: Part; materials: readonly Material[]; place: Place },
  material: LayerMaterial,
  how: 'replace' | 'add',
): { edits: Edit[]; cursor: Cursor | null } {
  const { boat, part, place } = at;
  const fetched = fetchMaterials(boat, at.materials, [material]);
  if (how === 'replace' && place.layer)
    return { edits: [...fetched, ...chooseMaterial(boat, part, place.ids, material)], cursor: null };
  const covers = place.zoneIds.length <= 1 && runsThrough(part) ? part.zones.map(({ id }) => id) : place.zoneIds;
  const layer = newLayer({
    id: nanoid(8),
    material: material.id,
    thickness: usualThickness(material),
    role: usualRole(material),
    group: place.layer?.group ?? null,
    zones: part.zones.map(({ id }) => id).filter((id) => covers.includes(id)),
  });
  const row = place.cursor.row + 1;
  return {
    edits: [...fetched, { type: 'layer.add', partId: part.id, layer, index: row }],
    cursor: { row, column: place.cursor.column },
  };
}

const NONE_FOUND: Record<NextStep, string> = {
  lightest: 'No single change is lighter and leaves every margin of the boat that it moves at the target.',
  strongest: 'No single change makes this zone stronger without harm elsewhere.',
  perKilogram: 'No single change makes this zone stronger without harm elsewhere.',
};

/** Look aside from the page for the next step in a zone, and put it on trial. */
export async function nextStepOf(
  which: NextStep,
  input: MovesInput,
  { say, propose }: { say: (text: string) => void; propose: (title: string, edits: Edit[]) => void },
): Promise<void> {
  const moves = (await onceAside((remote) => remote.moves(input))) ?? [];
  const found = nextStep(which, moves as LayerMove[], {
    now: input.evaluations.get(input.zone.id)?.governing?.reserveFactor ?? 0,
    target: targetOf(input.boat),
  });
  if (found) propose(found.title, found.edits);
  else say(NONE_FOUND[which]);
}
