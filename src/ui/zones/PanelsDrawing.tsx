'use client';
import { useMemo } from 'react';
import { develop, patchRim, regionPatch, type Development, type Panel, type Point } from '@/core/geometry';
import { formatNumber } from '@/core/quantity';
import { membersOf } from '@/core/evaluate';
import { shapeOf, zonePanels, type Boat, type Zone } from '@/core/document';
import { useUnits } from '../shared/units';

const WIDTH = 400;
const HEIGHT = 190;

/** Fit flat points into a box, with a scale that is kept for dimensions. */
function fit(runs: readonly (readonly [number, number])[][], width: number, height: number) {
  const all = runs.flat();
  const [xs, ys] = [all.map(([x]) => x), all.map(([, y]) => y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min(width / Math.max(1e-6, x1 - x0), height / Math.max(1e-6, y1 - y0));
  return {
    scale,
    to: ([x, y]: readonly [number, number]): [number, number] => [
      (WIDTH - (x1 - x0) * scale) / 2 + (x - x0) * scale,
      14 + (y1 - y) * scale,
    ],
    foot: 14 + (y1 - y0) * scale,
  };
}
const path = (points: [number, number][]) => `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;

/** Panels seen square on: along the boat and up the girth, or straight at a flat zone. */
function flatten({ region, location }: Zone): (point: Point) => [number, number] {
  const piece = region?.surface === 'coachroof' || region?.surface === 'cockpit' ? region.piece : null;
  const across = region?.surface === 'section' || region?.surface === 'transom' || piece === 'front';
  if (across) return ([, y, z]) => [y, z];
  const upright = piece === 'side' || (region?.surface === 'hull' && location !== 'bottom');
  return upright ? ([x, , z]) => [x, z] : ([x, y]) => [x, y];
}

/** All panels of a zone with the one that governs, and the zone developed flat. */
export function PanelsDrawing({
  boat,
  zone,
  construction,
}: {
  boat: Boat;
  zone: Zone;
  construction: 'single' | 'sandwich' | null;
}) {
  const { full, show, unit } = useUnits();
  const found = useMemo(() => {
    try {
      const panels = zonePanels(boat, zone, construction ?? 'sandwich');
      const shape = shapeOf(boat);
      const patch = shape && zone.region ? regionPatch(shape, zone.region) : null;
      return panels && patch ? { panels, patch, development: develop(patch) } : null;
    } catch {
      return null;
    }
  }, [boat, zone, construction]);
  if (!found) return null;
  const { panels, patch, development } = found;
  const flat = flatten(zone);
  const runs = panels.panels.map(({ panel }) => patchRim(panel.patch).map(flat));
  const rim = patchRim(patch).map(flat);
  const view = fit([...runs, rim], WIDTH - 40, HEIGHT - 40);
  const governing = panels.panels[panels.governing]!;
  return (
    <>
      <h3 className="mb-1">Panels between supports</h3>
      <svg
        viewBox={`0 0 ${WIDTH} ${view.foot + 18}`}
        width="100%"
        role="img"
        aria-label={`Panels of ${zone.name}; the governing one is ${describe(governing.panel)}`}
      >
        {runs.map((run, i) => (
          <path
            key={i}
            d={path(run.map(view.to))}
            fill={i === panels.governing ? 'var(--blush)' : 'var(--card)'}
            stroke={i === panels.governing ? 'var(--clay)' : 'var(--water)'}
            strokeWidth={i === panels.governing ? 2.4 : 1.4}
          />
        ))}
        <path d={path(rim.map(view.to))} fill="none" stroke="var(--ink)" strokeWidth="1" strokeDasharray="3 2" />
        <clipPath id="panel-box">
          <rect x="0" y="8" width={WIDTH} height={view.foot} />
        </clipPath>
        <g clipPath="url(#panel-box)">
          {gridOf(boat, zone).map(({ id, name, computed, points }) => (
            <path
              key={id}
              d={`M${points
                .map((p) =>
                  view
                    .to(flat(p))
                    .map((value) => value.toFixed(1))
                    .join(' '),
                )
                .join('L')}`}
              fill="none"
              stroke="var(--water)"
              strokeWidth={computed ? 4 : 1.6}
              strokeOpacity={computed ? 0.55 : 1}
              strokeDasharray={computed ? undefined : '7 3'}
            >
              <title>{name}</title>
            </path>
          ))}
        </g>
        {panels.panels.map(({ panel, pressure }, i) => {
          const [x, y] = view.to(flat(panel.centre));
          return (
            <text
              key={i}
              x={x}
              y={y + 4}
              fontSize="10.5"
              textAnchor="middle"
              fontWeight={i === panels.governing ? 600 : 400}
              fill={i === panels.governing ? 'var(--clay-deep)' : 'var(--ink)'}
              stroke="var(--card)"
              strokeWidth="3"
              paintOrder="stroke"
            >
              {show(pressure, 'pressure')}
            </text>
          );
        })}
        <text x="4" y={view.foot + 14} fontSize="10" fill="var(--soft)">
          numbers: design pressure, {unit('pressure')}; dashed: the zone; thick: stiffeners
        </text>
      </svg>
      <p className="small mb-2">
        Governing: {full(governing.panel.length, 'shortLength')} × {full(governing.panel.breadth, 'shortLength')},
        between {describe(governing.panel)}. It has the greatest edge moment under its pressure.
      </p>
      <DevelopedOutline development={development} zone={zone} count={patch.count} />
    </>
  );
}

/** Members that run over a zone's own surface, as lines in the plane of the drawing. */
function gridOf(boat: Boat, zone: Zone): { id: string; name: string; computed: boolean; points: Point[] }[] {
  const members = membersOf(boat);
  const surface = zone.region?.surface;
  return boat.supports.flatMap((support) => {
    const here =
      support.kind === 'rib'
        ? support.zone === zone.id
        : surface === (support.kind === 'beam' || support.kind === 'girder' ? 'deck' : 'hull');
    const geometry = here ? members.get(support.id) : null;
    const above = surface === 'hull' ? 'side' : null;
    const on = zone.location === 'bottom' ? 'bottom' : above;
    return (geometry?.spans ?? []).flatMap((span, i) =>
      on === null || span.on === on
        ? [{ id: `${support.id}-${i}`, name: support.name, computed: support.section !== null, points: span.points }]
        : [],
    );
  });
}

const describe = ({ between }: Panel) => `${between.along.join(' and ')}, ${between.across.join(' and ')}`;

function DevelopedOutline({ development, zone, count }: { development: Development; zone: Zone; count: number }) {
  const { full } = useUnits();
  const view = fit([development.outline], WIDTH - 40, HEIGHT - 60);
  const xs = development.outline.map(([x]) => x);
  const ys = development.outline.map(([, y]) => y);
  return (
    <>
      <h3 className="mb-1">Developed{count > 1 ? `, one of ${count}` : ''}</h3>
      <svg
        viewBox={`0 0 ${WIDTH} ${view.foot + 18}`}
        width="100%"
        role="img"
        aria-label={`Developed outline of ${zone.name}`}
      >
        <path d={path(development.outline.map(view.to))} fill="var(--card)" stroke="var(--ink)" strokeWidth="1.4" />
        <text x={WIDTH / 2} y={view.foot + 14} fontSize="10.5" textAnchor="middle" fill="var(--soft)">
          {full(Math.max(...xs) - Math.min(...xs), 'length')} ×
          {` ${full(Math.max(...ys) - Math.min(...ys), 'length')}, `}
          {full(development.area, 'area')}
        </text>
      </svg>
      <p className="small soft mb-0">
        {Math.abs(development.distortion) < 0.002
          ? 'Lies flat without stretch.'
          : `Flattening changes its area by ${formatNumber(development.distortion * 100, 1)} %: ` +
            `${Math.abs(development.distortion) < 0.01 ? 'cloth takes it up' : 'dart or shear the cloth'}.`}
      </p>
    </>
  );
}
