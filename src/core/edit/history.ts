import type { Edit } from './editSchema';

/** One saved action. An undo or redo is an action too: history only grows. */
export interface HistoryEntry {
  action: 'do' | 'undo' | 'redo';
  description: string;
  /** Who did it; empty where nobody said, absent on a page that has not saved it yet. */
  author?: string;
  forward: Edit[];
  inverse: Edit[];
}

/** What can be taken back, and what can be done again; the last of each comes first. */
export interface HistoryStacks {
  undo: HistoryEntry[];
  redo: HistoryEntry[];
}

export const EMPTY_HISTORY: HistoryStacks = { undo: [], redo: [] };

/** The stacks after one more action. `entry.forward` is what was applied, `entry.inverse` what takes it back. */
export function pushHistory({ undo, redo }: HistoryStacks, entry: HistoryEntry): HistoryStacks {
  switch (entry.action) {
    case 'do':
      return { undo: [...undo, entry], redo: [] };
    case 'undo':
      return { undo: undo.slice(0, -1), redo: [...redo, entry] };
    case 'redo':
      return { undo: [...undo, entry], redo: redo.slice(0, -1) };
  }
}
