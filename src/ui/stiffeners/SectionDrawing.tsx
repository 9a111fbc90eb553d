'use client';
import type { LoadedSpan, SectionProperties } from '@/core/evaluate';
import type { StiffenerSection } from '@/core/stiffener';
import { useUnits } from '../shared/units';

const WIDTH = 420;
const HEIGHT = 210;

/** The section to scale on its plating, with the plating that works with it and the neutral axis. */
export function StiffenerDrawing({
  section,
  properties,
  loaded,
}: {
  section: StiffenerSection;
  properties: SectionProperties;
  loaded: LoadedSpan | null;
}) {
  const { full } = useUnits();
  const hat = section.kind === 'topHat';
  const plating = loaded ? Math.max(0.002, loaded.platingThickness) : 0.006;
  const breadth = loaded?.effectiveBreadth ?? section.baseWidth + 4 * section.flangeWidth;
  const web = properties.web.thickness;
  const crown = properties.crown?.thickness ?? 0;
  const flange = properties.flange?.thickness ?? 0;
  const total = plating + section.height + crown;
  const span = Math.max(breadth, section.baseWidth + 2 * section.flangeWidth) * 1.15;
  const scale = Math.min((WIDTH - 20) / span, (HEIGHT - 60) / total);
  const base = HEIGHT - 34;
  const X = (x: number) => WIDTH / 2 + x * scale;
  const Z = (z: number) => base - z * scale;
  const half = section.baseWidth / 2;
  const head = section.crownWidth / 2;
  const outline = (points: [number, number][]) =>
    `M${points.map(([x, z]) => `${X(x).toFixed(1)} ${Z(z).toFixed(1)}`).join('L')}Z`;
  const top = plating + section.height;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="img" aria-label={`Section ${section.name} to scale`}>
      <defs>
        <pattern id="former-hatch" width="8" height="8" patternUnits="userSpaceOnUse">
          <circle cx="2" cy="2" r="1" fill="var(--line)" />
          <circle cx="6" cy="6" r="1" fill="var(--line)" />
        </pattern>
      </defs>
      <path
        d={outline([
          [-span / 2, 0],
          [span / 2, 0],
          [span / 2, plating],
          [-span / 2, plating],
        ])}
        fill="var(--card)"
        stroke="var(--soft)"
        strokeDasharray="4 3"
      />
      <path
        d={outline([
          [-breadth / 2, 0],
          [breadth / 2, 0],
          [breadth / 2, plating],
          [-breadth / 2, plating],
        ])}
        fill="var(--faint)"
        stroke="var(--ink)"
        strokeWidth="1.2"
      />
      {hat ? (
        <>
          <path
            d={outline([
              [-half, plating],
              [half, plating],
              [head, top],
              [-head, top],
            ])}
            fill={properties.former ? 'url(#former-hatch)' : 'var(--card)'}
            stroke="none"
          />
          {[-1, 1].map((side) => (
            <path
              key={side}
              d={outline([
                [side * half, plating],
                [side * (half + web), plating],
                [side * (head + web), top],
                [side * head, top],
              ])}
              fill="var(--clay-deep)"
              stroke="var(--ink)"
            />
          ))}
          <path
            d={outline([
              [-head - web, top],
              [head + web, top],
              [head + web, top + crown],
              [-head - web, top + crown],
            ])}
            fill="var(--clay-deep)"
            stroke="var(--ink)"
          />
        </>
      ) : (
        <path
          d={outline([
            [-web / 2, plating],
            [web / 2, plating],
            [web / 2, top],
            [-web / 2, top],
          ])}
          fill="var(--clay-deep)"
          stroke="var(--ink)"
        />
      )}
      {flange > 0 &&
        [-1, 1].map((side) => {
          const inner = hat ? half : web / 2;
          return (
            <path
              key={`f${side}`}
              d={outline([
                [side * inner, plating],
                [side * (inner + section.flangeWidth), plating],
                [side * (inner + section.flangeWidth), plating + flange],
                [side * inner, plating + flange],
              ])}
              fill="var(--clay-deep)"
              stroke="var(--ink)"
            />
          );
        })}
      {loaded && (
        <>
          <line
            x1={12}
            x2={WIDTH - 12}
            y1={Z(loaded.neutralAxis)}
            y2={Z(loaded.neutralAxis)}
            stroke="var(--water)"
            strokeDasharray="10 3 2 3"
          />
          <text x={WIDTH - 12} y={Z(loaded.neutralAxis) - 4} fontSize="11" textAnchor="end" fill="var(--water)">
            neutral axis {full(loaded.neutralAxis, 'thickness')}
          </text>
        </>
      )}
      <text x={WIDTH / 2} y={HEIGHT - 14} fontSize="11" textAnchor="middle" fill="var(--soft)">
        {loaded ? `${full(breadth, 'shortLength')} of plating works with it` : 'not on any member yet'}, height{' '}
        {full(section.height, 'shortLength')}
      </text>
    </svg>
  );
}
