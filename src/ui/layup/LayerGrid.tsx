'use client';
import dynamic from 'next/dynamic';
import {
  Fragment,
  useCallback,
  useEffect,
  useMemo,
  useRef,
  type ClipboardEvent,
  type FocusEvent,
  type KeyboardEvent,
  type ReactNode,
} from 'react';
import type { Caution } from '@/core/caution';
import type { LayerMaterial } from '@/core/material';
import { formatDifference, formatNumber, formatReserve } from '@/core/quantity';
import { GROUP_KINDS, type Boat, type LayerGroup, type Part } from '@/core/document';
import { repeatOf } from '@/core/edit';
import { targetOf, type ZoneEvaluation } from '@/core/evaluate';
import { CHECKS } from '@/core/standard';
import { CautionMark } from '../shared/CautionList';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import { lookClass, useHatchSheet } from './hatchSheet';
import { LayerRow, LEAD_COLUMNS } from './LayerRow';
import { ZONES_SHOWN } from './ZoneStrip';

export interface Cursor {
  row: number;
  column: number;
}

export interface LayerGridProps {
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
  onCursor: (cursor: Cursor, how: 'alone' | 'extend' | 'more') => void;
  /** Enter or a second click: choose a material, type an angle, cover or uncover. */
  onOpen: (row: number, column: number) => void;
  /** Any other key; returns whether it was used, and then whether the focus stays in the grid or goes to an entry. */
  onCommand: (event: KeyboardEvent) => 'stays' | 'goes' | null;
  onMove: (layerId: string, to: number) => void;
  onCopy: (event: ClipboardEvent) => void;
  onCut: (event: ClipboardEvent) => void;
  onPaste: (event: ClipboardEvent) => void;
  onGroup: (group: LayerGroup) => void;
}

// Behind the margins: fetched after the grid stands.
const DetailRows = dynamic(() => import('./DetailRows').then((module) => module.DetailRows), { ssr: false });

const LayerDrag = dynamic(() => import('./LayerDrag').then((module) => module.LayerDrag), { ssr: false });

const signed = (value: number, digits: number) =>
  Math.abs(value) < 0.5 * 10 ** -digits ? '' : `${value > 0 ? '+' : ''}${formatNumber(value, digits)}`;

/** A change in the units of the head; nothing where it is too small to show. */
const shownChange = (...[value, kind, system]: Parameters<typeof formatDifference>): string => {
  const text = formatDifference(value, kind, system);
  return /[1-9]/.test(text) ? text : '';
};

