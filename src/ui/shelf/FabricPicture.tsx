'use client';
import type { Fabric } from '@/core/material';

const SIZE = 120;

const SAID_FORM: Readonly<Record<string, (fabric: Fabric) => string>> = {
  randomMat: () => 'random strands',
  woven: ({ weave }) => `${weave === 'none' ? '' : weave} weave`,
};

/** A component in words: random mat, or the directions of its plies. */
const componentSaid = ({ form, sublayers }: Fabric['components'][number]) =>
  form === 'randomMat' ? 'random mat' : sublayers.map(({ angleDeg }) => `${angleDeg}°`).join(' ');

/**
 * What the fabric looks like on the table: each component in its order, weave or ply directions truly drawn, roll
 * direction to the right.
 */
export function FabricPicture({ fabric }: { fabric: Fabric }) {
  return (
    <svg
      viewBox={`0 0 ${fabric.components.length * (SIZE + 10) + 4} ${SIZE + 20}`}
      width={Math.min(340, fabric.components.length * 150)}
      role="img"
      aria-label={`Picture of ${fabric.name}: ${fabric.components.map(componentSaid).join(', then ')}`}
    >
      {fabric.components.map((component, at) => {
        const x = at * (SIZE + 10) + 2;
        const clip = `fabric-clip-${fabric.id}-${at}`;
        return (
          <g key={at} transform={`translate(${x} 2)`}>
            <clipPath id={clip}>
              <rect width={SIZE} height={SIZE} />
            </clipPath>
            <rect width={SIZE} height={SIZE} fill="var(--card)" stroke="var(--ink)" />
            <g clipPath={`url(#${clip})`}>
              {component.form === 'randomMat' && <Strands />}
              {component.form === 'woven' && <Weave weave={fabric.weave} />}
              {(component.form === 'stitched' || component.form === 'unidirectional') &&
                component.sublayers.map(({ angleDeg, share }, i) => (
                  <Bundle key={i} angleDeg={angleDeg} share={share} order={i} />
                ))}
            </g>
            <text y={SIZE + 13} fontSize="9.5" fill="var(--soft)">
              {SAID_FORM[component.form]?.(fabric) ?? 'in stitching order, first below'}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** Chopped strands, the same every time. */
function Strands() {
  return (
    <g stroke="var(--soft)" strokeWidth="1.2">
      {Array.from({ length: 90 }, (_, i) => {
        const [x, y, angle] = [(i * 37) % SIZE, (i * 61 + 13) % SIZE, (i * 53) % 180];
        const [dx, dy] = [13 * Math.cos((angle * Math.PI) / 180), 13 * Math.sin((angle * Math.PI) / 180)];
        return (
          <line
            key={i}
            x1={(x - dx).toFixed(1)}
            y1={(y - dy).toFixed(1)}
            x2={(x + dx).toFixed(1)}
            y2={(y + dy).toFixed(1)}
          />
        );
      })}
    </g>
  );
}

/** Warp along the roll, weft across; a weft thread passes over where the weave says. */
function Weave({ weave }: { weave: Fabric['weave'] }) {
  const threads = 10;
  const pitch = SIZE / threads;
  const over = (row: number, column: number) => {
    if (weave === 'twill') return (row + column) % 4 < 2;
    return weave === 'satin' ? (column + 2 * row) % 5 === 0 : (row + column) % 2 === 0;
  };
  return (
    <g stroke="var(--soft)" strokeWidth="0.7">
      {Array.from({ length: threads * threads }, (_, i) => {
        const [row, column] = [Math.floor(i / threads), i % threads];
        const weft = over(row, column);
        return (
          <rect
            key={i}
            x={column * pitch + (weft ? 1.2 : 0)}
            y={row * pitch + (weft ? 0 : 1.2)}
            width={pitch - (weft ? 2.4 : 0)}
            height={pitch - (weft ? 0 : 2.4)}
            fill={weft ? 'var(--line)' : 'var(--faint)'}
          />
        );
      })}
    </g>
  );
}

/** One layer of straight fibres; the wider the lines, the more of the weight. */
function Bundle({ angleDeg, share, order }: { angleDeg: number; share: number; order: number }) {
  const width = 2 + 6 * Math.min(1, share);
  return (
    <g
      transform={`rotate(${-angleDeg} ${SIZE / 2} ${SIZE / 2})`}
      stroke={order % 2 ? 'var(--grey)' : 'var(--soft)'}
      strokeWidth={width}
      opacity="0.75"
    >
      {Array.from({ length: 13 }, (_, i) => (
        <line key={i} x1={-SIZE} x2={2 * SIZE} y1={(i - 2) * 15} y2={(i - 2) * 15} />
      ))}
    </g>
  );
}
