'use client';
import { hasDirection, type LayerMaterial } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { coreRun, type PartSection, type SectionWindow } from '@/core/lines';
import type { Boat, Part } from '@/core/document';
import { useUnits } from '../shared/units';

const HEIGHT = 118;
const TOP = 30;
const ZONE = 92;
const WINDOW = 150;
const FOOT = 40;

/** How a layer is filled: core by its cells, skins by tone and hatch, so that they are told apart without colour. */
function fillOf(material: LayerMaterial, role: string): { fill: string; pattern: string | null } {
  if (role !== 'structure') return { fill: 'var(--faint)', pattern: 'section-off' };
  if (material.kind === 'core') return { fill: 'var(--core)', pattern: 'fibre-core' };
  if (material.kind === 'wood') return { fill: 'var(--core)', pattern: 'fibre-wood' };
  if (material.kind === 'coating') return { fill: 'var(--line)', pattern: null };
  return { fill: 'var(--card)', pattern: hasDirection(material) ? 'section-fabric' : 'fibre-mat' };
}

/**
 * A section through a part: zones cut short by break marks, the lines between them true across their window,
 * thickness enlarged by the factor it states.
 * The mould face is at the bottom, as it lies in the mould.
 */
export function PartSectionDrawing({
  section,
  boat,
  part,
  chosenLayer,
  chosenLine,
  onLine,
  title,
}: {
  section: PartSection;
  boat: Boat;
  part: Part;
  chosenLayer: string | null;
  chosenLine: string | null;
  onLine: (key: string) => void;
  title: string;
}) {
  const { full } = useUnits();
  const materials = new Map(boat.materials.map((material) => [material.id, material as LayerMaterial]));
  const layers = new Map(part.layers.map((layer) => [layer.id, layer]));
  const thickest = Math.max(
    0.004,
    ...section.zones.map(({ thickness }) => thickness),
    ...section.windows.flatMap((window) => (window ? [window.state.lapThickness] : [])),
  );
  const scale = HEIGHT / thickest;
  const base = TOP + HEIGHT;
  const widest = Math.max(0.06, ...section.windows.flatMap((window) => (window ? [window.stations.at(-1)!] : [])));
  const across = WINDOW / 2 / widest;
  const width = section.zones.length * ZONE + section.windows.length * WINDOW + (section.edge ? WINDOW / 2 : 0) + 24;

  const band = (id: string, points: [number, number, number][], key: string) => {
    const layer = layers.get(id);
    const material = layer && materials.get(layer.material);
    if (!layer || !material) return null;
    const { fill, pattern } = fillOf(material, layer.role);
    const outline = [
      ...points.map(([x, low]) => `${x.toFixed(1)},${(base - low).toFixed(2)}`),
      ...points.toReversed().map(([x, , high]) => `${x.toFixed(1)},${(base - high).toFixed(2)}`),
    ].join(' ');
    const chosen = id === chosenLayer;
    return (
      <g key={key}>
        <polygon points={outline} fill={chosen ? 'var(--blush)' : fill} />
        {pattern && <polygon points={outline} fill={`url(#${pattern})`} />}
        <polygon
          points={outline}
          fill="none"
          stroke={chosen ? 'var(--clay)' : 'var(--ink)'}
          strokeWidth={chosen ? 1.2 : 0.45}
        />
      </g>
    );
  };
  const zoneBands = (zone: PartSection['zones'][number], x: number, w: number) => {
    let z = 0;
    return zone.layers.map((layer) => {
      const low = z * scale;
      z += layer.thickness;
      return band(
        layer.layerId,
        [
          [x, low, z * scale],
          [x + w, low, z * scale],
        ],
        `${zone.zoneId}-${x}-${layer.layerId}`,
      );
    });
  };
  const windowBands = ({ stations, bands }: SectionWindow, x: number) => {
    const middle = x + WINDOW / 2;
    const reach = stations.at(-1)!;
    // A window narrower than the widest one is filled with its outermost state.
    const xs = stations.map((u, i) => {
      if (i === 0) return x;
      return i === stations.length - 1 && Math.abs(u) >= reach - 1e-9 ? x + WINDOW : middle + u * across;
    });
    const heights = stations.map(() => 0);
    return bands.map(({ layerId, thickness }) => {
      const points = thickness.map((t, i): [number, number, number] => {
        const low = heights[i]!;
        heights[i] = low + t * scale;
        return [xs[i]!, low, heights[i]!];
      });
      return thickness.some((t) => t > 0) ? band(layerId, points, `${x}-${layerId}`) : null;
    });
  };
  const breakMark = (x: number) => (
    <path
      key={`b${x}`}
      d={`M ${x} ${base + 6} l -3 -8 l 6 -${HEIGHT / 2} l -6 -6 l 6 -${HEIGHT / 2}`}
      fill="none"
      stroke="var(--card)"
      strokeWidth="5"
    />
  );

  const placed = section.zones.map((zone, i) => ({ zone, at: 16 + i * (ZONE + WINDOW), window: section.windows[i] }));
  const x = 16 + section.zones.length * ZONE + section.windows.length * WINDOW;
  const ratio = scale / across;
  return (
    <svg
      viewBox={`0 0 ${width} ${base + FOOT}`}
      width="100%"
      className="part-section"
      role="group"
      aria-label={
        `${title}: ` +
        `${section.zones.map(({ name, thickness }) => `${name} ${full(thickness, 'thickness')}`).join(', ')}`
      }
    >
      <defs>
        <pattern id="section-fabric" width="5" height="3" patternUnits="userSpaceOnUse">
          <path d="M0 1.5H5" stroke="var(--grey)" strokeWidth="0.5" />
        </pattern>
        <pattern id="section-off" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 3H6" stroke="var(--grey)" strokeWidth="0.8" strokeDasharray="2 2" />
        </pattern>
      </defs>
      {placed.map(({ zone, at, window }) => (
        <g key={at}>
          {zoneBands(zone, at, ZONE)}
          {breakMark(at + ZONE / 2)}
          <text x={at + ZONE / 2} y={base + 15} textAnchor="middle" fontSize="10.5" fontWeight="600">
            {zone.name}
          </text>
          <text x={at + ZONE / 2} y={base + 28} textAnchor="middle" fontSize="10" fill="var(--soft)">
            {full(zone.thickness, 'thickness')}
          </text>
          {window && (
            <g>
              {windowBands(window, at + ZONE)}
              <line
                x1={at + ZONE + WINDOW / 2}
                x2={at + ZONE + WINDOW / 2}
                y1={TOP - 6}
                y2={base + 4}
                stroke="var(--clay)"
                strokeWidth="0.8"
                strokeDasharray="3 2"
              />
              <WindowLabel
                window={window}
                x={at + ZONE + WINDOW / 2}
                base={base}
                chosen={chosenLine === `${window.state.line.a}|${window.state.line.b}`}
                full={full}
                onLine={onLine}
              />
            </g>
          )}
          {window === null && (
            <text x={at + ZONE + WINDOW / 2} y={base - HEIGHT / 2} textAnchor="middle" fontSize="10" fill="var(--soft)">
              do not meet
            </text>
          )}
        </g>
      ))}
      {section.edge && (
        <g>
          <path
            d={
              `M ${x} ${base} h ${WINDOW / 2} v -6 h -${WINDOW / 4} L ${x} ` +
              `${base - section.zones.at(-1)!.thickness * scale}`
            }
            fill="var(--card)"
            stroke="var(--ink)"
            strokeWidth="0.6"
          />
          <text x={x + WINDOW / 4} y={base + 15} fontSize="10" textAnchor="middle">
            solid {full(section.edge.solid, 'shortLength')}, 1 : {formatNumber(section.edge.bevel, 0)}
          </text>
        </g>
      )}
      <line x1="16" x2={x} y1={base} y2={base} stroke="var(--clay)" strokeWidth="2" />
      <text x="16" y={TOP - 16} fontSize="10" fill="var(--clay)">
        mould face at the bottom; thickness enlarged ×{formatNumber(ratio, ratio < 10 ? 1 : 0)} against the length
        across each line
      </text>
      <g stroke="var(--ink)" strokeWidth="0.7" fill="none">
        <path d={`M 8 ${base} V ${base - 0.01 * scale} M 5 ${base} h 6 M 5 ${base - 0.01 * scale} h 6`} />
      </g>
      <text x="2" y={base - 0.01 * scale - 3} fontSize="8.5">
        10 mm
      </text>
    </svg>
  );
}