/** Layers in laying order from the mould face by zones; what each zone comes to stands under its column. */
export function LayerGrid({
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
  const { show, unit, system } = useUnits();
  const table = useRef<HTMLTableElement>(null);
  const wantsFocus = useRef(false);
  const byPointer = useRef(false);
  const target = targetOf(boat);
  const materials = useMemo(
    () => new Map(boat.materials.map((material) => [material.id, material as LayerMaterial])),
    [boat.materials],
  );
  const zones = useMemo(() => part.zones.slice(firstZone, firstZone + ZONES_SHOWN), [part.zones, firstZone]);
  const marks = useMemo(() => {
    const byLayer = new Map<string, Caution[]>();
    for (const caution of cautions)
      if (caution.layerId) byLayer.set(caution.layerId, [...(byLayer.get(caution.layerId) ?? []), caution]);
    return byLayer;
  }, [cautions]);
  const groups = useMemo(() => new Map(part.groups.map((group) => [group.id, group])), [part.groups]);
  const columns = LEAD_COLUMNS + part.zones.length;
  useHatchSheet(
    [...new Set(part.layers.map((layer) => lookClass(materials.get(layer.material)!, layer.angleDeg)))]
      .sort()
      .join(','),
  );

  const onCell = useCallback(
    (row: number, column: number, how: 'alone' | 'extend' | 'more') => {
      wantsFocus.current = true;
      onCursor({ row, column }, how);
    },
    [onCursor],
  );
  useEffect(() => {
    if (!wantsFocus.current) return;
    wantsFocus.current = false;
    table.current?.querySelector<HTMLElement>(`[data-cell="${cursor.row}:${cursor.column}"]`)?.focus();
  });

  const onKeyDown = (event: KeyboardEvent) => {
    const go = (row: number, column: number) => {
      event.preventDefault();
      onCell(
        Math.max(0, Math.min(part.layers.length - 1, row)),
        Math.max(0, Math.min(columns - 1, column)),
        event.shiftKey ? 'extend' : 'alone',
      );
    };
    if (!event.altKey && !event.ctrlKey && !event.metaKey) {
      switch (event.key) {
        case 'ArrowDown':
          return go(cursor.row + 1, cursor.column);
        case 'ArrowUp':
          return go(cursor.row - 1, cursor.column);
        case 'ArrowRight':
          return go(cursor.row, cursor.column + 1);
        case 'ArrowLeft':
          return go(cursor.row, cursor.column - 1);
        case 'Home':
          return go(cursor.row, 0);
        case 'End':
          return go(cursor.row, columns - 1);
        case 'PageDown':
          return go(cursor.row + 10, cursor.column);
        case 'PageUp':
          return go(cursor.row - 10, cursor.column);
      }
    }
    const used = onCommand(event);
    if (used) event.preventDefault();
    if (used === 'stays') wantsFocus.current = true;
  };
  /**
   * A screen reader may put the focus on a cell by itself: the cursor goes with it. A pointer says more by its click.
   */
  const onFocus = ({ target }: FocusEvent) => {
    if (byPointer.current) return;
    const [row, column] = ((target as HTMLElement).dataset.cell ?? '').split(':').map(Number);
    if (row !== undefined && column !== undefined && (row !== cursor.row || column !== cursor.column))
      onCursor({ row, column }, 'alone');
  };
  /** Name, unit, what it comes to, and what a trial would change of it. */
  const results: [
    string,
    string,
    (e: ZoneEvaluation) => ReactNode,
    (now: ZoneEvaluation, was: ZoneEvaluation) => string,
  ][] = [
    [
      'Thickness',
      unit('thickness'),
      (e) => show(e.thickness, 'thickness'),
      (now, was) => shownChange(now.thickness - was.thickness, 'thickness', system),
    ],
    [
      'Laminated',
      unit('laminateWeight'),
      (e) => show(e.laminatedArealWeight, 'laminateWeight'),
      (now, was) => shownChange(now.laminatedArealWeight - was.laminatedArealWeight, 'laminateWeight', system),
    ],
    [
      'Least reserve',
      '',
      (e) =>
        e.governing ? (
          <Verdict reserveFactor={e.governing.reserveFactor} target={target} words={false} />
        ) : (
          <span className="verdict ample" title={e.problem ?? ''}>
            –
          </span>
        ),
      (now, was) =>
        now.governing && was.governing ? signed(now.governing.reserveFactor - was.governing.reserveFactor, 2) : '',
    ],
    [
      'Governs',
      '',
      (e) => (
        <span className="d-inline-block text-wrap lh-1">
          {e.governing ? CHECKS[e.governing.id].toLowerCase() : 'not checked'}
        </span>
      ),
      () => '',
    ],
  ];
  const columnsSelected = selectedColumns.join(':');
  const said = zoneId === null ? null : evaluations.get(zoneId);

  return (
    <div className="grid-scroll">
      <table
        ref={table}
        className={`layer-grid ${before ? 'trial' : ''}`}
        role="grid"
        aria-label={`Layers of ${part.name} by zones`}
        aria-multiselectable="true"
        onKeyDown={onKeyDown}
        onFocus={onFocus}
        onPointerDown={() => (byPointer.current = true)}
        onPointerUp={() => (byPointer.current = false)}
        {...clipboard}
      >
        <colgroup>
          <col className="col-handle" />
          <col className="col-number" />
          <col className="col-glyph" />
          <col className="col-layer" />
          <col className="col-given" />
          <col className="col-dry" />
          {zones.map((zone) => (
            <col key={zone.id} />
          ))}
        </colgroup>
        <thead>
          <tr role="row">
            <th scope="col">
              <span className="visually-hidden">Move</span>
            </th>
            <th scope="col" className="num">
              #
            </th>
            <th scope="col">
              <span className="visually-hidden">Directions</span>
            </th>
            <th scope="col">Layer</th>
            <th scope="col" className="num">
              Angle, thick.
            </th>
            <th scope="col" className="num">
              Dry <span className="unit d-block">{unit('arealWeight')}</span>
            </th>
            {zones.map((zone, z) => (
              <th
                key={zone.id}
                scope="col"
                className={`zone-head ${zone.id === zoneId ? 'chosen' : ''}`}
                onClick={() => onCell(cursor.row, LEAD_COLUMNS + firstZone + z, 'alone')}
              >
                {zone.name}{' '}
                <CautionMark
                  cautions={cautions.filter(({ layerId, zoneIds }) => layerId === null && zoneIds.includes(zone.id))}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {part.layers.map((layer, row) => {
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
                  index={row}
                  material={materials.get(layer.material)!}
                  zones={zones}
                  first={firstZone}
                  chosen={row === cursor.row}
                  cursor={row === cursor.row ? cursor.column : -1}
                  selected={selectedRows.has(row) ? columnsSelected : null}
                  caution={
                    marks.get(layer.id)?.find(({ accepted, rule }) => !accepted && rule.severity !== 'advice') ?? null
                  }
                  onCell={onCell}
                  onOpen={onOpen}
                />
              </Fragment>
            );
          })}
          {part.layers.length === 0 && (
            <tr role="row">
              <td role="gridcell" colSpan={6 + zones.length} className="soft p-3">
                Nothing laid yet. Press “Add layer” and choose the first one from the mould face.
              </td>
            </tr>
          )}
          {boat.details.length > 0 && <DetailRows boat={boat} part={part} materials={materials} zones={zones} />}
        </tbody>
        <tfoot>
          {results.map(([name, label, value, change]) => (
            <tr key={name}>
              <th scope="row" colSpan={6}>
                {name} <span className="unit">{label}</span>
              </th>
              {zones.map((zone) => {
                const e = evaluations.get(zone.id)!;
                const was = before?.get(zone.id);
                const difference = was && was !== e ? change(e, was) : '';
                return (
                  <td key={zone.id} className={zone.id === zoneId ? 'chosen' : ''} data-testid={`${name}-${zone.id}`}>
                    {value(e)}
                    {difference && <span className="delta"> {difference}</span>}
                  </td>
                );
              })}
            </tr>
          ))}
        </tfoot>
      </table>
      <LayerDrag key={part.id} onMove={onMove} />
      <div className="live" aria-live="polite">
        {said?.governing &&
          `${part.zones.find((zone) => zone.id === zoneId)?.name}: reserve ${formatReserve(said.governing.reserveFactor)}`}
      </div>
    </div>
  );
}

/** The line over the layers of a group: its name, how often it repeats, and the laminate it follows. */
function GroupHead({
  part,
  group,
  row,
  laminate,
  span,
  onGroup,
}: {
  part: Part;
  group: LayerGroup;
  row: number;
  laminate: string | null;
  span: number;
  onGroup: (group: LayerGroup) => void;
}) {
  const own = part.layers.filter((layer) => layer.group === group.id);
  const parted = part.layers.slice(0, row).some((layer) => layer.group === group.id);
  const { times } = repeatOf(own);
  return (
    <tr role="row" className="group-row">
      <td role="gridcell" colSpan={span}>
        <button
          type="button"
          tabIndex={-1}
          className="plain-button"
          title="Select the layers of this group"
          onClick={() => onGroup(group)}
        >
          <span className="fw-semibold">{group.name}</span>
          {times > 1 && <span className="fw-semibold"> ×{times}</span>}
          <span className="soft">
            {' '}
            {group.name === GROUP_KINDS[group.kind] ? '' : `${GROUP_KINDS[group.kind].toLowerCase()}, `}
            {own.length} {own.length === 1 ? 'layer' : 'layers'}
            {parted && ', continued'}
            {laminate && `, laminate “${laminate}”`}
          </span>
        </button>
      </td>
    </tr>
  );
}
