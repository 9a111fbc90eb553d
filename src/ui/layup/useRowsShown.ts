import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useMemo, type RefObject } from 'react';
import type { LayerGroup, Part } from '@/core/document';

/** Layers of which every one is drawn; of more only those in sight and a few round them. */
const ALL_UP_TO = 40;
const OVERSCAN = 6;
/** Heights as the style sheet has them, with their line (px). */
const ROW = 24;
const HEAD = 34;

/** What of the rows is drawn: from and up to, and the heights of what stands before and after. */
export interface RowsShown {
  from: number;
  to: number;
  before: number;
  after: number;
  /** Every row is drawn. */
  all: boolean;
  /** Bring a row that is not drawn into sight. */
  bringRow: (row: number) => void;
}

/** The rows of the grid that are in sight; a line over a group counts to the row under it. */
export function useRowsShown(
  part: Part,
  groups: ReadonlyMap<string, LayerGroup>,
  scroll: RefObject<HTMLElement | null>,
): RowsShown {
  const { layers } = part;
  const many = layers.length > ALL_UP_TO;
  const opens = useMemo(
    () => layers.map(({ group }, i) => group !== null && groups.has(group) && layers[i - 1]?.group !== group),
    [layers, groups],
  );
  const rows = useVirtualizer({
    count: many ? layers.length : 0,
    getScrollElement: () => scroll.current,
    estimateSize: (index) => (opens[index] ? 2 * ROW : ROW),
    overscan: OVERSCAN,
    paddingStart: HEAD,
    // Until the page stands: as the server draws it.
    initialRect: { width: 900, height: 700 },
  });
  const bringRow = useCallback((row: number) => rows.scrollToIndex(row, { align: 'center' }), [rows]);
  const shown = rows.getVirtualItems();
  const [first, last] = [shown[0], shown.at(-1)];
  if (!many || !first || !last) return { from: 0, to: layers.length, before: 0, after: 0, all: true, bringRow };
  return {
    from: first.index,
    to: Math.min(layers.length, last.index + 1),
    before: first.start - HEAD,
    after: Math.max(0, rows.getTotalSize() - last.end),
    all: false,
    bringRow,
  };
}
