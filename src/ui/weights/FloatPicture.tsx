import { useMemo } from 'react';
import { shapeOf, type Boat, type Condition } from '@/core/document';
import { boatDrawingModel, WIDTH } from '@/core/drawing';
import type { BoatShape } from '@/core/geometry';
import { formatNumber } from '@/core/quantity';
import { aboardIn, type FloatState, type Mass } from '@/core/weight';
import { useUnits } from '../shared/units';

/** Largest circle, in dots, for the heaviest mass. */
const LARGEST = 19;
const NAMED = 9;

/** Profile of the boat with her masses as circles by weight, her centre, and the water she floats in. */
export function FloatPicture({
  boat,
  masses,
  condition,
  state,
}: {
  boat: Boat;
  masses: readonly Mass[];
  condition: Condition;
  state: FloatState;
}) {
  const { full } = useUnits();
  const shape = useMemo(() => shapeOf(boat), [boat]);
  const model = useMemo(() => shape && boatDrawingModel(boat, shape, null), [boat, shape]);
  if (!shape || !model) return null;
  const { X, Z } = model;
  const aboard = aboardIn(masses, condition).filter(({ mass, share }) => share * mass.mass > 0);
  const heaviest = Math.max(...aboard.map(({ mass, share }) => share * mass.mass));
  const circles = aboard
    .map(({ mass, share, at }) => ({
      id: mass.id,
      name: mass.name,
      laid: !['item', 'contents', 'foam'].includes(mass.of),
      mass: share * mass.mass,
      x: X(at[0]),
      y: Z(at[2]),
      r: LARGEST * Math.sqrt((share * mass.mass) / heaviest),
    }))
    .sort((a, b) => b.mass - a.mass);
  const { plane, loading, trimDeg, heelDeg, least } = state;
  const level = (x: number) => Z(plane.height + plane.trim * x);
  const [from, to] = [shape.hull.aft - 0.7, shape.hull.bow + 0.5];
  const named = apart(circles.slice(0, NAMED));
  const trim = `${formatNumber(Math.abs(trimDeg), 1)}° ${trimDeg >= 0 ? 'by the stern, bow up' : 'by the bow'}`;
  const heel = `${formatNumber(Math.abs(heelDeg), 1)}° to ${heelDeg >= 0 ? 'starboard' : 'port'}`;
  return (
    <figure className="m-0">
      <svg
        viewBox={`0 0 ${WIDTH} ${model.foot + 12}`}
        width="100%"
        role="img"
        aria-label={
          `Profile with ${aboard.length} masses: ${full(loading.mass, 'mass')}, centre ` +
          `${full(loading.centre[0], 'length')} forward and ${full(loading.centre[2], 'length')} up, ` +
          `trim ${trim}, heel ${heel}`
        }
      >
        <path
          d={`M ${X(from)} ${level(from)} L ${X(to)} ${level(to)} V ${model.foot + 12} H ${X(from)} Z`}
          fill="var(--water)"
          opacity="0.12"
        />
        {model.profile.map(({ zone, path }) => (
          <path key={zone.id} d={path} fill="none" stroke="var(--line)" strokeWidth="0.8" />
        ))}
        {[model.keel, model.sheer, model.transom].map((path, i) => (
          <path key={i} d={path} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
        ))}
        <line
          x1={X(from)}
          x2={X(to)}
          y1={Z(shape.hull.waterline)}
          y2={Z(shape.hull.waterline)}
          stroke="var(--soft)"
          strokeDasharray="3 4"
        />
        <line x1={X(from)} x2={X(to)} y1={level(from)} y2={level(to)} stroke="var(--water)" strokeWidth="2" />
        {circles.map(({ id, name, laid, mass, x, y, r }) => (
          <circle
            key={id}
            cx={x}
            cy={y}
            r={Math.max(1.6, r)}
            fill={laid ? 'var(--card)' : 'var(--blush)'}
            fillOpacity="0.75"
            stroke={laid ? 'var(--soft)' : 'var(--clay)'}
            strokeDasharray={laid ? '2 2' : undefined}
          >
            <title>{`${name}: ${full(mass, 'mass')}`}</title>
          </circle>
        ))}
        {named.map(({ id, name, x, y }) => (
          <text
            key={id}
            x={x}
            y={y}
            fontSize="10.5"
            textAnchor="middle"
            fill="var(--ink)"
            stroke="var(--card)"
            strokeWidth="3"
            paintOrder="stroke"
          >
            {name}
          </text>
        ))}
        <HeelInset shape={shape} state={state} />
        <Mark x={X(loading.centre[0])} y={Z(loading.centre[2])} letter="G" />
        <Mark x={X(state.centreOfBuoyancy[0])} y={Z(state.centreOfBuoyancy[2])} letter="B" />
      </svg>
      <figcaption className="small">
        <strong>{full(loading.mass, 'mass')}</strong>, trim {trim}, heel {heel}; least freeboard{' '}
        {full(least.height, 'length')} at {full(least.x, 'length')} to {least.hand}. Circles: laminate (broken) and
        items (full), by weight; G the centre of mass, B of buoyancy; broken line: the waterline as drawn.{' '}
        {!state.stable && <span className="verdict fails">✕ she does not stay upright like this</span>}
      </figcaption>
    </figure>
  );
}

