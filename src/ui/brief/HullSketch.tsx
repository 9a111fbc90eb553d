'use client';
import { mix, shares } from '@/core/geometry';
import { shapeOf, type Boat } from '@/core/document';
import { lineThrough } from '@/core/drawing';
import { useUnits } from '../shared/units';

const WIDTH = 690;
const STATIONS = 60;
/** Body sections drawn on each side of the middle. */
const SECTIONS = 5;
const BODY = 585;
const PROFILE = { left: 16, width: 430, height: 92, base: 116 };

function sketchOf(boat: Boat) {
  const shape = shapeOf(boat);
  if (!shape) return null;
  const { hull } = shape;
  const places = shares(STATIONS).map((t) => mix(hull.aft, hull.bow, t));
  const low = Math.min(...places.map((x) => hull.at(x, 0)[2]));
  const high = Math.max(...places.map((x) => hull.at(x, 2)[2]));
  const beam = Math.max(...places.map((x) => hull.at(x, 2)[1]));
  const scale = Math.min(PROFILE.width / (hull.bow - hull.aft), PROFILE.height / (high - low));
  const bodyScale = Math.min(88 / beam, PROFILE.height / (high - low));
  const X = (x: number) => PROFILE.left + (x - hull.aft) * scale;
  const Z = (z: number) => PROFILE.base - (z - low) * scale;
  const bodyZ = (z: number) => PROFILE.base - (z - low) * bodyScale;
  const lean = Math.tan((hull.transomRakeDeg * Math.PI) / 180);
  const [foot, head] = [hull.at(hull.aft, 0)[2], hull.at(hull.aft, 2)[2]];
  const line = (s: number) => lineThrough(places.map((x) => [X(x), Z(hull.at(x, s)[2])]));
  const section = (share: number, side: -1 | 1) =>
    lineThrough(
      hull.section(mix(hull.aft, hull.bow, share)).map(([, y, z]) => [BODY + side * y * bodyScale, bodyZ(z)]),
    );
  return {
    keel: line(0),
    chine: hull.hardChine ? line(1) : null,
    sheer: line(2),
    transom: lineThrough([
      [X(hull.aft), Z(foot)],
      [X(hull.aft - lean * (head - foot)), Z(head)],
      [X(hull.aft), Z(head)],
    ]),
    sections: shares(SECTIONS).flatMap((t) => [section(0.48 * t, -1), section(mix(0.5, 0.98, t), 1)]),
    length: [X(hull.aft), X(hull.bow)] as const,
    water: Z(hull.waterline),
    bodyWater: bodyZ(hull.waterline),
    bodyTop: bodyZ(high),
    half: beam * bodyScale,
  };
}

/** Profile and sections of the hull as Zones has it, to scale, with the particulars it follows. */
export function HullSketch({ boat }: { boat: Boat }) {
  const { full } = useUnits();
  const { hullLength: LH, waterlineLength: LWL, maximumBeam: B, chineBeam: BC, deadriseDeg } = boat.brief;
  let sketch: ReturnType<typeof sketchOf> = null;
  try {
    sketch = sketchOf(boat);
  } catch {
    // What contradicts itself is said where it is typed.
  }
  if (!sketch) return <p className="small soft mb-0">The boat has no hull shape yet: give it one under Zones.</p>;
  const { keel, chine, sheer, transom, sections, length, water, bodyWater, bodyTop, half } = sketch;
  return (
    <svg
      viewBox={`0 14 ${WIDTH} 152`}
      width="100%"
      role="img"
      aria-label={
        `Profile and sections: hull ${full(LH, 'length')}, waterline ` +
        `${full(LWL, 'length')}, beam ${full(B, 'length')}, deadrise ` +
        `${full(deadriseDeg, 'angle')}`
      }
    >
      <g fill="none" stroke="var(--ink)" strokeWidth="1.4">
        <path d={keel} />
        <path d={sheer} />
        <path d={transom} />
      </g>
      <g fill="none" stroke="var(--ink)" strokeWidth="0.8">
        {chine && <path d={chine} />}
        {sections.map((d) => (
          <path key={d} d={d} />
        ))}
        <line x1={BODY} x2={BODY} y1={bodyTop} y2={PROFILE.base} strokeDasharray="2 3" />
      </g>
      <g stroke="var(--water)" strokeDasharray="7 4">
        <line x1={length[0] - 8} x2={length[1] + 8} y1={water} y2={water} />
        <line x1={BODY - half - 8} x2={BODY + half + 8} y1={bodyWater} y2={bodyWater} />
      </g>
      <g stroke="var(--clay)" strokeWidth="0.8" fill="var(--clay)" fontSize="11" textAnchor="middle">
        <path d={`M ${length[0]} 138 H ${length[1]} M ${length[0]} 134 v8 M ${length[1]} 134 v8`} fill="none" />
        <text x={(length[0] + length[1]) / 2} y="154" stroke="none">
          hull {full(LH, 'length')}, waterline {full(LWL, 'length')}
        </text>
        <path d={`M ${BODY - half} 138 H ${BODY + half} M ${BODY - half} 134 v8 M ${BODY + half} 134 v8`} fill="none" />
        <text x={BODY} y="150" stroke="none">
          beam {full(B, 'length')}, chine {full(BC, 'length')}
        </text>
        <text x={BODY} y="163" stroke="none">
          deadrise {full(deadriseDeg, 'angle')}
        </text>
      </g>
    </svg>
  );
}
