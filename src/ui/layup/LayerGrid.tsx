'use client';
import dynamic from 'next/dynamic';
import {
  Fragment,
  useCallback,
  useEffect,
  useMemo,
  useRef,
  type ClipboardEvent,
  type KeyboardEvent,
  type RefObject,
} from 'react';
import type { Caution } from '@/core/caution';
import type { LayerMaterial } from '@/core/material';
import { formatReserve } from '@/core/quantity';
import type { Boat, LayerGroup, Part } from '@/core/document';
import type { ZoneEvaluation } from '@/core/evaluate';
import { useLatest } from '../shared/useLatest';
import { GridHead } from './GridHead';
import { GridResults } from './GridResults';
import { GroupHead } from './GroupHead';
import { lookClass, useHatchSheet } from './hatchSheet';
import { cellId, LayerRow, LEAD_COLUMNS, type CursorMove } from './LayerRow';
import { useRowsShown } from './useRowsShown';
import { ZONES_SHOWN } from './ZoneStrip';

export interface Cursor {
  row: number;
  column: number;
}

export interface LayerGridProps {
  ref: RefObject<HTMLTableElement | null>;
  boat: Boat;
  part: Part;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  /** What the zones come to without the trial; null while there is none. */
  before: ReadonlyMap<string, ZoneEvaluation> | null;
  cautions: readonly Caution[];
  cursor: Cursor;
  /** Selected rows, and the columns selected with them. */
  selectedRows: ReadonlySet<number>;
  selectedColumns: readonly [number, number];
  zoneId: string | null;
  firstZone: number;
  onCursor: (cursor: Cursor, how: CursorMove) => void;
  /** A second click: choose a material, type an angle, cover or uncover. */
  onOpen: (row: number, column: number) => void;
  /** Any key but those that move the cursor; returns whether it was used. */
  onCommand: (event: KeyboardEvent) => boolean;
  onMove: (layerId: string, to: number) => void;
  onCopy: (event: ClipboardEvent) => void;
  onCut: (event: ClipboardEvent) => void;
  onPaste: (event: ClipboardEvent) => void;
  onGroup: (group: LayerGroup) => void;
}

// Behind the margins: fetched after the grid stands.
const DetailRows = dynamic(() => import('./DetailRows').then((module) => module.DetailRows), { ssr: false });
const LayerDrag = dynamic(() => import('./LayerDrag').then((module) => module.LayerDrag), { ssr: false });

const PAGE = 10;
/** Where a key takes the cursor, by rows and columns; the ends are kept by the grid. */
const STEPS: Readonly<Record<string, (at: Cursor) => Cursor>> = {
  ArrowDown: ({ row, column }) => ({ row: row + 1, column }),
  ArrowUp: ({ row, column }) => ({ row: row - 1, column }),
  ArrowRight: ({ row, column }) => ({ row, column: column + 1 }),
  ArrowLeft: ({ row, column }) => ({ row, column: column - 1 }),
  Home: ({ row }) => ({ row, column: 0 }),
  End: ({ row }) => ({ row, column: Infinity }),
  PageDown: ({ row, column }) => ({ row: row + PAGE, column }),
  PageUp: ({ row, column }) => ({ row: row - PAGE, column }),
};
const within = (value: number, count: number) => Math.max(0, Math.min(count - 1, value));

/** The gravest open caution of each layer. */
function marksOf(cautions: readonly Caution[]): ReadonlyMap<string, Caution> {
  const marks = new Map<string, Caution>();
  for (const caution of cautions)
    if (caution.layerId && !caution.accepted && caution.rule.severity !== 'advice' && !marks.has(caution.layerId))
      marks.set(caution.layerId, caution);
  return marks;
}

/** The place of the rows that are not drawn. */
const Spacer = ({ height, span }: { height: number; span: number }) => (
  <tr aria-hidden="true" className="spacer-row">
    <td colSpan={span} height={height} />
  </tr>
);

/**
 * Layers in laying order from the mould face by zones; what each zone comes to stands under its column.
 *
 * The focus stays on the grid, which names the cell of its cursor: a row that goes cannot take the focus with it, and
 * no key that follows is lost.
 */
