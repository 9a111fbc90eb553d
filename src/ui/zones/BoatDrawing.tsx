'use client';
import { useMemo, useRef, useState, type PointerEvent } from 'react';
import { deckPoint, mix, patchRim, regionPatch, shares, type BoatShape, type Point } from '@/core/geometry';
import { boundariesOf, type Boundary } from '@/core/edit';
import { membersOf } from '@/core/evaluate';
import { shapeOf, type Boat, type Zone } from '@/core/document';
import { useUnits } from '../shared/units';
import { hatchFill, ZoneHatches } from './zoneHatch';

const WIDTH = 760;
const MARGIN = 26;
const LABEL = 11;

interface Area {
  zone: Zone;
  index: number;
  path: string;
  label: [number, number];
  width: number;
  height: number;
}

/** Seen from above, the hull shows below the centreline and the deck above it. */
const ABOVE = new Set(['deck', 'cockpit', 'coachroof', 'pan', 'rectangle']);

function areasOf(
  boat: Boat,
  shape: BoatShape,
  project: (p: Point) => [number, number],
  wanted: (zone: Zone) => boolean,
): Area[] {
  return boat.parts
    .flatMap((part) => part.zones)
    .map((zone, index) => ({ zone, index }))
    .filter(({ zone }) => zone.region !== null && wanted(zone))
    .flatMap(({ zone, index }): Area[] => {
      const patch = regionPatch(shape, zone.region!);
      if (!patch) return [];
      const rim = patchRim(patch).map(project);
      const [xs, ys] = [rim.map(([x]) => x), rim.map(([, y]) => y)];
      const middle = project(patch.at(0.5, 0.5));
      return [
        {
          zone,
          index,
          path: `M${rim.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`,
          label: middle,
          width: Math.max(...xs) - Math.min(...xs),
          height: Math.max(...ys) - Math.min(...ys),
        },
      ];
    });
}

/** Labels that fit where they belong, nudged apart where they would cover one another. */
function labelsOf(areas: Area[]): { area: Area; x: number; y: number }[] {
  const placed: { x: number; y: number; half: number }[] = [];
  return areas.flatMap((area) => {
    const half = area.zone.name.length * 2.9;
    if (area.width < 14 || area.height < 9) return [];
    const at = { x: Math.min(WIDTH - half - 4, Math.max(half + 4, area.label[0])), y: area.label[1] + 4, half };
    for (
      let tries = 0;
      tries < 8 &&
      placed.some((other) => Math.abs(other.y - at.y) < LABEL && Math.abs(other.x - at.x) < other.half + half);
      tries++
    )
      at.y += LABEL;
    placed.push(at);
    return [{ area, x: at.x, y: at.y }];
  });
}

