'use client';
import { useQuery } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import {
  LEARNABLES,
  learnable,
  learnCloth,
  LEARNED_FORMS,
  type Learned,
  type LearnedUse,
  type LearningEffect,
  type LearningPage,
} from '@/core/log';
import { PROCESSES } from '@/core/material';
import { formatReserve } from '@/core/quantity';
import { api, textOf } from '../shared/api';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { useWho } from '../shared/who';
import { EffectTable } from './EffectTable';
import { LearnedChart } from './LearnedChart';

const percent = (value: number) => `${(100 * value).toFixed(1)}\u00a0%`;
type Used = LearningPage['inUse'][number];

/** Whether what is in use is of the same thing. */
export const isSame = (used: LearnedUse, { property, process, form, material }: Learned): boolean =>
  used.property === property &&
  used.material === material &&
  (LEARNABLES[property].of !== 'form' || (used.process === process && used.form === form));

/** A figure as the reader has it: a share, a figure in its unit, or percent of what is published. */
function useSay({ property, published }: Learned): (ratio: number) => string {
  const { full } = useUnits();
  const { shown } = learnable(property);
  if (property === 'fibreShare') return (ratio) => percent(ratio * published);
  return shown ? (ratio) => full(ratio * published, shown) : (ratio) => `${percent(ratio)} of what is published`;
}

function titleOf({ property, form, process, name }: Learned): string {
  const { name: called } = LEARNABLES[property];
  if (name !== '') return `${called}: ${name}`;
  return `${called}: ${LEARNED_FORMS[form]}, ${PROCESSES[process].name.toLowerCase()}`;
}

/** One thing that the yard's own readings teach: drawn, said, put to use on purpose, taken back. */
export function LearnedCard({
  learned,
  inUse,
  today,
  onPage,
}: {
  learned: Learned;
  inUse: readonly Used[];
  today: string;
  onPage: (page: LearningPage) => void;
}) {
  const [refusal, setRefusal] = useState<string | null>(null);
  const say = useSay(learned);
  const { observations, posterior, bound, outlier, property } = learned;
  const hasFigure = property === 'fibreShare' || learnable(property).shown !== null;
  const put = async (fact: object): Promise<boolean> => {
    try {
      onPage(await api<LearningPage>('POST', '/api/learning', { kind: 'learned', id: nanoid(12), ...fact }));
      setRefusal(null);
      return true;
    } catch (error) {
      setRefusal(textOf(error));
      return false;
    }
  };
  const use = (own: LearnedUse) => put({ corrects: null, void: false, body: { ...own, on: today, note: '' } });
  const back = ({ id, author: _author, ...body }: Used) => void put({ corrects: id, void: true, body });
  const n = observations.length;
  const band = (deviation: number) => say(deviation).replace(' of what is published', '');
  const odd = outlier === null ? null : observations[outlier]!;
  return (
    <Card body>
      <h2>{titleOf(learned)}</h2>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <LearnedChart learned={learned} say={say} />
      <p className="mb-2 mt-2">
        {hasFigure ? `Published ${say(1)}; after` : 'After'} {n} {n === 1 ? 'reading' : 'readings'}{' '}
        {property === 'fibreShare' ? 'this yard lays' : 'it is'} <strong>{say(posterior.mean)}</strong> ±{' '}
        {band(posterior.standardDeviation)}, the next within ± {band(2 * posterior.predictiveStandardDeviation)}.
        {bound !== null &&
          ` No more than one part in ten lies below ${say(Math.max(0, bound))} (95 % sure, by them alone).`}
        {odd && ` △ ${odd.where} of ${odd.of} stands out (Grubbs, 5 %); it stays in.`}
      </p>
      <Using
        learned={learned}
        used={inUse.find((one) => isSame(one, learned))}
        say={say}
        onUse={use}
        onBack={back}
        what="What would it change?"
      />
      <Slices learned={learned} inUse={inUse} say={say} onUse={use} onBack={back} />
    </Card>
  );
}