function WindowLabel({
  window: { state, reversed },
  x,
  base,
  chosen,
  full,
  onLine,
}: {
  window: SectionWindow;
  x: number;
  base: number;
  chosen: boolean;
  full: (value: number, kind: 'thickness' | 'shortLength') => string;
  onLine: (key: string) => void;
}) {
  const { line, lapWidth, lapThickness, findings, layers, bevel } = state;
  const stops = layers.filter(({ covers, laid }) => covers !== 'both' && laid.material.kind === 'fabric').length;
  const tapers = layers.some((one) => coreRun(layers, one, bevel) > 0);
  const what = [
    lapWidth > 0 && `lap ${full(lapWidth, 'shortLength')}: ${full(lapThickness, 'thickness')}`,
    stops > 0 && `${stops} stop`,
    tapers && `core 1 : ${formatNumber(bevel, 0)}`,
  ].filter(Boolean);
  return (
    <g
      className="section-line"
      role="button"
      tabIndex={0}
      aria-pressed={chosen}
      aria-label={`${line.name}${reversed ? ', seen from the other side' : ''}`}
      onClick={() => onLine(`${line.a}|${line.b}`)}
      onKeyDown={(event) => event.key === 'Enter' && onLine(`${line.a}|${line.b}`)}
    >
      <rect
        x={x - 70}
        y={base + 4}
        width="140"
        height="32"
        fill={chosen ? 'var(--blush)' : 'transparent'}
        stroke={chosen ? 'var(--clay)' : 'none'}
        rx="3"
      />
      <text x={x} y={base + 15} textAnchor="middle" fontSize="10" fill="var(--clay)">
        {findings.length > 0 ? '△ ' : ''}
        {what.join(', ') || 'all run on'}
      </text>
      <text x={x} y={base + 28} textAnchor="middle" fontSize="9" fill="var(--soft)">
        {findings.length > 0 && `${findings.length} to mend`}
        {findings.length === 0 && line.a === line.b && 'centreline'}
      </text>
    </g>
  );
}
