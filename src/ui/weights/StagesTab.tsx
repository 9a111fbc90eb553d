'use client';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Card } from 'react-bootstrap';
import { STAGES } from '@/core/document';
import { budgetOf, chanceOver, WHOLE_BOAT, type Budget, type KeptWeighIn, type WeighIn } from '@/core/weight';
import { api, wordsOf } from '../shared/api';
import { useDesign } from '../shared/boat';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { oddsOver } from './odds';
import { StagesChart } from './StagesChart';
import { useMasses } from './useMasses';
import { WeighInForm } from './WeighInForm';
import { WeighInList } from './WeighInList';

/** A forecast that is over its target as often as this is warned of. */
const WARN_FROM = 0.3;

/** The boat stage by stage: planned, weighed, and what is to be expected of the rest. */
export function StagesTab() {
  const { boat, masses } = useMasses();
  const { id: boatId } = useDesign();
  const cache = useQueryClient();
  const key = ['weigh-ins', boatId];
  const kept = useQuery({ queryKey: key, queryFn: () => api<KeptWeighIn[]>('GET', `/api/boats/${boatId}/weighIns`) });
  const keep = useMutation({
    mutationFn: (weighIn: WeighIn) => api<KeptWeighIn>('POST', `/api/boats/${boatId}/weighIns`, weighIn),
    onSuccess: (one) => cache.setQueryData<KeptWeighIn[]>(key, (all) => [...(all ?? []), one]),
  });
  const weighIns = kept.data ?? [];
  const budget = budgetOf(masses, weighIns);
  const nameOf = (subject: string) =>
    subject === WHOLE_BOAT
      ? 'The whole boat'
      : (boat.parts.find(({ id }) => id === subject)?.name ?? 'a part that went');
  return (
    <>
      <Card className="mb-3">
        <Card.Body>
          <Verdict budget={budget} target={boat.brief.targets.displacement} />
          <StagesChart budget={budget} target={boat.brief.targets.displacement} />
          <StagesTable budget={budget} />
        </Card.Body>
      </Card>
      <div className="weights-columns">
        <WeighInForm
          boat={boat}
          busy={keep.isPending}
          trouble={keep.error ? wordsOf(keep.error) : null}
          onKeep={(weighIn) =>
            keep.mutateAsync(weighIn).then(
              () => true,
              () => false,
            )
          }
        />
        <Card>
          <Card.Body>
            <h2>Weighed, and why it differs</h2>
            <Refusal text={kept.error ? wordsOf(kept.error) : null} />
            <WeighInList
              weighIns={weighIns}
              explained={budget.explained}
              nameOf={nameOf}
              onTakeBack={(weighIn) => keep.mutate(weighIn)}
            />
          </Card.Body>
        </Card>
      </div>
      <p className="small soft mt-2 mb-0">
        What differs is put down to what is known to scatter, by how much each does: fibre fraction, cores and films are
        off alike all over a boat, areas and estimates each on its own. A hull that came out heavy makes the deck that
        is not built yet heavier too. The likeliest cause is no proof of it.
      </p>
    </>
  );
}

/** What the forecast says of the target, and what is left for the rest. */
function Verdict({ budget, target }: { budget: Budget; target: number | null }) {
  const { full } = useUnits();
  const fitted = budget.stages.find(({ stage }) => stage === 'fitted')!;
  const done = budget.stages.findLast(({ weighed }) => weighed !== null);
  const { mass, p05, p95 } = fitted.forecast;
  const [least, most] = [full(p05, 'mass'), full(p95, 'mass')];
  const said = `${full(mass, 'mass')} fitted out, nine times in ten between ${least} and ${most}`;
  if (target === null)
    return (
      <p className="fw-semibold mb-1">
        Expected: {said}. Give a target for the light boat under How she floats, to see what is left.
      </p>
    );
  const chance = chanceOver(fitted.forecast, target);
  const left = done && done.stage !== 'fitted' && done.stage !== 'loaded' ? target - done.weighed!.mass : null;
  const rest = done ? fitted.planned.mass - done.planned.mass : 0;
  return (
    <div className="mb-1">
      <p className="fw-semibold mb-0">
        <span className={`verdict ${chance >= WARN_FROM ? 'fails' : 'meets'}`}>
          {chance >= WARN_FROM ? '✕ over' : '✓ within'}
        </span>{' '}
        Expected: {said}; against the target of {full(target, 'mass')}, {oddsOver(chance)}.
      </p>
      {left !== null && done && (
        <p className="mb-0">
          {full(left, 'mass')} is left after {STAGES[done.stage].toLowerCase()}, and {full(rest, 'mass')} is planned for
          it: {full(Math.abs(left - rest), 'mass')} {left >= rest ? 'in hand' : 'too much'}.
        </p>
      )}
    </div>
  );
}

function StagesTable({ budget }: { budget: Budget }) {
  const { show, unit } = useUnits();
  return (
    <table className="table table-sm mb-0" aria-label="Budget by stage">
      <thead>
        <tr>
          <th>Stage</th>
          {['Planned', '±', 'Weighed', 'Difference', 'Expected now', '±'].map((name, i) => (
            <th key={i} className="num">
              {name} <span className="unit">{unit('mass')}</span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {budget.stages.map(({ stage, planned, weighed, forecast }) => (
          <tr key={stage}>
            <td>{STAGES[stage]}</td>
            <td className="num">{show(planned.mass, 'mass')}</td>
            <td className="num soft">{show(planned.standardDeviation, 'mass')}</td>
            <td className="num">{weighed ? show(weighed.mass, 'mass') : '–'}</td>
            <td className="num">{weighed ? show(weighed.mass - planned.mass, 'mass') : '–'}</td>
            <td className="num">{show(forecast.mass, 'mass')}</td>
            <td className="num soft">{show(forecast.standardDeviation, 'mass')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
