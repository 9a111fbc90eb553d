'use client';
import { craftOf, methodOf, type Boat, type Zone } from '@/core/document';
import type { ZoneEvaluation } from '@/core/evaluate';
import { isHead, panelPressure } from '@/core/standard';
import { displayUnit, formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';

const MARKS = [
  'M -5 0 A 5 5 0 1 0 5 0 A 5 5 0 1 0 -5 0',
  'M -4.5 -4.5 H 4.5 V 4.5 H -4.5 Z',
  'M 0 -5.5 L 5.5 4 H -5.5 Z',
  'M 0 -6 L 6 0 L 0 6 L -6 0 Z',
  'M -5 -2 H -2 V -5 H 2 V -2 H 5 V 2 H 2 V 5 H -2 V 2 H -5 Z',
];
const LEFT = 46,
  RIGHT = 730,
  TOP = 14,
  BOTTOM = 232;

/** Pressure on a zone's own panel were it elsewhere along the boat (m, Pa); empty where a head of water or a missing figure decides. */
function alongTheBoat(boat: Boat, zone: Zone, evaluation: ZoneEvaluation | undefined): [number, number][] {
  if (isHead(zone.location) || !evaluation?.construction || evaluation.problem) return [];
  const [craft, pack, LWL] = [craftOf(boat.brief), methodOf(boat), boat.brief.waterlineLength];
  const { construction } = evaluation;
  return Array.from({ length: 33 }, (_, i) => {
    const panelX = (LWL * i) / 32;
    return [
      panelX,
      panelPressure(
        { craft, location: zone.location, geometry: { ...zone.geometry, panelX }, construction },
        undefined,
        pack,
      ).pressure,
    ];
  });
}

/** Design pressure of every zone's panel along the waterline, one mark shape per part. */
export function PressureChart({
  boat,
  evaluations,
  chosen,
  onChoose,
}: {
  boat: Boat;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  chosen: string | null;
  onChoose: (zoneId: string) => void;
}) {
  const { show, unit, system } = useUnits();
  const points = boat.parts.flatMap((part, p) =>
    part.zones.map((zone) => ({ zone, p, pressure: evaluations.get(zone.id)?.pressure?.pressure ?? null })),
  );
  const drawn = points.filter((point): point is typeof point & { pressure: number } => point.pressure !== null);
  const LWL = boat.brief.waterlineLength;
  const own = boat.parts.flatMap((part) => part.zones).find(({ id }) => id === chosen);
  const curve = own ? alongTheBoat(boat, own, evaluations.get(own.id)) : [];
  const low = Math.min(0, ...points.map(({ zone }) => zone.geometry.panelX));
  const high = Math.max(LWL, ...points.map(({ zone }) => zone.geometry.panelX));
  const top = Math.max(5000, ...drawn.map(({ pressure }) => pressure), ...curve.map(([, pressure]) => pressure)) * 1.08;
  const x = (metres: number) => LEFT + ((metres - low) / (high - low)) * (RIGHT - LEFT - 110);
  const y = (pressure: number) => BOTTOM - (pressure / top) * (BOTTOM - TOP);
  const step = [1, 2, 5, 10, 20, 50].find((kilopascals) => top / (kilopascals * 1000) <= 6) ?? 100;
  const ticks = Array.from({ length: Math.floor(top / (step * 1000)) + 1 }, (_, i) => i * step * 1000);

  // Labels sit right of their mark; one that would cover another steps down until it is free.
  const placed = drawn.map(({ zone, pressure }) => ({ x: x(zone.geometry.panelX) - 6, y: y(pressure) + 5, width: 12 }));
  const labelled = [...drawn]
    .sort((a, b) => b.pressure - a.pressure)
    .map((point) => {
      const at = {
        x: x(point.zone.geometry.panelX) + 9,
        y: y(point.pressure) + 4,
        width: point.zone.name.length * 5.9,
      };
      while (
        placed.some(
          (other) => Math.abs(other.y - at.y) < 11 && at.x < other.x + other.width + 2 && other.x < at.x + at.width + 2,
        )
      )
        at.y += 3;
      placed.push(at);
      return { ...point, label: at };
    });

  return (
    <>
      <svg viewBox="0 0 740 288" width="100%" role="group" aria-label="Design pressure along the waterline">
        {ticks.map((tick) => (
          <g key={tick}>
            <line x1={LEFT} x2={RIGHT} y1={y(tick)} y2={y(tick)} stroke="#e5dccd" />
            <text x={LEFT - 6} y={y(tick) + 4} fontSize="10.5" textAnchor="end" fill="#5f574d">
              {show(tick, 'pressure')}
            </text>
          </g>
        ))}
        <text x="4" y="10" fontSize="10.5" fill="#5f574d">
          {unit('pressure')}
        </text>
        <line x1={x(0)} x2={x(LWL)} y1={BOTTOM + 16} y2={BOTTOM + 16} stroke="#1b5e6f" strokeWidth="3" />
        {[0, 0.25, 0.5, 0.75, 1].map((share) => (
          <text key={share} x={x(LWL * share)} y={BOTTOM + 31} fontSize="10.5" textAnchor="middle" fill="#1b5e6f">
            {formatNumber((LWL * share) / displayUnit('length', system).factor, 1)}
          </text>
        ))}
        <text x={x(LWL / 2)} y={BOTTOM + 48} fontSize="10.5" textAnchor="middle" fill="#5f574d">
          {unit('length')} from aft end of waterline
        </text>
        {curve.length > 0 && (
          <path
            d={`M${curve.map(([at, pressure]) => `${x(at).toFixed(1)} ${y(pressure).toFixed(1)}`).join('L')}`}
            fill="none"
            stroke="#9a4527"
            strokeWidth="1.4"
            strokeDasharray="6 3"
          />
        )}
        {labelled.map(({ zone, p, pressure, label }) => (
          <g
            key={zone.id}
            role="button"
            tabIndex={0}
            aria-label={`${zone.name}: ${show(pressure, 'pressure')} ${unit('pressure')}`}
            cursor="pointer"
            onClick={() => onChoose(zone.id)}
            onKeyDown={(event) => event.key === 'Enter' && onChoose(zone.id)}
          >
            {Math.abs(label.y - 4 - y(pressure)) > 6 && (
              <line
                x1={x(zone.geometry.panelX)}
                y1={y(pressure)}
                x2={label.x - 2}
                y2={label.y - 4}
                stroke="#9a8f80"
                strokeWidth="0.7"
              />
            )}
            <path
              d={MARKS[p % MARKS.length]}
              transform={`translate(${x(zone.geometry.panelX)} ${y(pressure)})`}
              fill={zone.id === chosen ? '#9a4527' : '#fffdf8'}
              stroke={zone.id === chosen ? '#9a4527' : '#2b2622'}
              strokeWidth="1.4"
            />
            <text
              x={label.x}
              y={label.y}
              fontSize="11"
              fill={zone.id === chosen ? '#9a4527' : '#2b2622'}
              fontWeight={zone.id === chosen ? 600 : 400}
            >
              {zone.name}
            </text>
          </g>
        ))}
      </svg>
      <div className="small soft">
        {boat.parts.map((part, p) => (
          <span key={part.id} className="me-3">
            <svg width="14" height="12" viewBox="-7 -6 14 12" aria-hidden="true">
              <path d={MARKS[p % MARKS.length]} fill="#fffdf8" stroke="#2b2622" strokeWidth="1.4" />
            </svg>{' '}
            {part.name}
          </span>
        ))}
        {own && curve.length > 0 && <span>- - the panel of {own.name}, were it elsewhere</span>}
      </div>
    </>
  );
}
