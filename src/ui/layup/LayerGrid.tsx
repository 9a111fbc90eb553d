'use client';
import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useCallback, useEffect, useMemo, useRef, type KeyboardEvent } from 'react';
import type { Caution } from '@/core/caution';
import type { LayerMaterial } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { targetOf, type Boat, type Part, type ZoneEvaluation } from '@/core/schedule';
import { CHECKS } from '@/core/standard';
import { CautionMark } from '../shared/CautionList';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import { lookClass, useHatchSheet } from './hatchSheet';
import { LayerRow, LEAD_COLUMNS } from './LayerRow';

export interface Cursor {
  row: number;
  column: number;
}

export interface LayerGridProps {
  boat: Boat;
  part: Part;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  cautions: readonly Caution[];
  /** The boat shown is only on trial: no edits. */
  trial: boolean;
  cursor: Cursor;
  zoneId: string | null;
  onCursor: (cursor: Cursor) => void;
  /** Enter or a second click: choose a material, type an angle, cover or uncover. */
  onOpen: (row: number, column: number) => void;
  /** Any other key; returns whether it was used, and then whether the focus stays in the grid or goes to an entry. */
  onCommand: (event: KeyboardEvent) => 'stays' | 'goes' | null;
  onMove: (layerId: string, to: number) => void;
}

/** Outside the component: a new object at every edit would make every row render again. */
const DRAG = { activationConstraint: { distance: 4 } };

/** Layers in laying order from the mould face by zones; what each zone comes to stands under its column. */
export function LayerGrid({ boat, part, evaluations, cautions, trial, cursor, zoneId, onCursor, onOpen, onCommand, onMove }: LayerGridProps) {
  const { show, unit } = useUnits();
  const table = useRef<HTMLTableElement>(null);
  const wantsFocus = useRef(false);
  const target = targetOf(boat);
  const materials = useMemo(() => new Map(boat.materials.map((material) => [material.id, material as LayerMaterial])), [boat.materials]);
  const order = part.layers.map((layer) => layer.id).join(' ');
  const ids = useMemo(() => order.split(' ').filter(Boolean), [order]);
  const sensors = useSensors(useSensor(PointerSensor, DRAG));
  const marks = useMemo(() => {
    const byLayer = new Map<string, Caution[]>();
    for (const caution of cautions) if (caution.layerId) byLayer.set(caution.layerId, [...(byLayer.get(caution.layerId) ?? []), caution]);
    return byLayer;
  }, [cautions]);
  const columns = LEAD_COLUMNS + part.zones.length;
  useHatchSheet([...new Set(part.layers.map((layer) => lookClass(materials.get(layer.material)!, layer.angleDeg)))].sort().join(','));

  const onCell = useCallback(
    (row: number, column: number) => {
      wantsFocus.current = true;
      onCursor({ row, column });
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
      onCell(Math.max(0, Math.min(part.layers.length - 1, row)), Math.max(0, Math.min(columns - 1, column)));
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
        case 'Enter':
        case ' ':
          event.preventDefault();
          return trial ? undefined : onOpen(cursor.row, cursor.column);
      }
    }
    if (trial) return;
    const used = onCommand(event);
    if (used) event.preventDefault();
    if (used === 'stays') wantsFocus.current = true;
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onMove(String(active.id), ids.indexOf(String(over.id)));
  };

  const results: [string, string, (e: ZoneEvaluation) => React.ReactNode][] = [
    ['Thickness', unit('thickness'), (e) => show(e.thickness, 'thickness')],
    ['Laminated', unit('laminateWeight'), (e) => show(e.laminatedArealWeight, 'laminateWeight')],
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
    ],
    ['Governs', '', (e) => <span className="d-inline-block text-wrap lh-1">{e.governing ? CHECKS[e.governing.id].toLowerCase() : 'not checked'}</span>],
  ];

  return (
    <div className="grid-scroll">
      <DndContext id="layers" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
        <table
          ref={table}
          className={`layer-grid ${trial ? 'trial' : ''}`}
          role="grid"
          aria-label={`Layers of ${part.name} by zones`}
          aria-rowcount={part.layers.length + 1}
          onKeyDown={onKeyDown}
        >
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
                Dry <span className="unit">{unit('arealWeight')}</span>
              </th>
              {part.zones.map((zone, z) => (
                <th key={zone.id} scope="col" className={`zone-head ${zone.id === zoneId ? 'chosen' : ''}`} onClick={() => onCell(cursor.row, LEAD_COLUMNS + z)}>
                  {zone.name} <CautionMark cautions={cautions.filter(({ layerId, zoneIds }) => layerId === null && zoneIds.includes(zone.id))} />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <SortableContext items={ids} strategy={verticalListSortingStrategy}>
              {part.layers.map((layer, row) => (
                <LayerRow
                  key={layer.id}
                  layer={layer}
                  index={row}
                  material={materials.get(layer.material)!}
                  zones={part.zones}
                  chosen={row === cursor.row}
                  cursor={row === cursor.row ? cursor.column : -1}
                  caution={marks.get(layer.id)?.find(({ accepted, rule }) => !accepted && rule.severity !== 'advice') ?? null}
                  onCell={onCell}
                  onOpen={onOpen}
                />
              ))}
            </SortableContext>
            {part.layers.length === 0 && (
              <tr>
                <td colSpan={6 + part.zones.length} className="soft p-3">
                  Nothing laid yet. Press “Add layer” and choose the first one from the mould face.
                </td>
              </tr>
            )}
          </tbody>
          <tfoot>
            {results.map(([name, label, value]) => (
              <tr key={name}>
                <th scope="row" colSpan={6}>
                  {name} <span className="unit">{label}</span>
                </th>
                {part.zones.map((zone) => (
                  <td key={zone.id} className={zone.id === zoneId ? 'chosen' : ''} data-testid={`${name}-${zone.id}`}>
                    {value(evaluations.get(zone.id)!)}
                  </td>
                ))}
              </tr>
            ))}
          </tfoot>
        </table>
      </DndContext>
      <div className="live" aria-live="polite">
        {zoneId &&
          evaluations.get(zoneId)?.governing &&
          `${part.zones.find((zone) => zone.id === zoneId)?.name}: reserve ${formatNumber(evaluations.get(zoneId)!.governing!.reserveFactor, 2)}`}
      </div>
    </div>
  );
}
