import { useCallback, useRef, type KeyboardEvent } from 'react';
import { hasDirection, type LayerMaterial } from '@/core/material';
import type { Edit } from '@/core/edit';
import type { Boat, Part } from '@/core/document';
import { useLatest } from '../shared/useLatest';
import type { Command } from './commands';
import { meaningOf } from './gridKey';
import type { LayerBarHandle } from './LayerBar';
import { LEAD_COLUMNS } from './LayerRow';
import type { Place } from './usePlace';

/** A dialog that is asked for, with what was typed for it so far. */
export type Asked = { for: 'material'; how: 'replace' | 'add'; seed: string } | { for: 'command'; seed: string };

export interface GridKeysInput {
  boat: Boat;
  part: Part;
  place: Place;
  commands: readonly Command[];
  asked: Asked | null;
  setAsked: (asked: Asked) => void;
  act: (label: string | null, ...edits: Edit[]) => string | undefined;
  say: (text: string | undefined) => void;
}

/** Whether a layer has an angle or a thickness of its own; null where there is no layer. */
function takesFigures(boat: Boat, { layer }: Place): boolean | null {
  if (!layer) return null;
  const material = boat.materials.find(({ id }) => id === layer.material) as LayerMaterial;
  return hasDirection(material) || layer.thickness !== null;
}

/** What keys and clicks in the grid do. */
export function useGridKeys(input: GridKeysInput) {
  const bar = useRef<LayerBarHandle>(null);
  const now = useLatest(input);
  /** Choose a material, enter a figure, cover or uncover, whatever is meant there. */
  const open = useCallback(
    (row: number, column: number) => {
      const { part, act, say, setAsked } = now.current;
      const layer = part.layers[row];
      if (!layer) return;
      if (column === 0) return setAsked({ for: 'material', how: 'replace', seed: '' });
      if (column === 1) return bar.current?.enter('');
      const zoneId = part.zones[column - LEAD_COLUMNS]!.id;
      say(act(null, { type: 'layer.cover', layerId: layer.id, zoneId, covered: !layer.zones.includes(zoneId) }));
    },
    [now],
  );
  /** @returns whether the key was used. */
  const press = (event: KeyboardEvent): boolean => {
    const { boat, place, commands, asked, setAsked, say } = input;
    // Asked for, but not on the screen yet: what is typed meanwhile is meant for it.
    if (asked) {
      const types = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
      if (types) setAsked({ ...asked, seed: asked.seed + event.key });
      return true;
    }
    const meaning = meaningOf(event, place.cursor.column, takesFigures(boat, place), commands);
    if (meaning === null) return false;
    if (meaning.does === 'spell') setAsked({ for: 'material', how: 'replace', seed: meaning.seed });
    else if (meaning.does === 'enter') bar.current?.enter(meaning.seed);
    else if (meaning.does === 'open') open(place.cursor.row, place.cursor.column);
    else if (meaning.command.off) say(`${meaning.command.title}: ${meaning.command.off}.`);
    else {
      say(undefined);
      meaning.command.run();
    }
    return true;
  };
  return { bar, open, press };
}
export type GridKeys = ReturnType<typeof useGridKeys>;
