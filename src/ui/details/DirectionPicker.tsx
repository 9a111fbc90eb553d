'use client';
import { useRef, type PointerEvent } from 'react';

const R = 52;

/** Degrees by which a key turns the direction. */
const TURNS: Readonly<Record<string, number>> = { ArrowUp: 5, ArrowRight: 5, ArrowDown: -5, ArrowLeft: -5 };

/** Direction of a load, picked on two small drawings: from above, and from the side. Arrow keys turn by 5°. */
export function DirectionPicker({
  bearingDeg,
  upDeg,
  onChange,
}: {
  bearingDeg: number;
  upDeg: number;
  onChange: (bearingDeg: number, upDeg: number) => void;
}) {
  return (
    <div className="d-flex gap-3">
      <Dial
        label="From above: forward to the right, outboard down"
        value={-bearingDeg}
        least={-180}
        most={180}
        hull="M-40 -16Q10 -18 46 0Q10 18 -40 16Z"
        onTurn={(turned) => onChange(-turned, upDeg)}
      />
      <Dial
        label="From the side: up from the horizontal"
        value={upDeg}
        least={-90}
        most={90}
        hull="M-44 -6L44 -12L34 10L-40 12Z"
        onTurn={(turned) => onChange(bearingDeg, turned)}
      />
    </div>
  );
}

function Dial({
  label,
  value,
  least,
  most,
  hull,
  onTurn,
}: {
  label: string;
  value: number;
  least: number;
  most: number;
  hull: string;
  onTurn: (value: number) => void;
}) {
  const box = useRef<SVGSVGElement>(null);
  const pick = (event: PointerEvent) => {
    if (event.type === 'pointermove' && event.buttons !== 1) return;
    const { left, top, width, height } = box.current!.getBoundingClientRect();
    const angle = (Math.atan2(-(event.clientY - top - height / 2), event.clientX - left - width / 2) * 180) / Math.PI;
    onTurn(Math.max(least, Math.min(most, Math.round(angle))));
  };
  const a = (value * Math.PI) / 180;
  const tip = [R * Math.cos(a), -R * Math.sin(a)];
  return (
    <svg
      ref={box}
      className="direction-dial"
      width="132"
      height="132"
      viewBox="-66 -66 132 132"
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={Math.round(value)}
      onPointerDown={pick}
      onPointerMove={pick}
      onKeyDown={(event) => {
        const by = TURNS[event.key];
        if (by === undefined) return;
        event.preventDefault();
        onTurn(Math.max(least, Math.min(most, Math.round(value) + by)));
      }}
    >
      <circle r="60" fill="var(--card)" stroke="var(--line)" />
      <path d={hull} fill="var(--faint)" stroke="var(--grey)" />
      <line x1="0" y1="0" x2={tip[0]} y2={tip[1]} stroke="var(--clay)" strokeWidth="3" />
      <circle cx={tip[0]} cy={tip[1]} r="5" fill="var(--clay)" />
    </svg>
  );
}
