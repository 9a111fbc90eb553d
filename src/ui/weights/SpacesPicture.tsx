import { useMemo, useState } from 'react';
import type { Boat, Space } from '@/core/document';
import { boatDrawingModel, WIDTH } from '@/core/drawing';
import type { WaterPlane } from '@/core/float';
import type { BoatShape } from '@/core/geometry';
import { bodyOfSpace } from '@/core/weight';
import { useDrag } from '../shared/drawing/useDrag';

const FILLS = { compartment: 'var(--card)', foam: 'var(--blush)', tank: 'var(--water)' } as const;

/** Profile and half plan with every space as it lies inside the skin; it is dragged along and up on the profile. */
export function SpacesPicture({
  boat,
  shape,
  chosen,
  plane,
  onChoose,
  onMove,
}: {
  boat: Boat;
  shape: BoatShape;
  chosen: string | null;
  /** The water when she is full of it. */
  plane: WaterPlane | null;
  onChoose: (spaceId: string) => void;
  onMove: (space: Space) => void;
}) {
  const model = useMemo(() => boatDrawingModel(boat, shape, null), [boat, shape]);
  const { X, Z, axis } = model;
  const [from, to] = [shape.hull.aft - 0.5, shape.hull.bow + 0.4];
  return (
    <figure className="m-0">
      <svg
        viewBox={`0 0 ${WIDTH} ${model.height}`}
        width="100%"
        role="group"
        aria-label={`Profile and plan with ${boat.spaces.length} spaces`}
        className="boat-drawing"
      >
        <SpaceHatch />
        {model.profile.map(({ zone, path }) => (
          <path key={zone.id} d={path} fill="none" stroke="var(--line)" strokeWidth="0.8" />
        ))}
        {boat.spaces.map((space) => (
          <SpaceShape
            key={space.id}
            space={space}
            shape={shape}
            model={model}
            chosen={space.id === chosen}
            onChoose={() => onChoose(space.id)}
            onMove={onMove}
          />
        ))}
        {[model.keel, model.sheer, model.transom, model.planDeck, model.planHull].map((path, i) => (
          <path key={i} d={path} fill="none" stroke="var(--ink)" strokeWidth="1.5" pointerEvents="none" />
        ))}
        <line
          x1={X(from)}
          x2={X(to)}
          y1={axis}
          y2={axis}
          stroke="var(--ink)"
          strokeDasharray="12 3 2 3"
          strokeWidth="0.8"
        />
        {plane && (
          <line
            x1={X(from)}
            x2={X(to)}
            y1={Z(plane.height + plane.trim * from)}
            y2={Z(plane.height + plane.trim * to)}
            stroke="var(--water)"
            strokeWidth="2"
          />
        )}
      </svg>
      <figcaption className="small soft">
        Dotted: compartment; hatched: foam; tinted: tank. {plane ? 'Line: the water when she is full of it. ' : ''}Drag
        a space on the profile to move it along and up; its bounds are typed below.
      </figcaption>
    </figure>
  );
}

function SpaceHatch() {
  return (
    <defs>
      <pattern id="foam-hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="7" height="7" fill="var(--blush)" />
        <line x1="0" y1="0" x2="0" y2="7" stroke="var(--clay)" strokeWidth="1.2" />
      </pattern>
      <pattern id="compartment-dots" width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" fill="var(--card)" />
        <circle cx="2" cy="2" r="1" fill="var(--soft)" />
      </pattern>
    </defs>
  );
}
const fillOf = ({ kind }: Space) => {
  if (kind === 'foam') return 'url(#foam-hatch)';
  return kind === 'compartment' ? 'url(#compartment-dots)' : FILLS.tank;
};

type Model = ReturnType<typeof boatDrawingModel>;

/** A space by what of it lies in the boat: from its slices, in profile and in plan. */
function SpaceShape({
  space,
  shape,
  model: { X, Z, Y },
  chosen,
  onChoose,
  onMove,
}: {
  space: Space;
  shape: BoatShape;
  model: Model;
  chosen: boolean;
  onChoose: () => void;
  onMove: (space: Space) => void;
}) {
  const [start, setStart] = useState<[number, number] | null>(null);
  const [by, setBy] = useState<[number, number]>([0, 0]);
  const drag = useDrag<SVGPathElement>({
    onStart: () => {
      onChoose();
      setStart(null);
    },
    onMove: (x, y) => {
      const at: [number, number] = [X.invert(x), Z.invert(y)];
      if (start === null) return setStart(at);
      setBy([at[0] - start[0], at[1] - start[1]]);
    },
    onEnd: () => {
      const [dx, dz] = by.map((value) => Number(value.toFixed(2))) as [number, number];
      setBy([0, 0]);
      setStart(null);
      if (dx === 0 && dz === 0) return;
      const moved = { from: space.from + dx, to: space.to + dx, bottom: space.bottom + dz, top: space.top + dz };
      const tidy = Object.fromEntries(Object.entries(moved).map(([key, value]) => [key, Number(value.toFixed(3))]));
      onMove({ ...space, ...tidy });
    },
  });
  const outline = useMemo(() => {
    const slices = bodyOfSpace(shape, space).map(({ x, outlines }) => {
      const points = outlines.flat();
      const [ys, zs] = [points.map(([y]) => Math.abs(y)), points.map(([, z]) => z)];
      return { x, low: Math.min(...zs), high: Math.max(...zs), inner: Math.min(...ys), outer: Math.max(...ys) };
    });
    const ring = (points: [number, number][]) => `M ${points.map(([x, y]) => `${x} ${y}`).join(' L ')} Z`;
    if (slices.length === 0) return null;
    const back = [...slices].reverse();
    const middle = (slices[0]!.x + slices.at(-1)!.x) / 2;
    return {
      middle,
      profile: ring([
        ...slices.map(({ x, high }): [number, number] => [X(x), Z(high)]),
        ...back.map(({ x, low }): [number, number] => [X(x), Z(low)]),
      ]),
      plan: ring([
        ...slices.map(({ x, outer }): [number, number] => [X(x), Y(-outer)]),
        ...back.map(({ x, inner }): [number, number] => [X(x), Y(-inner)]),
      ]),
    };
  }, [shape, space, X, Y, Z]);
  if (!outline) return null;
  const look = {
    fill: fillOf(space),
    fillOpacity: space.kind === 'tank' ? 0.35 : 0.9,
    stroke: chosen ? 'var(--clay)' : 'var(--soft)',
    strokeWidth: chosen ? 2.2 : 1,
    cursor: 'grab',
  };
  const shift = `translate(${X(by[0]) - X(0)} ${Z(by[1]) - Z(0)})`;
  const [x, y] = [X(outline.middle) + X(by[0]) - X(0), Z((space.bottom + space.top) / 2) + Z(by[1]) - Z(0)];
  return (
    <g>
      <path ref={drag} d={outline.profile} transform={shift} {...look} onClick={onChoose}>
        <title>{space.name}</title>
      </path>
      <path d={outline.plan} {...look} cursor="pointer" onClick={onChoose}>
        <title>{space.name}</title>
      </path>
      <text
        x={x}
        y={y}
        fontSize="11"
        textAnchor="middle"
        fill="var(--ink)"
        stroke="var(--card)"
        strokeWidth="3"
        paintOrder="stroke"
        pointerEvents="none"
      >
        {space.name}
      </text>
    </g>
  );
}
