'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { fillPlanSchema, newFillPlan, shapeOf, type FillPlan } from '@/core/document';
import type { Edit } from '@/core/edit';
import { KeramosError } from '@/core/error';
import { makeEvaluator } from '@/core/evaluate';
import { proposeFor, skinsOf, type Filling } from '@/core/fill';
import { useDesign } from '../shared/boat';
import { EntryForm } from '../shared/EntryForm';
import { freshName } from '../shared/freshName';
import { Refusal } from '../shared/Refusal';
import { useEdit } from '../shared/useEdit';
import { useKept } from '../shared/useKept';
import type { Kept } from '../shared/useSetting';
import { ChoosePlan } from './ChoosePlan';
import { FillingCard } from './FillingCard';
import type { FillSettings } from './FillScreen';
import { MeshZones } from './MeshZones';
import { PlanCard } from './PlanCard';
import { PlansBeside } from './PlansBeside';

/** How parts are filled: plans with their lines, simulated, beside each other. */
export function PlanTab({ settings, onFilling }: { settings: FillSettings; onFilling: (kept: Kept<Filling>) => void }) {
  const { boat } = useDesign();
  const edit = useEdit();
  const filling = settings.filling.body;
  const [refusal, setRefusal] = useState<string | null>(null);
  const [kept, choose] = useKept<string>('fill.plan', '', (id) => boat.fillPlans.some((one) => one.id === id));
  const plan = boat.fillPlans.find(({ id }) => id === kept) ?? boat.fillPlans[0];
  const act = (...edits: Edit[]) => {
    const refused = edit(...edits);
    setRefusal(refused ?? null);
    return refused;
  };
  const places = useMemo(() => {
    const shape = shapeOf(boat);
    return boat.parts.flatMap((part) =>
      skinsOf(shape, part).map((skin) => {
        const name = part.name === skin.name ? part.name : `${part.name}: ${skin.name}`;
        return { id: `${part.id}/${skin.id}`, name, part, skin };
      }),
    );
  }, [boat]);
  const [place, setPlace] = useState('');
  const at = places.find(({ id }) => id === place) ?? places[0];
  const add = () => {
    if (!at) return;
    const name = freshName(at.name, boat.fillPlans);
    const bare = newFillPlan({
      id: nanoid(8),
      name: name.slice(0, 60),
      part: at.part.id,
      skin: at.skin.id,
      celsius: settings.mixing.body.temperature,
      pressure: filling.vacuum,
    });
    let lines: FillPlan['lines'] = [];
    try {
      const proposed = proposeFor({ boat, plan: bare, filling, evaluations: makeEvaluator()(boat) });
      lines = (proposed?.lines ?? []).map((line) => ({ ...line, id: nanoid(6) }));
    } catch (error) {
      // It is made without lines; why none were proposed is said.
      if (!(error instanceof KeramosError)) throw error;
      setRefusal(error.text);
    }
    const refused = edit({ type: 'fillPlan.add', item: { ...bare, lines }, index: boat.fillPlans.length });
    if (refused) setRefusal(refused);
    else choose(bare.id);
  };
  const copy = () => {
    if (!plan) return;
    const item = { ...plan, id: nanoid(8), name: freshName(plan.name, boat.fillPlans).slice(0, 60) };
    if (act({ type: 'fillPlan.add', item, index: boat.fillPlans.length }) === undefined) choose(item.id);
  };
  return (
    <>
      {boat.brief.process !== 'infusion' && (
        <p className="mb-2">
          △ The Brief says that this boat is not infused: what is filled here stands on the fibre fractions of its
          process.
        </p>
      )}
      <ChoosePlan
        plan={{ id: 'fill-plan', label: 'Plan', items: boat.fillPlans, chosen: plan?.id ?? '', onChoose: choose }}
        place={{ id: 'fill-place', label: 'A new one for', items: places, chosen: at?.id ?? '', onChoose: setPlace }}
        copyWords="Copy this plan"
        addWords="Add a plan"
        onCopy={copy}
        onAdd={add}
      />
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {plan ? (
        <PlanCard
          key={plan.id}
          plan={plan}
          filling={filling}
          mixing={settings.mixing.body}
          onPlan={(item) => act({ type: 'fillPlan.set', item })}
        >
          <EntryForm
            schema={fillPlanSchema}
            value={plan}
            leaveOut={['part', 'skin', 'lines', 'bare']}
            onSet={(item) => act({ type: 'fillPlan.set', item })}
            onRemove={() => act({ type: 'fillPlan.remove', id: plan.id })}
          />
          <MeshZones plan={plan} onPlan={(item) => act({ type: 'fillPlan.set', item })} />
        </PlanCard>
      ) : (
        <p className="soft">
          No plan yet. Choose a part and add one: feed lines are proposed for three quarters of an hour, to be moved as
          you would lay them.
        </p>
      )}
      <PlansBeside filling={filling} chosen={plan?.id ?? null} onChoose={choose} />
      <FillingCard filling={settings.filling} onKept={onFilling} />
    </>
  );
}
