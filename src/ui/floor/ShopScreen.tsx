'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { useState } from 'react';
import { Card } from 'react-bootstrap';
import { shopSchema, USUAL_SHOP, type Shop, type ShopState } from '@/core/shop';
import { api } from '../shared/api';
import { Frame } from '../shared/Frame';
import { PersonField } from '../shared/PersonField';
import { useWho } from '../shared/who';
import type { Kept } from '../shared/useSetting';
import { YardCard } from '../shared/YardCard';
import { NoteFact } from './NoteFact';
import { SeriesCard } from './SeriesCard';

const KEY = ['shop'];
const ADDITIONS = {
  moulds: { name: 'Mould', pullsBefore: 0, serviceEvery: 12, places: 4, note: '' },
  work: { kind: 'lay', people: '' },
  people: { name: 'Somebody', hours: 36 },
  consumables: { name: 'Rollers', unit: 'pieces', amount: 1, per: 'step', of: 'any', keep: 0 },
};
const figure = (value: number) => (value >= 100 ? value.toFixed(0) : value.toFixed(1));

/** Moulds, tools, what is used up, dusty work, and what a series comes to. */
export function ShopScreen({
  initial,
  shop: keptShop,
  today,
}: {
  initial: ShopState;
  shop: Kept<Shop>;
  /** As the server has it: 2026-11-30. */
  today: string;
}) {
  const client = useQueryClient();
  const { may } = useWho();
  const [shop, setShop] = useState(keptShop);
  const { data } = useQuery({
    queryKey: KEY,
    queryFn: () => api<ShopState>('GET', '/api/shop'),
    initialData: initial,
  });
  const again = () => void client.invalidateQueries({ queryKey: KEY });
  return (
    <Frame
      head={
        <>
          <h1>Moulds and shop</h1>
          <Link href="/floor">The builds</Link>
          <span className="spacer" />
          <PersonField />
        </>
      }
    >
      <p className="question">What is ready, and what does it allow?</p>
      <Card body className="mb-3">
        <h2>Moulds</h2>
        <Moulds moulds={data.moulds} />
        {may('record') && (
          <NoteFact kind="mould" names={data.moulds.map(({ name }) => name)} label="Mould" onKept={again} />
        )}
      </Card>
      {data.series.map((series) => (
        <SeriesCard key={series.boat} series={series} weeks={shop.body.weeks} hasHands={shop.body.people.length > 0} />
      ))}
      <Card body className="mb-3">
        <h2>Dusty work to gather into one day</h2>
        <Messy messy={data.messy} />
      </Card>
      <Card body className="mb-3">
        <h2>What is used up</h2>
        <Consumables rows={data.consumables} />
        {may('record') && (
          <NoteFact kind="counted" names={data.consumables.map(({ name }) => name)} label="Consumable" onKept={again} />
        )}
      </Card>
      <Card body className="mb-3">
        <h2>Tools</h2>
        <Tools tools={data.tools} today={today} />
        {may('record') && (
          <NoteFact kind="tool" names={data.tools.map(({ tool }) => tool)} label="Tool" onKept={again} />
        )}
      </Card>
      {may('plan') && (
        <YardCard
          name="shop"
          title="The shop: moulds, hands, hours, what is used"
          schema={shopSchema}
          usual={USUAL_SHOP}
          kept={shop}
          additions={ADDITIONS}
          onKept={(kept) => {
            setShop(kept);
            again();
          }}
        />
      )}
      <Told facts={data.facts} />
    </Frame>
  );
}

/** Heads of a table, those of figures above their figures. */
const Heads = ({ names, numbers }: { names: string[]; numbers: number[] }) => (
  <tr>
    {names.map((name, i) => (
      <th key={name} scope="col" className={numbers.includes(i) ? 'num' : ''}>
        {name}
      </th>
    ))}
  </tr>
);

