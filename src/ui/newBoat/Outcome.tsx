'use client';
import { supportsOnTrust, targetOf } from '@/core/evaluate';
import { formatNumber, formatReserve, reaches } from '@/core/quantity';
import type { Margin } from '@/core/option';
import { HullSketch } from '../brief/HullSketch';
import { Said } from '../shared/Said';
import { useUnits } from '../shared/units';
import type { Begun } from '../shared/useProofs';

const KINDS = {
  zone: ['zone', 'zones'],
  stiffener: ['stiffener', 'stiffeners'],
  detail: ['detail', 'details'],
} as const;
const SHOWN = 6;

/** What the new boat would be: its lines, what it comes to, and what is still to be mended. */
export function Outcome({ begun, current }: { begun: Begun | string | null; current: boolean }) {
  const { full } = useUnits();
  if (begun === null) return <p className="soft mb-0">Laying the boat …</p>;
  if (typeof begun === 'string')
    return (
      <p className="verdict fails d-block text-wrap mb-0" role="alert">
        ✕ <Said text={begun} />
      </p>
    );
  const { boat, whole } = begun;
  const target = targetOf(boat);
  const below = whole.margins.filter(({ reserveFactor }) => reserveFactor === null || !reaches(reserveFactor, target));
  const trusted = supportsOnTrust(boat).length;
  const layers = boat.parts.reduce((sum, part) => sum + part.layers.length, 0);
  return (
    <div aria-busy={!current} className={current ? undefined : 'soft'}>
      <HullSketch boat={boat} />
      <p className="mb-1">
        {boat.parts.length} parts, {layers} layers, {full(whole.mass, 'mass')} laminated; the target is{' '}
        {full(boat.brief.weightTarget, 'mass')}.
      </p>
      {(['zone', 'stiffener', 'detail'] as const).map((of) => (
        <Line key={of} of={of} margins={whole.margins.filter((margin) => margin.of === of)} target={target} />
      ))}
      {below.length > 0 && (
        <p className="small mb-0">
          To be mended after:{' '}
          {below
            .slice(0, SHOWN)
            .map(
              ({ name, reserveFactor }) =>
                `${name} ${reserveFactor === null ? 'not proven' : formatReserve(reserveFactor)}`,
            )
            .join(', ')}
          {below.length > SHOWN && ` and ${below.length - SHOWN} more`}.
        </p>
      )}
      {trusted > 0 && (
        <p className="small mb-0">
          Not checked: {trusted} {trusted === 1 ? 'support holds' : 'supports hold'} panels and{' '}
          {trusted === 1 ? 'has' : 'have'} no section yet.
        </p>
      )}
      <p className="small soft mb-0">
        By the pack of the source, at planned values. A first lay-up is a start: loads, fittings and what the pack does
        not rate are the designer’s.
      </p>
    </div>
  );
}

function Line({ of, margins, target }: { of: keyof typeof KINDS; margins: readonly Margin[]; target: number }) {
  if (margins.length === 0) return null;
  const reached = margins.filter(
    ({ reserveFactor }) => reserveFactor !== null && reaches(reserveFactor, target),
  ).length;
  const [one, many] = KINDS[of];
  const all = reached === margins.length;
  return (
    <span className={`verdict ${all ? 'meets' : 'thin'} me-1 mb-1`}>
      {all ? '✓' : '△'} {reached} of {margins.length} {margins.length === 1 ? one : many} reach{' '}
      {formatNumber(target, 2)}
    </span>
  );
}
