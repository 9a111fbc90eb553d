import { select } from 'd3-selection';
import { zoom, zoomIdentity, type D3ZoomEvent, type ZoomTransform } from 'd3-zoom';
import { useCallback, useEffect, useRef, useState } from 'react';

const CLOSEST = 8;
const STEP = 1.6;

/**
 * A drawing that is looked at more closely: by buttons, by the wheel with Ctrl (alone it scrolls the page), by two
 * fingers, and moved by its ground once it is closer.
 *
 * @returns where it stands as the transform of a group, and how to change it.
 */
export function useZoom(width: number, height: number) {
  const svg = useRef<SVGSVGElement>(null);
  const [at, setAt] = useState<ZoomTransform>(zoomIdentity);
  const [behaviour] = useState(() =>
    zoom<SVGSVGElement, unknown>()
      .scaleExtent([1, CLOSEST])
      .filter((event: Event & { ctrlKey?: boolean; metaKey?: boolean; touches?: TouchList; button?: number }) => {
        if (event.type === 'wheel') return Boolean(event.ctrlKey || event.metaKey);
        if (event.type === 'dblclick') return false;
        return !event.button;
      })
      .on('zoom', ({ transform }: D3ZoomEvent<SVGSVGElement, unknown>) => setAt(transform)),
  );
  useEffect(() => {
    if (!svg.current) return;
    const drawing = select(svg.current);
    drawing.call(
      behaviour
        .extent([
          [0, 0],
          [width, height],
        ])
        .translateExtent([
          [0, 0],
          [width, height],
        ]),
    );
    // A finger that does not zoom scrolls the page.
    drawing.style('touch-action', 'pan-y');
    return () => {
      drawing.on('.zoom', null);
    };
  }, [behaviour, width, height]);
  const by = useCallback(
    (factor: number) => {
      if (svg.current) behaviour.scaleBy(select(svg.current), factor);
    },
    [behaviour],
  );
  return {
    svg,
    transform: at.toString(),
    scale: at.k,
    closer: () => by(STEP),
    further: () => by(1 / STEP),
    whole: () => {
      if (svg.current) behaviour.transform(select(svg.current), zoomIdentity);
    },
  };
}
