import type { NextStep } from '@/core/option';
import { hasDirection, type LayerMaterial } from '@/core/material';
import { usesOf, type Edit } from '@/core/edit';
import type { Boat, Reference, Layer, LayerGroup, Part } from '@/core/document';
import { KeramosError } from '@/core/error';
import type { Question } from '../AskBar';

export interface CommandContext {
  boat: Boat;
  part: Part;
  /** Rows in laying order; at least the one of the cursor, unless nothing is laid. */
  ids: readonly string[];
  /** Zones selected, or the one shown when the cursor stands before them. */
  zoneIds: readonly string[];
  inZones: boolean;
  act: (label: string | null, ...edits: Edit[]) => string | undefined;
  say: (text: string | undefined) => void;
  ask: (question: Question) => void;
  moveRow: (by: number) => void;
  pick: (how: 'replace' | 'add') => void;
  view: (to: 'grid' | 'section' | 'book') => void;
  selectRows: (from: number, to: number) => void;
  step: (which: NextStep) => void;
  tryFirst: boolean;
  setTryFirst: (on: boolean) => void;
  trial: boolean;
  keep: () => void;
  drop: () => void;
  palette: () => void;
  cut: () => void;
  partSettings: () => void;
  swap: () => void;
  showPart: (id: string) => void;
}

/** What is selected, as the commands ask for it, and how they act. */
export interface CommandTools extends CommandContext {
  chosen: readonly Layer[];
  /** Why nothing can be done to the selection, or false. */
  none: string | false;
  /** Why nothing of it can be turned, or false. */
  noTurn: string | false;
  group: LayerGroup | undefined;
  noGroup: string | false;
  /** The laminate that the group follows, and why nothing can be taken from or into it. */
  laminate: Reference | undefined;
  noDifference: string | false;
  /** Do what may refuse while it is put together as well as when it is applied. */
  run: (label: string | null, make: () => Edit[]) => void;
  /** Words of an action, with the part it was done in. */
  label: (what: string) => string;
}

/** `of` when it refuses gives its words. */
export function refusalOf<T>(of: () => T): T | string {
  try {
    return of();
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return error.text;
  }
}

export const laid = (count: number) => `${count} ${count === 1 ? 'layer' : 'layers'}`;

export function toolsOf(c: CommandContext): CommandTools {
  const { boat, part, ids } = c;
  const chosen = part.layers.filter(({ id }) => ids.includes(id));
  const none = chosen.length === 0 && 'nothing is laid yet';
  const materialOf = (id: string) => boat.materials.find((material) => material.id === id) as LayerMaterial;
  const turns = chosen.some((layer) => hasDirection(materialOf(layer.material)));
  const group = part.groups.find(({ id }) => id === chosen[0]?.group);
  const laminate = boat.references.find(({ id }) => id === group?.laminate);
  const differs =
    laminate !== undefined && usesOf(boat, laminate).some((use) => use.groupId === group!.id && use.differs);
  return {
    ...c,
    chosen,
    none,
    noTurn: none || (!turns && 'it has no direction'),
    group,
    noGroup: !group && 'it is in no group',
    laminate,
    noDifference: (!laminate && 'it follows no laminate') || (!differs && 'it does not differ'),
    run: (label, make) => {
      const edits = refusalOf(make);
      if (typeof edits === 'string') c.say(edits);
      else c.say(edits.length === 0 ? 'That changes nothing here.' : c.act(label, ...edits));
    },
    label: (what) => `${what} in ${part.name}`,
  };
}
