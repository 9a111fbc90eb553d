'use client';
import type { Outline } from '@/core/option';
import { lineThrough } from '@/core/drawing';

const [WIDTH, HEIGHT, MARGIN] = [96, 34, 2];
const BOX = `0 0 ${WIDTH} ${HEIGHT}`;

/** The profile of a boat, small and to scale, bow to the right; empty where it has no hull shape. */
export function Thumb({ outline }: { outline: Outline | null }) {
  if (outline === null) return <svg viewBox={BOX} aria-hidden className="boat-thumb" />;
  const { keel, sheer, waterline, house } = outline;
  const all = [...keel, ...sheer];
  const [aft, bow] = [Math.min(...all.map(([x]) => x)), Math.max(...all.map(([x]) => x))];
  const low = Math.min(...all.map(([, z]) => z));
  const top = Math.max(...all.map(([, z]) => z));
  const deckAt = (x: number) => sheer.find(([at]) => at >= x)?.[1] ?? top;
  const roof = house ? deckAt(house.from) + house.height : top;
  const scale = Math.min((WIDTH - 2 * MARGIN) / (bow - aft), (HEIGHT - 2 * MARGIN) / (Math.max(top, roof) - low));
  const X = (x: number) => MARGIN + (x - aft) * scale;
  const Z = (z: number) => HEIGHT - MARGIN - (z - low) * scale;
  const line = (points: readonly (readonly [number, number])[]) => lineThrough(points.map(([x, z]) => [X(x), Z(z)]));
  return (
    <svg viewBox={BOX} aria-hidden className="boat-thumb">
      <path d={line([...keel, ...[...sheer].reverse(), keel[0]!])} className="hull" />
      {house && (
        <path
          d={line([
            [house.from, deckAt(house.from)],
            [house.from, roof],
            [house.to, roof],
            [house.to, deckAt(house.to)],
          ])}
          className="hull"
        />
      )}
      <line x1={0} x2={WIDTH} y1={Z(waterline)} y2={Z(waterline)} className="water" />
    </svg>
  );
}