function Moulds({ moulds }: { moulds: ShopState['moulds'] }) {
  if (moulds.length === 0)
    return <p>None yet. Name a mould when a build begins, or write it down under “The shop” below.</p>;
  return (
    <table className="table table-sm" aria-label="Moulds">
      <thead>
        <Heads
          names={['Mould', 'Holds', 'Pulls', 'Coats since strip-down', 'Repairs', 'Service']}
          numbers={[2, 3, 4]}
        />
      </thead>
      <tbody>
        {moulds.map((mould) => (
          <tr key={mould.name}>
            <th scope="row" className="fw-normal">
              {mould.name}
              {mould.isUnlisted && <span className="soft"> named in a build only</span>}
            </th>
            <td>{mould.holds ?? 'free'}</td>
            <td className="num">{mould.pulls}</td>
            <td className="num">
              {mould.coats}
              {mould.stripped && <span className="soft"> since {mould.stripped.slice(0, 10)}</span>}
            </td>
            <td className="num">{mould.repairs}</td>
            <td>
              {mould.left === null && '–'}
              {mould.left !== null && mould.left > 1 && `after ${mould.left} more pulls`}
              {mould.left !== null && mould.left <= 1 && (
                <span className={`verdict ${mould.left < 0 ? 'fails' : 'thin'}`}>
                  {mould.left < 0
                    ? `✕ overdue by ${-mould.left}`
                    : `△ due ${mould.left === 0 ? 'now' : 'after one more'}`}
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Messy({ messy: { steps, open } }: { messy: ShopState['messy'] }) {
  const minutes = steps.reduce((sum, step) => sum + step.minutes, 0);
  return (
    <>
      {steps.length === 0 && <p className="mb-0">None at hand, and none after the next step of any part.</p>}
      {steps.length > 0 && (
        <>
          <p>
            {steps.length} {steps.length === 1 ? 'step' : 'steps'}, {figure(minutes / 60)} h together:
          </p>
          <ul>
            {steps.map(({ boat, part, step, ready }) => (
              <li key={`${boat}|${part}|${step}`}>
                {step}, {part} of {boat} {ready ? '' : '(after one more step)'}
              </li>
            ))}
          </ul>
        </>
      )}
      {open.length > 0 && (
        <p className="mb-0">
          <span className="verdict thin">△ resin is open</span>{' '}
          {open.map(({ boat, part, step }) => `${step}, ${part} of ${boat}`).join('; ')}: no dust in the same hall.
        </p>
      )}
    </>
  );
}

function Consumables({ rows }: { rows: ShopState['consumables'] }) {
  return (
    <table className="table table-sm" aria-label="What is used up">
      <thead>
        <Heads
          names={['Consumable', 'Counted', 'Used since', 'Left', 'Builds still want', '']}
          numbers={[1, 2, 3, 4]}
        />
      </thead>
      <tbody>
        {rows.map(({ name, unit, counted, used, left, wanted, order }) => (
          <tr key={name}>
            <th scope="row" className="fw-normal">
              {name} <span className="soft">{unit}</span>
            </th>
            <td className="num">{counted ? `${figure(counted.amount)} on ${counted.on}` : 'never counted'}</td>
            <td className="num">{figure(used)}</td>
            <td className="num">{left === null ? '–' : figure(Math.max(0, left))}</td>
            <td className="num">{figure(wanted)}</td>
            <td>{order && <span className="verdict thin">△ order</span>}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Tools({ tools, today }: { tools: ShopState['tools']; today: string }) {
  if (tools.length === 0) return <p>None written down yet: a tool is written down on the day of its first use.</p>;
  return (
    <table className="table table-sm" aria-label="Tools">
      <thead>
        <Heads
          names={['Tool', 'In use since', 'Mended', 'Those before lasted', 'Expected to last until']}
          numbers={[2]}
        />
      </thead>
      <tbody>
        {tools.map(({ tool, since, mended, lasted, dueOn }) => (
          <tr key={tool}>
            <th scope="row" className="fw-normal">
              {tool}
            </th>
            <td>{since ?? 'none in use'}</td>
            <td className="num">{mended}</td>
            <td>{lasted.length === 0 ? '–' : `${lasted.map((days) => Math.round(days)).join(', ')} days`}</td>
            <td>
              {dueOn ?? '–'} {dueOn !== null && dueOn < today && <span className="verdict thin">△ past</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Told({ facts }: { facts: ShopState['facts'] }) {
  if (facts.length === 0) return null;
  const about = (fact: ShopState['facts'][number]): string => {
    switch (fact.kind) {
      case 'mould':
        return `mould ${fact.body.mould}: ${fact.body.what}`;
      case 'tool':
        return `${fact.body.tool}: ${fact.body.what}`;
      case 'counted':
        return `${fact.body.consumable}: ${fact.body.amount}`;
      case 'calibration':
        return `${fact.body.instrument} calibrated until ${fact.body.due}`;
      case 'learned':
        return `put to use: ${fact.body.property}, ${fact.body.material || fact.body.form}`;
      case 'learnedRate':
        return `put into the rates: ${fact.body.rate}, ${fact.body.process}`;
      case 'clothWeighed':
        return `cloth on the scales: ${fact.body.material}`;
      case 'trial':
        return `trial ${fact.body.name} of ${fact.body.series}`;
    }
  };
  const gone = new Set(facts.map(({ corrects }) => corrects));
  return (
    <Card body className="mb-3">
      <h2>Written down</h2>
      <ul className="record-list">
        {facts
          .filter((fact) => !fact.void)
          .map((fact) => (
            <li key={fact.id} className={gone.has(fact.id) ? 'replaced' : ''}>
              {fact.body.on} {about(fact)} {fact.body.note && `(${fact.body.note})`}{' '}
              <span className="soft">by {fact.author || 'somebody'}</span>
              {gone.has(fact.id) && ' (taken back)'}
            </li>
          ))}
      </ul>
    </Card>
  );
}
