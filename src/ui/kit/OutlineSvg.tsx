import type { At } from '@/core/kit';

/** A point as SVG has it: y along the cloth runs to the right, x across it down. */
export const saidPoints = (outline: readonly At[], scale: number) =>
  outline.map(([x, y]) => `${(y * scale).toFixed(1)},${(x * scale).toFixed(1)}`).join(' ');

/** An arrow along the warp of the roll, at a place (in units of the picture). */
export function WarpArrow({ x, y, length }: { x: number; y: number; length: number }) {
  const head = Math.min(6, length / 3);
  return (
    <path
      d={`M${x} ${y} h${length} m${-head} ${-head / 2} l${head} ${head / 2} l${-head} ${head / 2}`}
      fill="none"
      stroke="currentColor"
      strokeWidth={1}
      aria-hidden
    />
  );
}
