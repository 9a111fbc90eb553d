import { useSearchParams } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import type { Boat, Part } from '@/core/document';
import { useLatest } from '../shared/useLatest';
import { LEAD_COLUMNS, type CursorMove } from './LayerRow';
import type { Cursor } from './LayerGrid';
import { useSelection } from './useSelection';
import { useZonesShown } from './useZonesShown';

const NO_PART: Pick<Part, 'layers' | 'zones'> = { layers: [], zones: [] };

/** A link from another screen may name the zone and the layer it is about. */
function useAsked(boat: Boat) {
  const asked = useSearchParams();
  const zoneAsked = asked.get('zone');
  const part = boat.parts.find(({ zones }) => zones.some(({ id }) => id === zoneAsked)) ?? boat.parts[0];
  const zoneAt = Math.max(0, part?.zones.findIndex(({ id }) => id === zoneAsked) ?? 0);
  return { part, zoneAt, row: Math.max(0, (Number(asked.get('layer')) || 1) - 1) };
}

/** Where one stands in Lay-up: the part and the zone shown, the cursor, and the layers and zones selected. */
export function usePlace(boat: Boat) {
  const asked = useAsked(boat);
  const [partId, setPartId] = useState<string | null>(asked.part?.id ?? null);
  const [zoneId, setZoneId] = useState<string | null>(asked.part?.zones[asked.zoneAt]?.id ?? null);
  const selection = useSelection({ row: asked.row, column: LEAD_COLUMNS + asked.zoneAt });
  const { cursor, move } = selection;

  const part = boat.parts.find((candidate) => candidate.id === partId) ?? boat.parts[0];
  const { layers, zones } = part ?? NO_PART;
  const row = Math.min(cursor.row, layers.length - 1);
  const zone = zones.find((candidate) => candidate.id === zoneId) ?? zones[0];
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
    [move, zonesRef],
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
      setPartId(id);
      fromStart();
      move({ row: 0, column: LEAD_COLUMNS });
      setZoneId(boat.parts.find((candidate) => candidate.id === id)?.zones[0]?.id ?? null);
    },
  };
}
export type Place = ReturnType<typeof usePlace>;
