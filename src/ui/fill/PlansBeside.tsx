'use client';
import { Card } from 'react-bootstrap';
import type { Filling } from '@/core/fill';
import { formatNumber } from '@/core/quantity';
import { PickButton } from '../shared/PickButton';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import { useEveryFill } from './fillStore';
import { dryKind, MARKS, marginWord, minutes } from './minutes';
import { planMark } from './usePlan';

/** Several plans side by side, as far as they were simulated as they stand. */
export function PlansBeside({
  filling,
  chosen,
  onChoose,
}: {
  filling: Filling;
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const { boat } = useDesign();
  const { full } = useUnits();
  const every = useEveryFill();
  if (boat.fillPlans.length < 2) return null;
  return (
    <Card body className="mb-3">
      <h2>Plans side by side</h2>
      <table className="table table-sm mb-0" aria-label="Plans side by side">
        <thead>
          <tr>
            <th scope="col">Plan</th>
            <th scope="col">feeds</th>
            <th scope="col">wet through in</th>
            <th scope="col">wanted in</th>
            <th scope="col">pot life over it</th>
            <th scope="col">stays dry</th>
            <th scope="col">resin</th>
          </tr>
        </thead>
        <tbody>
          {boat.fillPlans.map((plan) => {
            const entry = every.get(plan.id);
            const marks = [planMark(boat, plan, filling, 'quick'), planMark(boat, plan, filling, 'fine')];
            const filled = entry && marks.includes(entry.mark) ? entry.state.filled : null;
            const dry = filled?.outcome.dry.reduce((sum, { area }) => sum + area, 0) ?? 0;
            const { wetTime = null, margin = null } = filled?.outcome ?? {};
            return (
              <tr key={plan.id} className={plan.id === chosen ? 'chosen-row' : ''}>
                <td>
                  <PickButton onPick={() => onChoose(plan.id)}>{plan.name}</PickButton>
                </td>
                <td>{plan.lines.filter(({ role }) => role === 'feed').length}</td>
                <td>{filled ? wetWords(wetTime) : 'not simulated as it stands'}</td>
                <td>{minutes(plan.target)}</td>
                <td>
                  {margin === null ? '–' : `${MARKS[marginWord(margin, filling.margin)]} ${formatNumber(margin, 1)}`}
                </td>
                <td>{filled ? (dry > 0 && `✕ ${full(dry, dryKind(dry))}`) || 'nothing' : '–'}</td>
                <td>{filled ? full(filled.resin.total, 'mass') : '–'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Card>
  );
}

const wetWords = (seconds: number | null) => (seconds === null ? '✕ never' : minutes(seconds));
