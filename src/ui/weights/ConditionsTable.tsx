import { CONDITIONS, type Condition } from '@/core/document';
import { formatNumber } from '@/core/quantity';
import type { FloatState, NotFloating } from '@/core/weight';
import { useUnits } from '../shared/units';

export interface StateOf {
  condition: Condition;
  state: FloatState | NotFloating;
}

/** What is said of each condition, row by row. */
export function ConditionsTable({ states }: { states: readonly StateOf[] }) {
  const { show, unit } = useUnits();
  const degrees = (value: number, [positive, negative]: readonly [string, string]) =>
    `${formatNumber(Math.abs(value), 1)}° ${value >= 0 ? positive : negative}`;
  const length = (value: number) => show(value, 'length');
  const rows: [string, string, (state: FloatState) => string][] = [
    ['Mass', unit('mass'), ({ loading }) => show(loading.mass, 'mass')],
    [
      'nine in ten between',
      unit('mass'),
      ({ loading: { band } }) => `${show(band.p05, 'mass')} – ${show(band.p95, 'mass')}`,
    ],
    ['Centre along', unit('length'), ({ loading }) => length(loading.centre[0])],
    ['to starboard', unit('length'), ({ loading }) => length(loading.centre[1])],
    ['above the baseline', unit('length'), ({ loading }) => length(loading.centre[2])],
    ['Radius in roll', unit('length'), ({ loading }) => length(loading.radii[0])],
    ['in pitch', unit('length'), ({ loading }) => length(loading.radii[1])],
    ['in yaw', unit('length'), ({ loading }) => length(loading.radii[2])],
    ['Draught aft', unit('length'), ({ draughts }) => length(draughts.aft)],
    ['amidships', unit('length'), ({ draughts }) => length(draughts.middle)],
    ['forward', unit('length'), ({ draughts }) => length(draughts.fore)],
    ['Trim', '', ({ trimDeg }) => degrees(trimDeg, ['bow up', 'bow down'])],
    ['Heel', '', ({ heelDeg }) => degrees(heelDeg, ['starboard', 'port'])],
    ['Freeboard aft', unit('length'), (state) => length(lower(state, 'aft'))],
    ['Freeboard amidships', unit('length'), (state) => length(lower(state, 'amidships'))],
    ['Freeboard forward', unit('length'), (state) => length(lower(state, 'forward'))],
    ['Least freeboard', unit('length'), ({ least }) => length(least.height)],
    ['Metacentric height', unit('length'), ({ gmAcross }) => length(gmAcross)],
    ['of that lost to slack tanks', unit('length'), ({ freeSurfaceLoss }) => length(freeSurfaceLoss)],
    ['Metacentric height, along', unit('length'), ({ gmAlong }) => length(gmAlong)],
    ['Upright', '', ({ stable }) => (stable ? 'comes back' : '✕ does not come back')],
  ];
  return (
    <table className="table table-sm mb-0" aria-label="Loading conditions">
      <thead>
        <tr>
          <th className="ps-3">Condition</th>
          {states.map(({ condition }) => (
            <th key={condition} className="num">
              {CONDITIONS[condition]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, of, say]) => (
          <tr key={name}>
            <td className="ps-3">
              {name} {of && <span className="unit">{of}</span>}
            </td>
            {states.map(({ condition, state }) => (
              <td key={condition} className="num">
                {'reason' in state ? '–' : say(state)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The lower of both sides. */
const lower = ({ freeboards }: FloatState, name: string) =>
  Math.min(...freeboards.filter((one) => one.name === name).map(({ height }) => height));