/** Profile and plan of the boat with its zones; edges, bulkheads, frames and beams can be dragged along it. */
export function BoatDrawing({
  boat,
  chosen,
  onChoose,
  onDrag,
  onDrop,
}: {
  boat: Boat;
  chosen: string | null;
  onChoose: (zoneId: string) => void;
  /** While a boundary is held, with where it would go; null when it was let go without moving. */
  onDrag: (move: { boundary: Boundary; to: number } | null) => void;
  onDrop: (boundary: Boundary, to: number) => void;
}) {
  const { full } = useUnits();
  const shape = useMemo(() => shapeOf(boat), [boat]);
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<{ boundary: Boundary; to: number } | null>(null);
  const model = useMemo(() => {
    if (!shape) return null;
    const { hull, deck } = shape;
    // Liner pans lie under the deck: they are shown in its place while one of them is chosen.
    const inside = new Set(
      boat.parts.filter(({ kind }) => kind === 'liner').flatMap((part) => part.zones.map(({ id }) => id)),
    );
    const lookInside = chosen !== null && inside.has(chosen);
    const places = shares(48).map((t) => mix(hull.aft, hull.bow, t));
    const high = Math.max(...places.map((x) => deckPoint(hull, deck, x, 0)[2])) + (deck.coachroof?.height ?? 0) + 0.12;
    const low = Math.min(...places.map((x) => hull.at(x, 0)[2])) - 0.05;
    const beam = Math.max(...places.map((x) => hull.at(x, 2)[1]));
    const scale = Math.min((WIDTH - 2 * MARGIN) / (hull.bow - hull.aft), 238 / (high - low), 125 / beam);
    const left = (WIDTH - scale * (hull.bow - hull.aft)) / 2;
    const X = (x: number) => left + (x - hull.aft) * scale;
    const base = 18 + high * scale;
    const Z = (z: number) => base - z * scale;
    const axis = Z(low) + 34 + beam * scale;
    const Y = (y: number) => axis - y * scale;
    const run = (points: [number, number][]) =>
      `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`;
    const rise = hull.at(hull.aft, 2)[2] - hull.at(hull.aft, 0)[2];
    const lean = Math.tan((hull.transomRakeDeg * Math.PI) / 180) * rise;
    return {
      X,
      Z,
      Y,
      scale,
      axis,
      foot: Z(low),
      height: axis + beam * scale + 18,
      keel: run([...places.map((x): [number, number] => [X(x), Z(hull.at(x, 0)[2])])]),
      chine: hull.hardChine ? run(places.map((x) => [X(x), Z(hull.at(x, 1)[2])])) : null,
      sheer: run(places.map((x) => [X(x), Z(hull.at(x, 2)[2])])),
      transom: run([
        [X(hull.aft), Z(hull.at(hull.aft, 0)[2])],
        [X(hull.aft - lean), Z(hull.at(hull.aft, 2)[2])],
        [X(hull.aft), Z(hull.at(hull.aft, 2)[2])],
      ]),
      planDeck: run(places.map((x) => [X(x), Y(hull.at(x, 2)[1])])),
      planHull: run(places.map((x) => [X(x), Y(-hull.at(x, 2)[1])])),
      planChine: hull.hardChine ? run(places.map((x) => [X(x), Y(-hull.at(x, 1)[1])])) : null,
      profile: areasOf(
        boat,
        shape,
        ([x, , z]) => [X(x), Z(z)],
        (zone) => zone.region!.surface === 'hull' || zone.region!.surface === 'coachroof',
      ),
      above: areasOf(
        boat,
        shape,
        ([x, y]) => [X(x), Y(y)],
        ({ id, region }) =>
          ABOVE.has(region!.surface) &&
          !(region!.surface === 'coachroof' && region!.piece !== 'top') &&
          inside.has(id) === lookInside,
      ),
      lookInside,
      below: areasOf(
        boat,
        shape,
        ([x, y]) => [X(x), Y(-y)],
        (zone) => zone.region!.surface === 'hull',
      ),
      members: boat.supports.flatMap((support) => {
        const geometry =
          support.kind === 'stringer' || support.kind === 'girder' ? membersOf(boat).get(support.id) : null;
        return geometry ? [{ support, points: geometry.spans.flatMap(({ points }) => points) }] : [];
      }),
    };
  }, [boat, shape, chosen]);
  const boundaries = useMemo(() => boundariesOf(boat), [boat]);
  if (!shape || !model) return null;
  const { hull } = shape;
  const { X, Z, Y } = model;
  const waterline = Z(hull.waterline);

  const placeOf = (event: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    return hull.aft + ((event.clientX - box.left) * (WIDTH / box.width) - X(hull.aft)) / model.scale;
  };
  const take = (boundary: Boundary) => (event: PointerEvent) => {
    event.preventDefault();
    (event.target as Element).setPointerCapture(event.pointerId);
    setHeld({ boundary, to: boundary.x });
  };
  const move = (event: PointerEvent) => {
    if (!held) return;
    const to = Math.min(held.boundary.most, Math.max(held.boundary.least, placeOf(event)));
    setHeld({ ...held, to });
    onDrag({ boundary: held.boundary, to });
  };
  const letGo = () => {
    if (!held) return;
    setHeld(null);
    if (Math.abs(held.to - held.boundary.x) > 0.002) onDrop(held.boundary, held.to);
    else onDrag(null);
  };
  const nudge = (boundary: Boundary, by: number) => onDrop(boundary, boundary.x + by);

  const zoneArea = ({ zone, index, path }: Area, key: string) => (
    <path
      key={`${key}-${zone.id}`}
      d={path}
      fill={zone.id === chosen ? 'var(--blush)' : hatchFill(index)}
      stroke={zone.id === chosen ? 'var(--clay)' : 'var(--soft)'}
      strokeWidth={zone.id === chosen ? 2 : 0.9}
      cursor="pointer"
      onClick={() => onChoose(zone.id)}
    />
  );
  const zoneLabel = ({ area, x, y }: { area: Area; x: number; y: number }, key: string) => (
    <text
      key={`${key}-${area.zone.id}`}
      x={x}
      y={y}
      fontSize={LABEL}
      textAnchor="middle"
      fill={area.zone.id === chosen ? 'var(--clay-deep)' : 'var(--ink)'}
      fontWeight={area.zone.id === chosen ? 600 : 400}
      stroke="var(--card)"
      strokeWidth="3"
      paintOrder="stroke"
      pointerEvents="none"
    >
      {area.zone.name}
    </text>
  );
  const lineOf = (boundary: Boundary) => {
    const x = held?.boundary.key === boundary.key ? held.to : boundary.x;
    const moving = held?.boundary.key === boundary.key;
    const onHull = boundary.on === 'hull';
    const [top, foot] = onHull ? [hull.at(x, 2)[2], hull.at(x, 0)[2]] : [0, 0];
    const ink = moving ? 'var(--clay)' : boundary.kind === 'zone' ? 'var(--soft)' : 'var(--water)';
    const dash = boundary.kind === 'zone' ? '2 3' : boundary.kind === 'bulkhead' ? undefined : '7 3';
    const edge = hull.at(x, 2)[1];
    const from: [number, number] = onHull ? [X(x), Y(0)] : [X(x), Y(edge)];
    const to: [number, number] = onHull ? [X(x), Y(-edge)] : [X(x), Y(0)];
    const grip = onHull ? [X(x), Z(top) - 7] : [X(x), Y(edge) - 7];
    const bulkhead = boundary.kind === 'bulkhead';
    return (
      <g key={boundary.key}>
        {onHull && (
          <line
            x1={X(x)}
            x2={X(x)}
            y1={Z(top)}
            y2={Z(foot)}
            stroke={ink}
            strokeWidth={bulkhead ? 2.4 : 1.3}
            strokeDasharray={dash}
            pointerEvents="none"
          />
        )}
        <line
          x1={from[0]}
          y1={from[1]}
          x2={to[0]}
          y2={to[1]}
          stroke={ink}
          strokeWidth={bulkhead ? 2.4 : 1.3}
          strokeDasharray={dash}
          pointerEvents="none"
        />
        {bulkhead && (
          <line
            x1={X(x)}
            y1={Y(0)}
            x2={X(x)}
            y2={Y(edge)}
            stroke={ink}
            strokeWidth={1.2}
            strokeDasharray="1 4"
            pointerEvents="none"
          />
        )}
        <g
          role="slider"
          tabIndex={0}
          aria-label={`${boundary.label}, place along the boat`}
          aria-valuemin={Number(boundary.least.toFixed(2))}
          aria-valuemax={Number(boundary.most.toFixed(2))}
          aria-valuenow={Number(x.toFixed(2))}
          aria-valuetext={full(x, 'length')}
          cursor="ew-resize"
          className="grip"
          onPointerDown={take(boundary)}
          onPointerMove={move}
          onPointerUp={letGo}
          onPointerCancel={letGo}
          onKeyDown={(event) => {
            const step = event.shiftKey ? 0.1 : 0.01;
            if (event.key === 'ArrowLeft') nudge(boundary, -step);
            else if (event.key === 'ArrowRight') nudge(boundary, step);
            else return;
            event.preventDefault();
          }}
        >
          <rect x={grip[0]! - 9} y={grip[1]! - 9} width="18" height="18" fill="transparent" />
          {boundary.kind === 'zone' ? (
            <path d={`M${grip[0]} ${grip[1]! + 6}l-5-6h10z`} fill="var(--card)" stroke={ink} strokeWidth="1.4" />
          ) : bulkhead ? (
            <rect x={grip[0]! - 4.5} y={grip[1]! - 4.5} width="9" height="9" fill={ink} />
          ) : (
            <circle cx={grip[0]} cy={grip[1]} r="4.5" fill="var(--card)" stroke={ink} strokeWidth="1.6" />
          )}
          <title>{`${boundary.label}: ${full(x, 'length')}. Drag, or use the arrow keys.`}</title>
        </g>
        {moving && (
          <text x={grip[0]} y={grip[1]! - 12} fontSize="12" fontWeight="600" textAnchor="middle" fill="var(--clay)">
            {full(x, 'length')}
          </text>
        )}
      </g>
    );
  };

  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${model.height}`}
      width="100%"
      role="group"
      aria-label="Profile and plan of the boat with its zones"
      className="boat-drawing"
    >
      <ZoneHatches />
      <text x="4" y="12" fontSize="10.5" fill="var(--soft)">
        Profile
      </text>
      <text x="4" y={model.axis - 4} fontSize="10.5" fill="var(--soft)">
        {model.lookInside ? 'Inside' : 'Deck'}
      </text>
      <text x="4" y={model.axis + 14} fontSize="10.5" fill="var(--soft)">
        Hull
      </text>
      {model.profile.map((area) => zoneArea(area, 'profile'))}
      <clipPath id="above-centre">
        <rect x="0" y="0" width={WIDTH} height={model.axis} />
      </clipPath>
      <g clipPath="url(#above-centre)">{model.above.map((area) => zoneArea(area, 'above'))}</g>
      {model.below.map((area) => zoneArea(area, 'below'))}
      {[model.keel, model.sheer, model.transom, model.chine, model.planDeck, model.planHull, model.planChine].map(
        (d, i) =>
          d && (
            <path
              key={i}
              d={d}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={i === 3 || i === 6 ? 0.9 : 1.6}
              pointerEvents="none"
            />
          ),
      )}
      <line
        x1={X(hull.aft) - 6}
        x2={X(hull.bow) + 6}
        y1={model.axis}
        y2={model.axis}
        stroke="var(--ink)"
        strokeWidth="0.8"
        strokeDasharray="12 3 2 3"
      />
      <line
        x1={X(hull.aft) - 14}
        x2={X(hull.bow) + 6}
        y1={waterline}
        y2={waterline}
        stroke="var(--water)"
        strokeWidth="1.2"
      />
      <text x={X(hull.bow) - 18} y={waterline + 12} fontSize="10" fill="var(--water)">
        waterline
      </text>
      {model.members.map(({ support, points }) => {
        const run = (to: (p: Point) => [number, number]) =>
          `M${points
            .map((p) =>
              to(p)
                .map((value) => value.toFixed(1))
                .join(' '),
            )
            .join('L')}`;
        const deck = support.kind === 'girder';
        return (
          <g
            key={support.id}
            pointerEvents="none"
            fill="none"
            stroke="var(--water)"
            strokeWidth="1.3"
            strokeDasharray="7 3"
          >
            {!deck && <path d={run(([x, , z]) => [X(x), Z(z)])} />}
            <path d={run(([x, y]) => [X(x), Y(deck ? y : -y)])} />
          </g>
        );
      })}
      {boundaries.map(lineOf)}
      {boat.details.map(({ id, name, x, y, zone }) => {
        const onHull = boat.parts.some(({ kind, zones }) => kind === 'hull' && zones.some((one) => one.id === zone));
        const side = onHull ? -Math.abs(y) : Math.abs(y);
        return (
          <g key={id}>
            <path
              d={`M${X(x)} ${Y(side) - 6}l5 6l-5 6l-5 -6Z`}
              fill="var(--card)"
              stroke="var(--clay)"
              strokeWidth="1.6"
            />
            <title>{name}</title>
          </g>
        );
      })}
      {labelsOf([...model.profile]).map((label) => zoneLabel(label, 'profile'))}
      {labelsOf(
        model.above.map((area) => ({
          ...area,
          label: [area.label[0], Math.min(area.label[1], model.axis - 12)] as [number, number],
        })),
      ).map((label) => zoneLabel(label, 'above'))}
      {labelsOf(model.below).map((label) => zoneLabel(label, 'below'))}
    </svg>
  );
}
