'use client';
import { useMemo } from 'react';
import { boundariesOf, type Boundary } from '@/core/edit';
import { shapeOf, type Boat } from '@/core/document';
import type { BoatShape } from '@/core/geometry';
import { useZoom } from '../shared/drawing/useZoom';
import { ZoomButtons } from '../shared/drawing/ZoomButtons';
import { boatDrawingModel, LABEL, labelsOf, WIDTH, type Area, type BoatDrawingModel } from '@/core/drawing';
import { BoundaryLine } from './BoundaryLine';
import { hatchFill, ZoneHatches } from './zoneHatch';

export interface BoatDrawingProps {
  boat: Boat;
  chosen: string | null;
  onChoose: (zoneId: string) => void;
  /** While a boundary is held, with where it would go; null when it was let go without moving. */
  onDrag: (move: { boundary: Boundary; to: number } | null) => void;
  onDrop: (boundary: Boundary, to: number) => void;
}

/** Profile and plan of the boat with its zones; edges, bulkheads, frames and beams can be dragged along it. */
export function BoatDrawing(props: BoatDrawingProps) {
  const shape = useMemo(() => shapeOf(props.boat), [props.boat]);
  return shape && <ShapedDrawing {...props} shape={shape} />;
}

function ShapedDrawing({ boat, shape, chosen, onChoose, onDrag, onDrop }: BoatDrawingProps & { shape: BoatShape }) {
  const model = useMemo(() => boatDrawingModel(boat, shape, chosen), [boat, shape, chosen]);
  const boundaries = useMemo(() => boundariesOf(boat), [boat]);
  const { svg, transform, ...zoomed } = useZoom(WIDTH, model.height);
  const { scale } = zoomed;
  const zone = { chosen, onChoose };
  // A label over the centreline would be taken for one of the hull below it.
  const aboveCentre = model.above.map((area) => ({
    ...area,
    label: [area.label[0], Math.min(area.label[1], model.axis - 12)] as [number, number],
  }));
  return (
    <div className="zoomable">
      <ZoomButtons {...zoomed} />
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${model.height}`}
        width="100%"
        role="group"
        aria-label="Profile and plan of the boat with its zones"
        className="boat-drawing"
      >
        <ZoneHatches />
        <clipPath id="above-centre">
          <rect x="0" y="0" width={WIDTH} height={model.axis} />
        </clipPath>
        <g transform={transform}>
          <ViewNames model={model} scale={scale} />
          {model.profile.map((area) => (
            <ZoneArea key={area.zone.id} {...zone} area={area} />
          ))}
          <g clipPath="url(#above-centre)">
            {model.above.map((area) => (
              <ZoneArea key={area.zone.id} {...zone} area={area} />
            ))}
          </g>
          {model.below.map((area) => (
            <ZoneArea key={area.zone.id} {...zone} area={area} />
          ))}
          <HullLines model={model} shape={shape} />
          {boundaries.map((boundary) => (
            <BoundaryLine
              key={boundary.key}
              boundary={boundary}
              hull={shape.hull}
              model={model}
              scale={scale}
              onDrag={onDrag}
              onDrop={onDrop}
            />
          ))}
          <DetailMarks boat={boat} model={model} scale={scale} />
          {[model.profile, aboveCentre, model.below].map((areas, view) => (
            <ZoneLabels key={view} areas={areas} chosen={chosen} scale={scale} />
          ))}
        </g>
      </svg>
    </div>
  );
}

function ViewNames({ model, scale }: { model: BoatDrawingModel; scale: number }) {
  const names = [
    { name: 'Profile', y: 12 },
    { name: model.lookInside ? 'Inside' : 'Deck', y: model.axis - 4 },
    { name: 'Hull', y: model.axis + 14 },
  ];
  return names.map(({ name, y }) => (
    <text key={name} x="4" y={y} fontSize={10.5 / scale} fill="var(--soft)">
      {name}
    </text>
  ));
}

function ZoneArea({
  area: { zone, index, path },
  chosen,
  onChoose,
}: {
  area: Area;
  chosen: string | null;
  onChoose: (zoneId: string) => void;
}) {
  const isChosen = zone.id === chosen;
  return (
    <path
      d={path}
      fill={isChosen ? 'var(--blush)' : hatchFill(index)}
      stroke={isChosen ? 'var(--clay)' : 'var(--soft)'}
      strokeWidth={isChosen ? 2 : 0.9}
      cursor="pointer"
      onClick={() => onChoose(zone.id)}
    />
  );
}

/** Names keep their size however closely the drawing is seen. */
function ZoneLabels({ areas, chosen, scale }: { areas: Area[]; chosen: string | null; scale: number }) {
  return labelsOf(areas).map(({ area: { zone }, x, y }) => (
    <text
      key={zone.id}
      x={x}
      y={y}
      fontSize={LABEL / scale}
      textAnchor="middle"
      fill={zone.id === chosen ? 'var(--clay-deep)' : 'var(--ink)'}
      fontWeight={zone.id === chosen ? 600 : 400}
      stroke="var(--card)"
      strokeWidth="3"
      paintOrder="stroke"
      pointerEvents="none"
    >
      {zone.name}
    </text>
  ));
}

/** Keel, chine, sheer and deck edge, the centreline, the waterline and what runs along the boat. */
function HullLines({ model, shape: { hull } }: { model: BoatDrawingModel; shape: BoatShape }) {
  const { X, Z, axis } = model;
  const waterline = Z(hull.waterline);
  return (
    <g fill="none" pointerEvents="none">
      {[model.keel, model.sheer, model.transom, model.planDeck, model.planHull].map((path, i) => (
        <path key={i} d={path} stroke="var(--ink)" strokeWidth="1.6" />
      ))}
      {[model.chine, model.planChine].map(
        (path, i) => path && <path key={i} d={path} stroke="var(--ink)" strokeWidth="0.9" />,
      )}
      <line
        x1={X(hull.aft) - 6}
        x2={X(hull.bow) + 6}
        y1={axis}
        y2={axis}
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
      {model.members.map(({ id, profile, plan }) => (
        <g key={id} stroke="var(--water)" strokeWidth="1.3" strokeDasharray="7 3">
          {profile && <path d={profile} />}
          <path d={plan} />
        </g>
      ))}
    </g>
  );
}

function DetailMarks({ boat, model: { X, Y }, scale }: { boat: Boat; model: BoatDrawingModel; scale: number }) {
  const onHull = new Set(
    boat.parts.filter(({ kind }) => kind === 'hull').flatMap(({ zones }) => zones.map(({ id }) => id)),
  );
  return boat.details.map(({ id, name, x, y, zone }) => (
    <g key={id}>
      <path
        d="M0 -6l5 6l-5 6l-5 -6Z"
        transform={`translate(${X(x)} ${Y(onHull.has(zone) ? -Math.abs(y) : Math.abs(y))}) scale(${1 / scale})`}
        fill="var(--card)"
        stroke="var(--clay)"
        strokeWidth="1.6"
      />
      <title>{name}</title>
    </g>
  ));
}
