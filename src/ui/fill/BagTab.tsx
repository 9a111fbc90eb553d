'use client';
import { Card } from 'react-bootstrap';
import { bagOf, type Filling } from '@/core/fill';
import { useDesign } from '../shared/boat';
import { useKept } from '../shared/useKept';
import { useUnits } from '../shared/units';
import { ChooseOne } from './ChoosePlan';
import { DropTests } from './DropTests';
import { useFillCase } from './usePlan';

/** Where to listen for a leak, those first that are found most often. */
const LEAKS = [
  'Pump, trap and hoses by themselves: clamp them off from the bag; the gauge must stand.',
  'Every hose through the bag: its tape all round, no thread of spiral or mesh through it.',
  'Pleats: pressed together to the root, no channel at their foot.',
  'The seal on the flange: bridged dust, wax or fibre under the tape; press it from end to end.',
  'Corners of the flange and where two tapes meet.',
  'The bag over sharp edges: spiral ends, core corners, inserts.',
  'Screw holes, seams and old repairs of the mould itself; its flange joint if it is in halves.',
];

/** The bag over one part: what lies over it, how much air is under it, whether it is tight. */
export function BagTab({ filling }: { filling: Filling }) {
  const { boat } = useDesign();
  const { full, show, unit } = useUnits();
  const [kept, choose] = useKept<string>('fill.plan', '', (id) => boat.fillPlans.some((one) => one.id === id));
  const plan = boat.fillPlans.find(({ id }) => id === kept) ?? boat.fillPlans[0];
  const own = useFillCase(boat, plan, filling);
  if (!plan)
    return <p className="soft">No fill plan yet: add one under Fill; its bag and drop test stand here then.</p>;
  const chooser = (
    <ChooseOne
      id="bag-plan"
      label="Plan"
      items={boat.fillPlans}
      chosen={plan.id}
      onChoose={choose}
      className="mb-2 d-print-none"
    />
  );
  if (own === null || typeof own === 'string')
    return (
      <>
        {chooser}
        <p>△ {own}.</p>
      </>
    );
  const bag = bagOf(own);
  return (
    <>
      {chooser}
      <div className="weights-columns mb-3">
        <Card body>
          <h2>From the part to the bag, {own.skin.half ? 'both hands' : 'one part'}</h2>
          <table className="table table-sm" aria-label="From the part to the bag">
            <thead>
              <tr>
                <th scope="col">Sheet</th>
                <th scope="col">{unit('area')}</th>
                <th scope="col">lies over</th>
              </tr>
            </thead>
            <tbody>
              {bag.sheets.map(({ name, area }) => {
                const over = bag.zones.filter(({ sheets }) => sheets.includes(name));
                return (
                  <tr key={name}>
                    <th scope="row" className="fw-normal">
                      {name}
                    </th>
                    <td>{show(area, 'area')}</td>
                    <td>
                      {over.length === bag.zones.length
                        ? 'every zone'
                        : over.map((zone) => zone.name).join(', ') || 'none'}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <p className="mb-1">
            Seal: {full(bag.tape, 'length')} of tape, pleats with it. Feeds: {full(bag.feed, 'length')}, vacuum:{' '}
            {full(bag.vacuum, 'length')}. Air under the bag: {full(bag.volume, 'volume')}, {measured(bag.measured)}.
          </p>
          <p className="small soft mb-0">
            Pleats at every corner where the bag would bridge: it must lie in every corner before it is drawn down.
          </p>
        </Card>
        <Card body>
          <h2>Where to look for a leak, in this order</h2>
          <ol className="mb-0">
            {LEAKS.map((where) => (
              <li key={where}>{where}</li>
            ))}
          </ol>
        </Card>
      </div>
      <DropTests plan={plan} volume={bag.volume} gel={own.flow.life + filling.lead} filling={filling} />
    </>
  );
}

const measured = (was: boolean) =>
  was ? 'as it was measured' : 'as reckoned: cloth, mesh and lines, not hoses and trap';
