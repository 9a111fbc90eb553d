'use client';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import { boxOf, type KitRun } from '@/core/kit';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { useDrag } from '../shared/drawing/useDrag';
import { Refusal } from '../shared/Refusal';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';
import { saidPoints } from './OutlineSvg';

const WIDE = 1000;
const HIGH = 380;
/** Shear that is drawn as nothing (degrees), and radius of a dot by degree. */
const LEAST = 1;
const PER_DEGREE = 0.28;
const LARGEST = 9;
const STEP = 0.01;

/** The run of a layer before the roll parts it: joints to move, where the cloth shears, darts. */
export function RunCard({ run }: { run: KitRun }) {
  const { boat } = useDesign();
  const { full } = useUnits();
  const edit = useEdit();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [moving, setMoving] = useState<{ at: number; to: number } | null>(null);
  const placing = boat.jointPlacings.find((one) => one.run === run.run);
  const { maxX, maxY } = boxOf(run.outline);
  const scale = Math.min(WIDE / maxY, HIGH / maxX);
  const part = boat.parts.find(({ id }) => id === run.partId);
  const material = boat.materials.find(
    ({ id }) => id === part?.layers.find((layer) => layer.id === run.layerId)?.material,
  );
  const limit = material?.kind === 'fabric' ? material.lockingAngle.value : Infinity;
  const most = Math.max(0, ...run.map.map(({ degrees }) => degrees));
  const joints = run.joints.map((x, i) => (moving?.at === i ? moving.to : x));
  if (joints.length === 0 && most < LEAST) return null;
  const place = (at: number, to: number) => {
    const next = run.joints.map((x, i) => Number((i === at ? to : x).toFixed(3)));
    const item = {
      id: placing?.id ?? nanoid(8),
      name: placing?.name ?? `Joints of layer ${run.layerNumber}, ${part?.name ?? ''}`.slice(0, 80),
      run: run.run,
      joints: next,
    };
    const refused = placing
      ? edit({ type: 'jointPlacing.set', item })
      : edit({ type: 'jointPlacing.add', item, index: boat.jointPlacings.length });
    setRefusal(refused ?? null);
  };
  const within = (x: number) => Math.min(Math.max(x, 0.01), maxX - 0.01);
  return (
    <Card body className="mb-3">
      <div className="d-flex gap-2 align-items-center flex-wrap mb-2">
        <h2 className="mb-0 me-auto">
          Layer {run.layerNumber} in one, before the roll parts it: {full(maxY, 'length')} × {full(maxX, 'length')}
        </h2>
        {placing && (
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() => setRefusal(edit({ type: 'jointPlacing.remove', id: placing.id }) ?? null)}
          >
            Joints as they come
          </Button>
        )}
      </div>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {placing && !run.byHand && (
        <p className="mb-1">
          △ Joints as they were placed by hand leave a width wider than the roll ({full(run.width, 'length')}), or lie
          off the piece: they are placed anew.
        </p>
      )}
      {!run.apart && <p className="mb-1">△ A joint lies nearer to one of the layer below than the yard’s least.</p>}
      <svg
        viewBox={`-4 -4 ${WIDE + 8} ${maxX * scale + 8}`}
        className="kit-picture"
        role="group"
        aria-label="The layer in one with its joints, warp from left to right"
      >
        <polygon points={saidPoints(run.outline, scale)} className="kit-piece" />
        {run.map.map(({ at: [x, y], degrees }, i) =>
          degrees < LEAST ? null : (
            <ShearMark key={i} x={y * scale} y={x * scale} degrees={degrees} over={degrees > limit} />
          ),
        )}
        {run.darts.map(({ from, to, degrees, laps }, i) => (
          <g key={i}>
            <polyline points={saidPoints([from, to], scale)} className="kit-dart" />
            <text x={to[1] * scale + 6} y={to[0] * scale} className="kit-text">
              {laps ? 'laps' : 'opens'} {formatNumber(degrees, 0)}°
            </text>
          </g>
        ))}
        {joints.map((x, i) => (
          <Joint
            key={i}
            name={`Joint ${i + 1}, ${full(x, 'length')} from the edge`}
            at={x * scale}
            long={maxY * scale}
            onMove={(py) => setMoving({ at: i, to: within(py / scale) })}
            onEnd={() => {
              if (moving) place(i, moving.to);
              setMoving(null);
            }}
            onNudge={(by) => place(i, within(run.joints[i]! + by))}
          />
        ))}
      </svg>
      <p className="small soft mb-0">
        {joints.length > 0 && 'Drag a joint across the cloth, or choose it and use the arrow keys. '}
        {most >= LEAST &&
          `Dots: how far the cloth shears, at most ${formatNumber(most, 0)}°` +
            (Number.isFinite(limit) ? ` (it locks at ${formatNumber(limit, 0)}°; ✕ beyond it). ` : '. ')}
        {run.darts.length > 0 && 'Dashed: darts to try on the mould; their sides lap, or open and take a gusset. '}
        It is the shear of a net laid from the middle of the piece outward; smoothed from elsewhere it is another.
      </p>
    </Card>
  );
}

/** A dot as large as the shear, or a cross where the cloth cannot follow. */
function ShearMark({ x, y, degrees, over }: { x: number; y: number; degrees: number; over: boolean }) {
  const r = Math.min(LARGEST, Math.max(1, degrees * PER_DEGREE));
  return over ? (
    <path d={`M${x - 5} ${y - 5}l10 10m0-10l-10 10`} className="kit-over" />
  ) : (
    <circle cx={x} cy={y} r={r} className="kit-shear" />
  );
}

function Joint({
  name,
  at,
  long,
  onMove,
  onEnd,
  onNudge,
}: {
  name: string;
  at: number;
  long: number;
  onMove: (py: number) => void;
  onEnd: () => void;
  onNudge: (by: number) => void;
}) {
  const drag = useDrag<SVGGElement>({ onStart: () => {}, onMove: (_, y) => onMove(y), onEnd });
  return (
    <g
      ref={drag}
      role="button"
      tabIndex={0}
      aria-label={name}
      className="kit-joint"
      onKeyDown={(event) => {
        const by = { ArrowDown: STEP, ArrowUp: -STEP }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        onNudge(event.shiftKey ? 5 * by : by);
      }}
    >
      <rect x={0} y={at - 8} width={long} height={16} fill="transparent" stroke="none" />
      <line x1={0} x2={long} y1={at} y2={at} />
    </g>
  );
}
