'use client';
import { useMemo, useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { applyEdits } from '@/core/edit';
import { targetOf } from '@/core/evaluate';
import { PROCESSES, type Material } from '@/core/material';
import type { HabitCost, HabitsOfYard, Proposal } from '@/core/option';
import { formatReserve } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { Tabs } from '../shared/Tabs';
import { useKept } from '../shared/useKept';
import { useUnits } from '../shared/units';
import { BoundLine } from './BoundLine';
import { GridChange } from './GridChange';
import { AsksMore, HoldsZones } from './HoldsZones';
import { HabitCosts } from './HabitCosts';
import { HabitsCard } from './HabitsCard';
import { SearchCard } from './SearchCard';
import { TakeIt } from './TakeIt';
import { useSearch } from './useSearch';

const AIMS = { mass: 'mass', cost: 'price' } as const;
const SUPERLATIVES: Record<Aim, string> = { mass: 'lightest', cost: 'cheapest' };
type Aim = keyof typeof AIMS;
const weightsOf = (aim: Aim) => ({
  mass: aim === 'mass' ? 1 : 1e-3,
  cost: aim === 'cost' ? 1 : 0,
  hours: 0,
  pieces: 0,
});
interface Ask {
  part: string;
  aim: Aim;
}

/** From Brief and zones alone: a schedule for a part or the whole boat, inside the habits of the yard. */
export function ProposeTab({ shelf, yard }: { shelf: readonly Material[]; yard: readonly HabitsOfYard[] }) {
  const { id: boatId, boat } = useDesign();
  const { process } = boat.brief;
  const [own, setOwn] = useState(yard);
  const habits = own.find((one) => one.process === process)!;
  const [part, setPart] = useKept<string>('options.propose.part', '', (id) =>
    ['', ...boat.parts.map((one) => one.id)].includes(id),
  );
  const [aim, setAim] = useKept<Aim>('options.propose.aim', 'mass', (name) => name in AIMS);
  const [editing, setEditing] = useState(false);
  const partIds = (id: string) => (id === '' ? null : [id]);
  const search = useSearch<Ask, Proposal>(
    'propose',
    boat,
    (remote, ask, { boat: of, known, onStep }) =>
      remote.propose(
        { boat: of, partIds: partIds(ask.part), habits: habits.habits, shelf: [...shelf], weights: weightsOf(ask.aim) },
        known,
        onStep,
      ) as Promise<Proposal | string>,
  );
  const costs = useSearch<Ask, HabitCost[]>(
    'habitCosts',
    boat,
    (remote, ask, { boat: of, known, onStep }) =>
      remote.habitCosts(
        { boat: of, partIds: partIds(ask.part), habits: habits.habits, shelf: [...shelf], weights: weightsOf(ask.aim) },
        known,
        onStep,
      ) as Promise<HabitCost[] | string>,
  );
  const named = part === '' ? 'the whole boat' : boat.parts.find(({ id }) => id === part)!.name;
  return (
    <>
      <div className="d-flex align-items-end gap-3 mb-3 flex-wrap">
        <Form.Group controlId="propose-part">
          <Form.Label className="mb-0">Schedule for</Form.Label>
          <Form.Select size="sm" value={part} onChange={(event) => setPart(event.target.value)}>
            <option value="">the whole boat</option>
            {boat.parts.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="propose-aim">
          <Form.Label className="mb-0">Make least</Form.Label>
          <Form.Select size="sm" value={aim} onChange={(event) => setAim(event.target.value as Aim)}>
            {Object.entries(AIMS).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Button disabled={search.running} onClick={() => search.run({ part, aim }, boat)}>
          Propose a schedule
        </Button>
        <Button variant="outline-primary" aria-expanded={editing} onClick={() => setEditing(!editing)}>
          Habits of the yard
        </Button>
        <Button variant="outline-primary" disabled={costs.running} onClick={() => costs.run({ part, aim }, boat)}>
          What does each habit cost?
        </Button>
      </div>
      {editing && (
        <HabitsCard
          key={`${process} ${habits.version}`}
          of={habits}
          materials={[...boat.materials, ...shelf]}
          onKept={(next) => setOwn(own.map((one) => (one.process === next.process ? next : one)))}
        />
      )}
      <SearchCard
        search={search}
        boat={boat}
        wayOut="Change the habits, choose another part, or add what is missing under Zones or on the Shelf."
      />
      <SearchCard search={costs} boat={boat} wayOut="Change the habits or choose another part." />
      {costs.result !== null && typeof costs.result !== 'string' && costs.of === boat && (
        <HabitCosts costs={costs.result} aim={aim} />
      )}
      {search.result === null && !search.running && !search.stopped && (
        <p className="soft">
          From Brief and zones alone: in every zone the {SUPERLATIVES[aim]} stack that meets its proofs with{' '}
          {PROCESSES[process].name.toLowerCase()}, laid as the yard lays, for {named}. What is laid now is left until
          you take the proposal.
        </p>
      )}
      {search.result !== null && typeof search.result !== 'string' && search.of && (
        <ProposalView
          proposal={search.result}
          current={search.of === boat}
          boatId={boatId}
          of={search.of}
          title={`laid ${named} as proposed`}
        />
      )}
    </>
  );
}

interface ProposalViewProps {
  proposal: Proposal;
  of: Parameters<typeof applyEdits>[0];
  current: boolean;
  boatId: string;
  title: string;
}

function ProposalView({ proposal, of, current, boatId, title }: ProposalViewProps) {
  const { full, words } = useUnits();
  const [shown, setShown] = useState(proposal.parts[0]!.partId);
  const after = useMemo(() => applyEdits(of, proposal.edits).boat, [of, proposal]);
  const one = proposal.parts.find(({ partId }) => partId === shown) ?? proposal.parts[0]!;
  const part = of.parts.find(({ id }) => id === one.partId)!;
  const kg = (value: number) => full(value, 'mass');
  const { mass, refused, heavierFor, grown, below } = proposal;
  return (
    <div className="d-grid gap-3">
      <Card body>
        <h2>
          The boat: {kg(mass.before)} → {kg(mass.after)}
        </h2>
        <Tabs
          names={Object.fromEntries(proposal.parts.map(({ partId, name }) => [partId, name]))}
          open={one.partId}
          onOpen={setShown}
          variant="pills"
        />
        <p className="mb-2">
          {one.name}: {kg(one.before)} → {kg(one.after)}. <BoundLine best={one.after} {...one} value={kg} />
        </p>
        <GridChange before={of} after={after} part={part} />
        <HoldsZones part={part} binding={one.binding} target={targetOf(of)} />
      </Card>
      {(refused.length > 0 || heavierFor.length > 0 || grown.length > 0 || below.length > 0) && (
        <Card body>
          <AsksMore heavierFor={heavierFor} grown={grown}>
            {refused.map(({ name, reason }) => (
              <li key={name}>
                ✕ {name} stays as it is: {words(reason)}.
              </li>
            ))}
            {below.map(({ of: kind, id, name, reserveFactor }) => (
              <li key={id}>
                ✕ {name} ({kind}){' '}
                {reserveFactor === null ? 'is not proven' : `stays at ${formatReserve(reserveFactor)}`}: no stack of its
                zone mends it; look at its own layers, bolts or backing.
              </li>
            ))}
          </AsksMore>
        </Card>
      )}
      <Card body>
        {current ? (
          <TakeIt boat={of} boatId={boatId} title={title} edits={proposal.edits} />
        ) : (
          <p className="mb-0">The boat has changed since: propose again before you take it.</p>
        )}
      </Card>
      <p className="small soft mb-0">
        Weighed and proven zone by zone by the rules and proofs that the Brief says must hold, at planned values. Not
        weighed: hours, impact, wear, access for the laminator. The bound is of the zones by themselves, within these
        habits; a schedule up to 0.4 % heavier is taken where it has fewer pieces.
      </p>
    </div>
  );
}