/** What is in use of it; what it would change, and putting it to use; taking it back. */
function Using({
  learned: { use, why },
  used,
  say,
  onUse,
  onBack,
  what,
}: {
  learned: Learned;
  used: Used | undefined;
  say: (ratio: number) => string;
  onUse: (use: LearnedUse) => Promise<boolean>;
  onBack: (used: Used) => void;
  what: string;
}) {
  const { may } = useWho();
  const [looking, setLooking] = useState(false);
  return (
    <>
      {used ? (
        <p className="mb-2">
          <span className="verdict meets">✓ in use</span> since {used.on}, by {used.author || 'somebody'}:{' '}
          {say(used.factor)}, factor {used.factor.toFixed(3)} from {used.n} readings. Every margin that stands on it
          says “yard test”.{' '}
          {may('design') && (
            <Button size="sm" variant="outline-primary" onClick={() => onBack(used)}>
              Take it back
            </Button>
          )}
        </p>
      ) : (
        <p className="mb-2 soft">Not in use: boats are built by what is published.</p>
      )}
      {why !== null && <p className="mb-2 soft">Not to be used yet. {why}.</p>}
      {use && may('design') && (
        <Button size="sm" variant="outline-primary" aria-expanded={looking} onClick={() => setLooking(!looking)}>
          {what}
        </Button>
      )}
      {use && looking && (
        <Effect use={use} say={say}>
          <Button onClick={async () => (await onUse(use)) && setLooking(false)}>Put it to use on the Shelf</Button>
        </Effect>
      )}
    </>
  );
}

/** Mass and least reserve of the boats before and after. */
function Effect({
  use,
  say,
  children,
}: {
  use: LearnedUse;
  say: (ratio: number) => string;
  children: React.ReactNode;
}) {
  const { full } = useUnits();
  const { property, process, form, material, resin, factor, spread } = use;
  const asked = { property, process, form, material, resin, factor: String(factor), spread: String(spread) };
  const { data, error } = useQuery({
    queryKey: ['learning', asked],
    queryFn: () => api<LearningEffect[]>('GET', `/api/learning?${new URLSearchParams(asked)}`),
    retry: false,
  });
  if (error) return <Refusal text={textOf(error)} onClose={() => undefined} />;
  if (!data) return <p className="soft">Computing…</p>;
  const reserve = (least: number | null) => (least === null ? '–' : formatReserve(least));
  return (
    <div className="mt-2">
      <EffectTable
        rows={data.map(({ id, name, before, after, target }) => {
          const isBelow = after.least !== null && after.least < target;
          return {
            id,
            name,
            moved: [
              { head: 'Laminate', now: full(before.mass, 'mass'), then: full(after.mass, 'mass') },
              {
                head: 'Least reserve',
                now: reserve(before.least),
                then: `${reserve(after.least)}${isBelow ? ' △ below its target' : ''}`,
              },
            ],
          };
        })}
      />
      <p className="small soft">
        {say(factor)}
        {learnable(property).uses === 'mean' ? '' : `, scatter ${percent(spread)}, so few readings allowed for`}. The
        Shelf carries it as tested by the yard; each boat takes it over under Shelf, Boats that use it. Revisions that
        were issued stay as they are.
      </p>
      {children}
    </div>
  );
}

const BY = { cloth: 'Cloth', team: 'Team', season: 'Season' } as const;
const UNLIKELY = 0.05;
function sayChance(chance: number | null): string {
  if (chance === null) return '';
  return chance < UNLIKELY ? `△ differs from the others (by chance alone: ${percent(chance)})` : 'no more than chance';
}

/** The same by cloth, team and half of the year, where there is enough of each; a cloth may be used by its own. */
function Slices({
  learned,
  inUse,
  say,
  onUse,
  onBack,
}: {
  learned: Learned;
  inUse: readonly Used[];
  say: (ratio: number) => string;
  onUse: (use: LearnedUse) => Promise<boolean>;
  onBack: (used: Used) => void;
}) {
  if (learned.slices.length === 0) return null;
  return (
    <details className="mt-2">
      <summary>By cloth, team and season</summary>
      <table className="table table-sm" aria-label="By cloth, team and season">
        <tbody>
          {learned.slices.map(({ by, name, material, n, mean, chance }) => {
            const own = material === '' ? null : learnCloth(learned, material);
            return (
              <tr key={by + name}>
                <td>{BY[by]}</td>
                <th scope="row" className="fw-normal">
                  {name}
                </th>
                <td className="num">{n} readings</td>
                <td className="num">{say(mean)}</td>
                <td>
                  {sayChance(chance)}
                  {own && (
                    <Using
                      learned={own}
                      used={inUse.find((one) => isSame(one, own))}
                      say={say}
                      onUse={onUse}
                      onBack={onBack}
                      what={`For ${name} alone`}
                    />
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </details>
  );
}
