'use client';
import type { SurfaceCover } from '@/core/document';
import { useUnits } from '../shared/units';

/** Less of a surface than this is within what areas are known to (share of it, m²). */
const GAP = 0.002;
const LEAST = 0.02;

/** How far the zones take up each surface of the boat: gaps, and what is laid twice. */
export function CoverLines({ cover }: { cover: readonly SurfaceCover[] }) {
  const { show, unit } = useUnits();
  if (cover.length === 0) return null;
  const telling = (area: number, whole: number) => area > Math.max(LEAST, GAP * whole);
  return (
    <table className="table table-sm small mb-0 w-auto" aria-label="How far the zones cover the boat">
      <thead>
        <tr>
          <th scope="col">Surface</th>
          <th scope="col" className="text-end">
            Laid, {unit('area')}
          </th>
          <th scope="col" className="text-end">
            of
          </th>
          <th scope="col">Gaps, and what is laid twice</th>
        </tr>
      </thead>
      <tbody>
        {cover.map(({ name, whole, covered, twice, again }) => (
          <tr key={name}>
            <th scope="row" className="fw-normal">
              {name}
            </th>
            <td className="text-end">{show(covered, 'area')}</td>
            <td className="text-end">{show(whole, 'area')}</td>
            <td>
              {telling(whole - covered, whole) && (
                <span className="verdict thin">△ {show(whole - covered, 'area')} in no zone</span>
              )}{' '}
              {telling(twice, whole) && (
                <span className="verdict thin">
                  △ {show(twice, 'area')} laid twice: {[...new Set(again)].join(', ')}
                </span>
              )}
              {!telling(whole - covered, whole) && !telling(twice, whole) && '✓ once'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