/** The broadest section with the water as she heels, above the bow of the profile. */
const INSET = { x: WIDTH - 96, y: 78, half: 66 };
function HeelInset({ shape: { hull }, state: { plane, heelDeg } }: { shape: BoatShape; state: FloatState }) {
  const at = hull.aft + 0.45 * (hull.bow - hull.aft);
  const points = hull.section(at);
  const beam = Math.max(...points.map(([, y]) => y));
  const scale = INSET.half / beam;
  const level = (y: number) => plane.height + plane.trim * at + plane.heel * y;
  const Y = (y: number) => INSET.x + y * scale;
  const Z = (z: number) => INSET.y - (z - level(0)) * scale;
  const side = (sign: 1 | -1) => points.map(([, y, z]) => `${Y(sign * y)} ${Z(z)}`);
  const outline = [...side(-1).reverse(), ...side(1).slice(1)];
  const wide = 1.12 * beam;
  return (
    <g>
      <path d={`M ${outline.join(' L ')}`} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
      <line x1={Y(-wide)} x2={Y(wide)} y1={Z(level(-wide))} y2={Z(level(wide))} stroke="var(--water)" strokeWidth="2" />
      <text x={INSET.x} y={INSET.y - 52} fontSize="10.5" textAnchor="middle" fill="var(--soft)">
        from aft, heel {formatNumber(Math.abs(heelDeg), 1)}° to {heelDeg >= 0 ? 'starboard' : 'port'}
      </text>
    </g>
  );
}

function Mark({ x, y, letter }: { x: number; y: number; letter: string }) {
  return (
    <g>
      <circle cx={x} cy={y} r="5" fill="var(--card)" stroke="var(--ink)" strokeWidth="1.4" />
      <path d={`M ${x} ${y} v -5 a 5 5 0 0 1 5 5 z M ${x} ${y} v 5 a 5 5 0 0 1 -5 -5 z`} fill="var(--ink)" />
      <text
        x={x + 8}
        y={y - 6}
        fontSize="13"
        fontWeight="600"
        fill="var(--ink)"
        stroke="var(--card)"
        strokeWidth="3"
        paintOrder="stroke"
      >
        {letter}
      </text>
    </g>
  );
}

const LINE = 11;
/** Names beside their circles, pushed down where they would cover one another. */
function apart<T extends { name: string; x: number; y: number; r: number }>(circles: readonly T[]): T[] {
  const placed: { x: number; y: number; half: number }[] = [];
  return circles.map((circle) => {
    const half = circle.name.length * 2.7;
    const at = { x: Math.min(WIDTH - half - 2, Math.max(half + 2, circle.x)), y: circle.y + 4, half };
    for (let tries = 0; tries < 10; tries++) {
      const over = placed.some((one) => {
        return Math.abs(one.y - at.y) < LINE && Math.abs(one.x - at.x) < one.half + half;
      });
      if (!over) break;
      at.y += LINE;
    }
    placed.push(at);
    return { ...circle, x: at.x, y: at.y };
  });
}