export function LayerGrid({
  ref,
  boat,
  part,
  evaluations,
  before,
  cautions,
  cursor,
  selectedRows,
  selectedColumns,
  zoneId,
  firstZone,
  onCursor,
  onOpen,
  onCommand,
  onMove,
  onGroup,
  ...clipboard
}: LayerGridProps) {
  const materials = useMemo(
    () => new Map(boat.materials.map((material) => [material.id, material as LayerMaterial])),
    [boat.materials],
  );
  const zones = useMemo(() => part.zones.slice(firstZone, firstZone + ZONES_SHOWN), [part.zones, firstZone]);
  const marks = useMemo(() => marksOf(cautions), [cautions]);
  const groups = useMemo(() => new Map(part.groups.map((group) => [group.id, group])), [part.groups]);
  const columns = LEAD_COLUMNS + part.zones.length;
  useHatchSheet(
    [...new Set(part.layers.map((layer) => lookClass(materials.get(layer.material)!, layer.angleDeg)))]
      .sort()
      .join(','),
  );

  const focusedBefore = useRef(false);
  const scroll = useRef<HTMLDivElement>(null);
  const { from, to, before: above, after: below, all, bringRow } = useRowsShown(part, groups, scroll);
  // Rows must not render again because a callback of theirs is a new one.
  const nowRef = useLatest({ part, cursor, onCursor, onOpen, onMove });
  const onCell = useCallback(
    (layerId: string, column: number, how: CursorMove, clicks: number) => {
      const now = nowRef.current;
      const row = now.part.layers.findIndex(({ id }) => id === layerId);
      const again = row === now.cursor.row && column === now.cursor.column && focusedBefore.current;
      // A zone's cell asks for two clicks in a row: one on the cell that one stands on uncovers nothing.
      const opens = column < LEAD_COLUMNS ? again : clicks === 2;
      if (opens && how === 'alone') now.onOpen(row, column);
      else now.onCursor({ row, column }, how);
    },
    [nowRef],
  );
  const active = part.layers[cursor.row];
  const activeCell = active && cellId(active.id, cursor.column);
  useEffect(() => {
    if (!activeCell || document.activeElement !== ref.current) return;
    const frame = requestAnimationFrame(() => {
      const cell = document.getElementById(activeCell);
      if (cell) cell.scrollIntoView({ block: 'nearest', inline: 'nearest' });
      else bringRow(nowRef.current.cursor.row);
    });
    return () => cancelAnimationFrame(frame);
  }, [activeCell, ref, bringRow, nowRef]);

  const onKeyDown = (event: KeyboardEvent) => {
    // A link in the grid keeps the keys that open it.
    if (event.target !== ref.current && (event.key === 'Enter' || event.key === ' ')) return;
    const step = event.altKey || event.ctrlKey || event.metaKey ? undefined : STEPS[event.key];
    if (step) {
      const to = step(cursor);
      const next = { row: within(to.row, part.layers.length), column: within(to.column, columns) };
      onCursor(next, event.shiftKey ? 'extend' : 'alone');
    }
    if (step || onCommand(event)) event.preventDefault();
  };
  const columnsSelected = selectedColumns.join(':');
  const said = zoneId === null ? null : evaluations.get(zoneId);

  const onDragged = useCallback(
    (layerId: string, overId: string) => {
      const to = nowRef.current.part.layers.findIndex(({ id }) => id === overId);
      if (to >= 0) nowRef.current.onMove(layerId, to);
    },
    [nowRef],
  );
  return (
    <div className="grid-scroll" ref={scroll}>
      <table
        ref={ref}
        className={`layer-grid ${before ? 'trial' : ''}`}
        role="grid"
        tabIndex={0}
        aria-label={`Layers of ${part.name} by zones`}
        aria-multiselectable="true"
        aria-rowcount={all ? undefined : part.layers.length}
        aria-activedescendant={activeCell}
        onKeyDown={onKeyDown}
        onPointerDown={() => (focusedBefore.current = document.activeElement === ref.current)}
        {...clipboard}
      >
        <colgroup>
          {['handle', 'number', 'glyph', 'layer', 'given', 'dry'].map((column) => (
            <col key={column} className={`col-${column}`} />
          ))}
          {zones.map((zone) => (
            <col key={zone.id} />
          ))}
        </colgroup>
        <GridHead
          zones={zones}
          zoneId={zoneId}
          cautions={cautions}
          onZone={(place) => onCursor({ row: cursor.row, column: LEAD_COLUMNS + firstZone + place }, 'alone')}
        />
        <tbody className={all ? undefined : 'numbered'}>
          {above > 0 && <Spacer height={above} span={6 + zones.length} />}
          {part.layers.slice(from, to).map((layer, i) => {
            const row = from + i;
            const group = layer.group === null ? undefined : groups.get(layer.group);
            const opens = group !== undefined && part.layers[row - 1]?.group !== layer.group;
            return (
              <Fragment key={layer.id}>
                {opens && (
                  <GroupHead
                    part={part}
                    group={group}
                    row={row}
                    laminate={boat.references.find(({ id }) => id === group.laminate)?.name ?? null}
                    span={6 + zones.length}
                    onGroup={onGroup}
                  />
                )}
                <LayerRow
                  layer={layer}
                  material={materials.get(layer.material)!}
                  zones={zones}
                  first={firstZone}
                  number={all ? null : row + 1}
                  chosen={row === cursor.row}
                  cursor={row === cursor.row ? cursor.column : -1}
                  selected={selectedRows.has(row) ? columnsSelected : null}
                  caution={marks.get(layer.id) ?? null}
                  onCell={onCell}
                />
              </Fragment>
            );
          })}
          {below > 0 && <Spacer height={below} span={6 + zones.length} />}
          {part.layers.length === 0 && (
            <tr role="row">
              <td role="gridcell" colSpan={6 + zones.length} className="soft p-3">
                Nothing laid yet. Press “Add layer” and choose the first one from the mould face.
              </td>
            </tr>
          )}
          {boat.details.length > 0 && <DetailRows boat={boat} part={part} materials={materials} zones={zones} />}
        </tbody>
        <GridResults boat={boat} zones={zones} zoneId={zoneId} evaluations={evaluations} before={before} />
      </table>
      <LayerDrag key={part.id} onMove={onDragged} />
      <div className="live" aria-live="polite">
        {said?.governing &&
          `${part.zones.find((zone) => zone.id === zoneId)?.name}: ` +
            `reserve ${formatReserve(said.governing.reserveFactor)}`}
      </div>
    </div>
  );
}
