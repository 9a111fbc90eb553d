'use client';
import { edgeAt, mix, patchRim, regionPatch, shares, type BoatShape } from '@/core/geometry';
import { shapeOf, type Boat, type Zone } from '@/core/document';
import { useUnits } from '../shared/units';
import { hatchFill, ZoneHatches } from './zoneHatch';

const WIDTH = 760;
const TALLEST = 300;

/** The zone of a part that covers a place of the hull. */
function zonesAt(boat: Boat, { hull }: BoatShape, x: number): { zone: Zone; low: number; high: number }[] {
  return boat.parts.flatMap((part) =>
    part.zones.flatMap((zone) => {
      const { region } = zone;
      if (region?.surface !== 'hull' || x < region.from || x > region.to) return [];
      const [low, high] = [edgeAt(hull, region.lower, x), edgeAt(hull, region.upper, x)];
      return high > low + 1e-6 ? [{ zone, low, high }] : [];
    }),
  );
}

/**
 * Body plan on the left; on the right the section through the chosen zone's panel with the zones round it, or the
 * bulkhead itself.
 */
export function SectionsDrawing({
  boat,
  zone,
  onChoose,
}: {
  boat: Boat;
  zone: Zone | null;
  onChoose: (zoneId: string) => void;
}) {
  const { full } = useUnits();
  const shape = shapeOf(boat);
  if (!shape) return null;
  const { hull } = shape;
  const stations = shares(10).map((t) => mix(hull.aft, hull.bow, t * 0.98 + 0.001));
  const middle = mix(hull.aft, hull.bow, 0.48);
  const beam = Math.max(...stations.map((x) => hull.at(x, 2)[1]));
  const top = Math.max(...stations.map((x) => hull.at(x, 2)[2])) + 0.1;
  const scale = Math.min((TALLEST - 50) / top, 165 / beam);
  const HEIGHT = top * scale + 46;
  const Z = (z: number) => HEIGHT - 24 - z * scale;
  const left = 195;
  const right = 565;
  const at = zone?.region?.surface === 'section' ? zone.region.x : (zone?.geometry.panelX ?? middle);
  const x = Math.min(hull.bow - 0.02, Math.max(hull.aft + 0.001, at));
  const bulkhead =
    zone?.region?.surface === 'section' || zone?.region?.surface === 'transom' ? regionPatch(shape, zone.region) : null;
  const run = (points: readonly (readonly [number, number])[]) =>
    `M${points.map(([a, b]) => `${a.toFixed(1)} ${b.toFixed(1)}`).join('L')}`;
  const index = (id: string) => boat.parts.flatMap((part) => part.zones).findIndex((other) => other.id === id);
  const ribs = boat.supports.flatMap((support) =>
    support.kind === 'rib' && support.zone === zone?.id ? [support] : [],
  );
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="group" aria-label="Body plan and section">
      <ZoneHatches />
      {stations.map((station) => {
        const aft = station <= middle;
        return (
          <path
            key={station}
            d={run(hull.section(station).map(([, y, z]) => [left + (aft ? -y : y) * scale, Z(z)]))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={Math.abs(station - x) < 0.3 ? 2 : 1}
          />
        );
      })}
      <line x1={left} x2={left} y1={Z(top)} y2={Z(0) + 4} stroke="var(--soft)" strokeDasharray="10 3 2 3" />
      <text x={left - 80} y={HEIGHT - 6} fontSize="11" fill="var(--soft)" textAnchor="middle">
        aft
      </text>
      <text x={left + 80} y={HEIGHT - 6} fontSize="11" fill="var(--soft)" textAnchor="middle">
        forward
      </text>
      {[left, right].map((centre) => (
        <line
          key={centre}
          x1={centre - beam * scale - 10}
          x2={centre + beam * scale + 10}
          y1={Z(hull.waterline)}
          y2={Z(hull.waterline)}
          stroke="var(--water)"
        />
      ))}
      {bulkhead && zone ? (
        <>
          <path
            d={`${run(patchRim(bulkhead, 24, 16).map(([, y, z]) => [right + y * scale, Z(z)]))}Z`}
            fill={hatchFill(index(zone.id))}
            stroke="var(--clay)"
            strokeWidth="2"
          />
          {ribs.map((rib) => {
            const ends = [0, 1].map((t) =>
              rib.run === 'along' ? bulkhead.at(t, rib.share) : bulkhead.at(rib.share, t),
            );
            return (
              <line
                key={rib.id}
                x1={right + ends[0]![1] * scale}
                y1={Z(ends[0]![2])}
                x2={right + ends[1]![1] * scale}
                y2={Z(ends[1]![2])}
                stroke="var(--water)"
                strokeWidth="2"
                strokeDasharray="7 3"
              />
            );
          })}
        </>
      ) : (
        <>
          <path
            d={run(hull.section(x).map(([, y, z]) => [right + y * scale, Z(z)]))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1"
          />
          <path
            d={run(hull.section(x).map(([, y, z]) => [right - y * scale, Z(z)]))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1"
          />
          {zonesAt(boat, shape, x).map(({ zone: own, low, high }) => {
            const points = hull.section(x, low, high);
            const chosen = own.id === zone?.id;
            const [, y, z] = points[Math.floor(points.length / 2)]!;
            return (
              <g key={own.id} cursor="pointer" onClick={() => onChoose(own.id)}>
                <path
                  d={run(points.map(([, py, pz]) => [right + py * scale, Z(pz)]))}
                  fill="none"
                  stroke={chosen ? 'var(--clay)' : 'var(--soft)'}
                  strokeWidth={chosen ? 6 : 3.5}
                />
                <path
                  d={run(points.map(([, py, pz]) => [right - py * scale, Z(pz)]))}
                  fill="none"
                  stroke={chosen ? 'var(--clay)' : 'var(--soft)'}
                  strokeWidth={chosen ? 6 : 3.5}
                />
                <circle cx={right + points[0]![1] * scale} cy={Z(points[0]![2])} r="2.5" fill="var(--ink)" />
                <text
                  x={right + y * scale - 8}
                  y={Z(z) - 3}
                  fontSize="11"
                  textAnchor="end"
                  fill={chosen ? 'var(--clay-deep)' : 'var(--ink)'}
                  fontWeight={chosen ? 600 : 400}
                >
                  {own.name}
                </text>
              </g>
            );
          })}
        </>
      )}
      <text x={right} y={HEIGHT - 6} fontSize="11" fill="var(--soft)" textAnchor="middle">
        {bulkhead && zone ? `${zone.name}, ` : 'section '}at {full(x, 'length')}
      </text>
    </svg>
  );
}
