'use client';
import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { memo, useLayoutEffect, useMemo, useSyncExternalStore } from 'react';
import { createPortal } from 'react-dom';

/** Outside the component: a new object at every edit would make every handle render again. */
const DRAG = { activationConstraint: { distance: 4 } };

const CELLS = 'td[data-handle]';
/** Handles follow the rows once the hand rests. */
const REST_MILLISECONDS = 250;
const onRows = (changed: () => void) => {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const observer = new MutationObserver(() => {
    clearTimeout(timer);
    timer = setTimeout(changed, REST_MILLISECONDS);
  });
  const body = document.querySelector(CELLS)?.closest('tbody');
  if (body) observer.observe(body, { childList: true });
  return () => {
    clearTimeout(timer);
    observer.disconnect();
  };
};
/** The layers whose rows stand in the grid, in the order of its rows. */
const rowsStanding = () =>
  [...document.querySelectorAll<HTMLElement>(CELLS)].map(({ dataset }) => dataset.handle).join(' ');

/**
 * Handles in the first cells of the grid's rows, by which layers are dragged to another place. They come after the
 * grid and leave its rows as they are.
 */
export const LayerDrag = memo(function LayerDrag({ onMove }: { onMove: (layerId: string, overId: string) => void }) {
  const sensors = useSensors(useSensor(PointerSensor, DRAG));
  const standing = useSyncExternalStore(onRows, rowsStanding);
  const ids = useMemo(() => standing.split(' ').filter(Boolean), [standing]);
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onMove(String(active.id), String(over.id));
  };
  return (
    <DndContext id="layers" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        {ids.map((id, index) => (
          <Handle key={id} id={id} index={index} />
        ))}
      </SortableContext>
    </DndContext>
  );
});

function Handle({ id, index }: { id: string; index: number }) {
  const cell = document.querySelector<HTMLElement>(`td[data-handle="${id}"]`);
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  useLayoutEffect(() => {
    setNodeRef(cell?.closest('tr') ?? null);
    return () => setNodeRef(null);
  }, [setNodeRef, cell]);
  const moved = CSS.Translate.toString(transform) ?? '';
  useLayoutEffect(() => {
    const row = cell?.closest('tr');
    if (!row) return;
    row.style.transform = moved;
    row.style.transition = transition ?? '';
    row.classList.toggle('dragging', isDragging);
  }, [cell, moved, transition, isDragging]);
  return (
    cell &&
    createPortal(
      <span
        ref={setActivatorNodeRef}
        className="handle"
        {...attributes}
        {...listeners}
        tabIndex={-1}
        title="Drag to move the layer"
        aria-label={`Move layer ${index + 1}`}
      >
        ⠿
      </span>,
      cell,
    )
  );
}
