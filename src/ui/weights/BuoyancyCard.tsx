import type { ReactNode } from 'react';
import { Card } from 'react-bootstrap';
import { formatNumber } from '@/core/quantity';
import type { Swamped } from '@/core/weight';
import { useUnits } from '../shared/units';

/** Least depth by which a swamped boat may lie under at any place of her deck edge and still be called awash (m). */
const AWASH = -0.1;

/** Trim or heel beyond which nobody would call it level (degrees). */
const LEVEL = 10;
function verdictOf({ state }: Swamped): { is: 'meets' | 'thin' | 'fails'; says: string } {
  if ('reason' in state || !state.stable || state.least.height < AWASH)
    return { is: 'fails', says: '✕ does not lie level' };
  if (Math.abs(state.trimDeg) > LEVEL || Math.abs(state.heelDeg) > LEVEL) return { is: 'fails', says: '✕ lies askew' };
  if (state.least.height < 0) return { is: 'thin', says: '△ awash: her deck edge is under' };
  return { is: 'meets', says: '✓ lies level, her deck edge clear' };
}

/** The boat full of water with her people: what lifts her, and how she lies then. */
export function BuoyancyCard({
  found,
  foamDensity,
  openable,
}: {
  found: Swamped;
  foamDensity: number;
  openable: ReactNode;
}) {
  const { full, show, unit } = useUnits();
  const { state, lifts, lifted, weighs, foamWanted } = found;
  const floats = !('reason' in state);
  const share = weighs > 0 ? lifted / weighs : 0;
  const verdict = verdictOf(found);
  const rows = [...lifts].sort((a, b) => b.lifts - a.lifts);
  const laminate = rows.filter(({ of }) => of === 'laminate');
  const sum = (some: typeof rows) => some.reduce((total, one) => total + one.lifts, 0);
  return (
    <Card>
      <Card.Body className="d-grid gap-1 align-content-start">
        <h2 className="mb-0">Full of water, in full load</h2>
        <p className="mb-0">
          <span className={`verdict ${verdict.is}`}>{verdict.says}</span> Lifted {full(lifted, 'mass')} against{' '}
          {full(weighs, 'mass')}: {formatNumber(100 * share, 0)} %.
        </p>
        {floats ? (
          <p className="mb-0">
            Trim {formatNumber(Math.abs(state.trimDeg), 1)}° bow {state.trimDeg >= 0 ? 'up' : 'down'}, heel{' '}
            {formatNumber(Math.abs(state.heelDeg), 1)}° to {state.heelDeg >= 0 ? 'starboard' : 'port'}; the deck edge
            stands {full(Math.abs(state.least.height), 'length')} {state.least.height >= 0 ? 'over' : 'under'} water
            where it is lowest, at {full(state.least.x, 'length')}.{' '}
            {state.stable ? 'She comes back when she is moved a little.' : '✕ She does not stay upright.'}
          </p>
        ) : (
          <p className="mb-0">{state.reason}.</p>
        )}
        {foamWanted > 0 && (
          <p className="mb-0">
            {full(foamWanted, 'volume')} more foam of {full(foamDensity, 'density')} would carry her just awash; put it
            high and outboard, where it keeps her upright too.
          </p>
        )}
        {openable}
        <table className="table table-sm mb-0" aria-label="What lifts her">
          <thead>
            <tr>
              <th>What lifts her</th>
              <th className="num">
                Volume <span className="unit">{unit('volume')}</span>
              </th>
              <th className="num">
                Lifts <span className="unit">{unit('mass')}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <td>Laminate, its cores, details</td>
              <td className="num">
                {show(
                  laminate.reduce((total, { volume }) => total + volume, 0),
                  'volume',
                )}
              </td>
              <td className="num">{show(sum(laminate), 'mass')}</td>
            </tr>
            {rows
              .filter(({ of }) => of !== 'laminate')
              .map(({ id, name, volume, lifts: mass, leftOut }) => (
                <tr key={id} className={leftOut ? 'soft' : ''}>
                  <td>
                    {name}
                    {leftOut && <span className="small"> – not counted: {leftOut}</span>}
                  </td>
                  <td className="num">{show(volume, 'volume')}</td>
                  <td className="num">{leftOut ? '–' : show(mass, 'mass')}</td>
                </tr>
              ))}
          </tbody>
        </table>
        <p className="small soft mb-0">
          People are carried whole: nothing of them is taken to float. Tanks are taken to fill, and the cells of
          honeycomb. Closed cells take up water over the years: the share given with the foam is taken off. Keep foam
          away from fuel unless it is made for it, and under a skin: most of it burns, with smoke that kills. Not
          checked: waves, people who move, openings that are left open.
        </p>
      </Card.Body>
    </Card>
  );
}
