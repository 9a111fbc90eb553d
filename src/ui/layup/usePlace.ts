import { useSearchParams } from 'next/navigation';
import { useCallback, useMemo } from 'react';
import type { Boat, Part } from '@/core/document';
import { useKept } from '../shared/useKept';
import { useLatest } from '../shared/useLatest';
import { useZoneShown } from '../shared/useZoneShown';
import { LEAD_COLUMNS, type CursorMove } from './LayerRow';
import type { Cursor } from './LayerGrid';
import { useSelection } from './useSelection';
import { useZonesShown } from './useZonesShown';

const NO_PART: Pick<Part, 'layers' | 'zones'> = { layers: [], zones: [] };

/** Where one stands in Lay-up: the part and the zone shown, the cursor, and the layers and zones selected. */
export function usePlace(boat: Boat) {
  const shown = useZoneShown(boat);
  const setZoneId = shown.choose;
  // A part without zones is chosen by itself.
  const [emptyId, setEmptyId] = useKept<string | null>('layup.part', null);
  const empty = shown.chosen ? undefined : boat.parts.find(({ id }) => id === emptyId);
  const part = empty ?? shown.part ?? boat.parts[0];
  const { layers, zones } = part ?? NO_PART;
  const zone = zones.find(({ id }) => id === shown.zone?.id) ?? zones[0];
  // A link from another screen may name the layer that it is about.
  const rowAsked = Math.max(0, (Number(useSearchParams().get('layer')) || 1) - 1);
  const zoneAt = zone ? zones.indexOf(zone) : 0;
  const selection = useSelection(useMemo(() => ({ row: rowAsked, column: LEAD_COLUMNS + zoneAt }), [rowAsked, zoneAt]));
  const { cursor, move } = selection;

  const row = Math.min(cursor.row, layers.length - 1);
  const [firstZone, fromStart] = useZonesShown(part, zone);
  const rows = useMemo(
    () => new Set([...selection.rows].filter((at) => at < layers.length)),
    [selection.rows, layers.length],
  );
  const inZones = selection.zones.length > 0;
  const shownAlone = zone ? [zone.id] : [];

  // The rows of the grid render again only when their layer changes, so what they call must not change with every edit.
  const zonesRef = useLatest(zones);
  const moveCursor = useCallback(
    (next: Cursor, how: CursorMove = 'alone') => {
      move(next, how);
      const pointed = zonesRef.current[next.column - LEAD_COLUMNS];
      if (pointed) setZoneId(pointed.id);
    },
    [move, zonesRef, setZoneId],
  );
  return {
    part,
    layers,
    zone,
    firstZone,
    cursor: { row, column: cursor.column },
    layer: layers[row],
    rows,
    wide: selection.wide,
    columns: selection.columns,
    /** The layers chosen, in their order; at least the one of the cursor, unless nothing is laid. */
    ids: layers.flatMap(({ id }, at) => (rows.has(at) ? [id] : [])),
    inZones,
    /** Zones selected, or the one shown where the cursor stands before them. */
    zoneIds: inZones ? selection.zones.flatMap((at) => zones[at]?.id ?? []) : shownAlone,
    moveCursor,
    selectRows: selection.selectRows,
    /** The cursor, or all rows selected, so many rows on. */
    moveRows: (by: number) => {
      const chosen = [...rows].sort((a, b) => a - b);
      if (chosen.length <= 1) move({ row: Math.max(0, row + by), column: cursor.column });
      else if (chosen[0]! + by >= 0) selection.selectRows(chosen[0]! + by, chosen.at(-1)! + by);
    },
    showZone: setZoneId,
    showPart: (id: string) => {
      const first = boat.parts.find((candidate) => candidate.id === id)?.zones[0];
      setEmptyId(first ? null : id);
      fromStart();
      move({ row: 0, column: LEAD_COLUMNS });
      setZoneId(first?.id ?? null);
    },
  };
}
export type Place = ReturnType<typeof usePlace>;
