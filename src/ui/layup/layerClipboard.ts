import { nanoid } from 'nanoid';
import type { ClipboardEvent } from 'react';
import { KeramosError } from '@/core/error';
import type { Material } from '@/core/material';
import { fetchMaterials, layersFromText, layersToText, type Edit } from '@/core/edit';
import type { Boat, Part } from '@/core/document';

const LONGEST_PASTE = 400_000;

/** Copy, cut and paste of layers as the rows of a plain table, which a spreadsheet reads and writes as well. */
export function layerClipboard({
  boat,
  part,
  ids,
  row,
  zoneIds,
  materials,
  act,
  say,
  onPasted,
}: {
  boat: Boat;
  part: Part;
  /** The layers chosen, in their order. */
  ids: readonly string[];
  row: number;
  zoneIds: readonly string[];
  materials: readonly Material[];
  act: (label: string | null, ...edits: Edit[]) => string | undefined;
  say: (text: string | undefined) => void;
  /** With the first and the last row of what came in. */
  onPasted: (from: number, to: number) => void;
}) {
  const counted = (count: number) => `${count} ${count === 1 ? 'layer' : 'layers'}`;
  const remove = () =>
    say(
      act(
        `cut ${counted(ids.length)} of ${part.name}`,
        ...ids.map((layerId): Edit => ({ type: 'layer.remove', layerId })),
      ),
    );
  const copy = (event: ClipboardEvent): boolean => {
    if (ids.length === 0) return false;
    event.clipboardData.setData('text/plain', layersToText(boat, part, ids));
    event.preventDefault();
    return true;
  };
  return {
    copy,
    cut: (event: ClipboardEvent) => void (copy(event) && remove()),
    /** Asked for by name, where the browser has no event of its own. */
    cutByCommand: () =>
      void navigator.clipboard
        .writeText(layersToText(boat, part, ids))
        .then(remove, () => say('The browser did not allow it: press Ctrl+X in the grid instead.')),
    paste: (event: ClipboardEvent) => {
      event.preventDefault();
      try {
        const text = event.clipboardData.getData('text/plain');
        if (text.length > LONGEST_PASTE)
          throw new KeramosError(
            'invalid',
            `What you paste is ${Math.round(text.length / 1e6)} MB long: paste the rows of the layers alone`,
          );
        const read = layersFromText(text, { materials, part, zones: zoneIds }, () => nanoid(8));
        const said = act(
          `pasted ${counted(read.layers.length)} into ${part.name}`,
          ...fetchMaterials(
            boat,
            materials,
            read.layers.map(({ material }) => material),
          ),
          ...read.layers.map(({ layer }, i): Edit => ({
            type: 'layer.add',
            partId: part.id,
            layer,
            index: row + 1 + i,
          })),
        );
        const refused =
          read.refused.slice(0, 4).join('; ') +
          (read.refused.length > 4 ? `; and ${read.refused.length - 4} more` : '');
        say(said ?? (refused ? `Pasted, but for this: ${refused}` : undefined));
        if (!said) onPasted(row + 1, row + read.layers.length);
      } catch (error) {
        if (!(error instanceof KeramosError)) throw error;
        say(error.text);
      }
    },
  };
}
