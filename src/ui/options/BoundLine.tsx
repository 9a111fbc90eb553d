import { formatNumber } from '@/core/quantity';

/** How good a result is known to be: best found, proven bound, the gap between, and how much was looked at. */
export function BoundLine({
  best,
  bound,
  gap,
  evaluated,
  value,
}: {
  best: number;
  bound: number;
  gap: number;
  evaluated: number;
  value: (value: number) => string;
}) {
  return (
    <span>
      Best found {value(best)}; proven bound {value(bound)}
      {gap <= 1e-9
        ? ': no choice of these comes to less'
        : `, ${formatNumber(Math.ceil(gap * 1000) / 10, 1)} % below`}.{' '}
      <span className="soft">{evaluated} stacks looked at.</span>
    </span>
  );
}
