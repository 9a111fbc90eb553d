import { drag } from 'd3-drag';
import { select } from 'd3-selection';
import { useEffect, useRef, type RefObject } from 'react';
import { useLatest } from '../useLatest';

export interface DragHandlers {
  onStart: () => void;
  /** With the place of the pointer in the coordinates of the drawing. */
  onMove: (x: number, y: number) => void;
  onEnd: () => void;
}

/** Lets an element of a drawing be dragged, by mouse and by finger. */
export function useDrag<E extends SVGElement>(handlers: DragHandlers): RefObject<E | null> {
  const element = useRef<E>(null);
  const now = useLatest(handlers);
  useEffect(() => {
    const node = element.current;
    if (!node) return;
    const held = select(node as SVGElement);
    held.call(
      drag<SVGElement, unknown>()
        .on('start', () => now.current.onStart())
        .on('drag', ({ x, y }: { x: number; y: number }) => now.current.onMove(x, y))
        .on('end', () => now.current.onEnd())
        // Where the pointer is, not by how much it moved.
        .subject(({ x, y }: { x: number; y: number }) => ({ x, y })),
    );
    return () => {
      held.on('.drag', null);
    };
  }, [now]);
  return element;
}
