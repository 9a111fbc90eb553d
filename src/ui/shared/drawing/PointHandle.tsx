import { useDrag } from './useDrag';

/** By how much an arrow key moves a point (m); with Shift. */
const STEP = 0.005;
const LEAP = 0.05;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/**
 * A point of a drawing to drag, by finger, mouse or keys: arrows move it (m to the right, m down), Delete takes it out,
 * Enter puts one after it.
 */
export function PointHandle({
  at: [px, py],
  name,
  notch = false,
  onMove,
  onEnd,
  onNudge,
  onRemove,
  onAdd,
}: {
  /** In units of the drawing. */
  at: readonly [number, number];
  name: string;
  notch?: boolean;
  onMove: (px: number, py: number) => void;
  onEnd: () => void;
  onNudge: (by: readonly [number, number]) => void;
  onRemove: () => void;
  onAdd: () => void;
}) {
  const drag = useDrag<SVGGElement>({ onStart: () => {}, onMove, onEnd });
  return (
    <g
      ref={drag}
      role="button"
      tabIndex={0}
      aria-label={name}
      className="kit-handle"
      transform={`translate(${px} ${py})`}
      onKeyDown={(event) => {
        const arrow = ARROWS[event.key];
        const step = event.shiftKey ? LEAP : STEP;
        if (arrow) onNudge([arrow[0] * step, arrow[1] * step]);
        else if (event.key === 'Delete' || event.key === 'Backspace') onRemove();
        else if (event.key === 'Enter') onAdd();
        else return;
        event.preventDefault();
      }}
    >
      <circle r={14} fill="transparent" stroke="none" />
      {notch ? <path d="M0-7L7 0 0 7-7 0Z" /> : <circle r={5} />}
    </g>
  );
}
