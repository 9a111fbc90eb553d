'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { Card } from 'react-bootstrap';
import { curedBy, curingSchema, hottestZone, USUAL_CURING, type Curing } from '@/core/cure';
import { curePlanSchema, newCurePlan, type CurePlan } from '@/core/document';
import type { Edit } from '@/core/edit';
import { useDesign } from '../shared/boat';
import { EntryForm } from '../shared/EntryForm';
import { freshName } from '../shared/freshName';
import { Refusal } from '../shared/Refusal';
import { useEdit } from '../shared/useEdit';
import { useKept } from '../shared/useKept';
import type { Kept } from '../shared/useSetting';
import { ChoosePlan } from './ChoosePlan';
import { CureChart } from './CureChart';
import { CureWhatIf } from './CureWhatIf';
import { CureZones } from './CureZones';
import type { FillSettings } from './FillScreen';
import { ScheduleCard } from './ScheduleCard';
import { StagesCard } from './StagesCard';
import { YardCard } from '../shared/YardCard';

const STEP = { rate: 20, to: 40, hold: 28_800 };
const FAMILY = USUAL_CURING.families[0]!;

/** How parts are cured: a schedule against degree, glass transition, exotherm and limits, zone by zone. */
export function CureTab({ settings, onCuring }: { settings: FillSettings; onCuring: (kept: Kept<Curing>) => void }) {
  const { boat } = useDesign();
  const edit = useEdit();
  const curing = settings.curing.body;
  const [refusal, setRefusal] = useState<string | null>(null);
  const [kept, choose] = useKept<string>('fill.cure', '', (id) => boat.curePlans.some((one) => one.id === id));
  const plan = boat.curePlans.find(({ id }) => id === kept) ?? boat.curePlans[0];
  const [partId, setPart] = useState('');
  const part = boat.parts.find(({ id }) => id === partId) ?? boat.parts[0];
  const [zoneId, setZone] = useState<string | null>(null);
  const cured = useMemo(() => (plan ? curedBy(boat, plan, curing) : null), [boat, plan, curing]);
  const act = (change: Edit) => {
    const refused = edit(change);
    setRefusal(refused ?? null);
    return refused;
  };
  const add = (from?: CurePlan) => {
    if (!part) return;
    const at = settings.mixing.body.temperature;
    const name = freshName(from?.name ?? `Cure of ${part.name}`.slice(0, 50), boat.curePlans);
    const item: CurePlan = from
      ? { ...from, id: nanoid(8), name }
      : newCurePlan({ id: nanoid(8), name, part: part.id, start: at, steps: [{ rate: 10, to: at, hold: 86_400 }] });
    if (act({ type: 'curePlan.add', item, index: boat.curePlans.length }) === undefined) choose(item.id);
  };
  const zones = cured && typeof cured !== 'string' ? cured.zones : [];
  const shown = zones.find((zone) => zone.zoneId === zoneId) ?? hottestZone(zones);
  return (
    <>
      <ChoosePlan
        plan={{ id: 'cure-plan', label: 'Schedule', items: boat.curePlans, chosen: plan?.id ?? '', onChoose: choose }}
        place={{
          id: 'cure-part',
          label: 'A new one for',
          items: boat.parts,
          chosen: part?.id ?? '',
          onChoose: setPart,
        }}
        copyWords="Copy this schedule"
        addWords="Add a schedule"
        onCopy={() => add(plan)}
        onAdd={() => add()}
      />
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      {!plan && (
        <p className="soft">
          No schedule yet. Add one for a part: a day in the shop to begin with; ramps and soaks are added to it.
        </p>
      )}
      {plan && (
        <div className="fill-columns mb-3">
          <div className="d-grid gap-2 align-content-start">
            {typeof cured === 'string' && <p className="mb-0">△ {cured}.</p>}
            {cured && typeof cured !== 'string' && shown && (
              <>
                <CureChart plan={plan} cured={cured} zone={shown} />
                <CureZones plan={plan} cured={cured} chosen={shown.zoneId} onChoose={setZone} />
                <CureWhatIf plan={plan} cured={cured} curing={curing} />
                <StagesCard
                  plan={plan}
                  cured={cured}
                  curing={curing}
                  mixing={settings.mixing.body}
                  onPlan={(item) => act({ type: 'curePlan.set', item })}
                />
              </>
            )}
          </div>
          <div className="d-grid gap-2 align-content-start">
            <ScheduleCard plan={plan} />
            <Card body className="d-print-none">
              <EntryForm
                schema={curePlanSchema}
                value={plan}
                leaveOut={['part']}
                addition={{ ...STEP, to: (plan.steps.at(-1)?.to ?? plan.start) + 20 }}
                onSet={(item) => act({ type: 'curePlan.set', item })}
                onRemove={() => act({ type: 'curePlan.remove', id: plan.id })}
              />
            </Card>
          </div>
        </div>
      )}
      <YardCard
        name="curing"
        title="How our resins harden"
        schema={curingSchema}
        usual={USUAL_CURING}
        kept={settings.curing}
        additions={{ families: FAMILY }}
        onKept={onCuring}
      />
    </>
  );
}
