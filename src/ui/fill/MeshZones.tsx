'use client';
import { Form } from 'react-bootstrap';
import type { FillPlan } from '@/core/document';
import { useDesign } from '../shared/boat';
import { useSkins } from './usePlan';

/** Over which zones the flow mesh lies. */
export function MeshZones({ plan, onPlan }: { plan: FillPlan; onPlan: (plan: FillPlan) => string | undefined }) {
  const { boat } = useDesign();
  const part = boat.parts.find(({ id }) => id === plan.part);
  const skin = useSkins(boat, part).find(({ id }) => id === plan.skin);
  if (!skin) return null;
  const bare = new Set(plan.bare.map(({ zone }) => zone));
  return (
    <fieldset className="mt-2 d-print-none">
      <legend className="small fw-semibold mb-1">Flow mesh lies over</legend>
      {skin.zones.map(({ id, name }) => (
        <Form.Check
          key={id}
          id={`mesh-${plan.id}-${id}`}
          label={name}
          checked={!bare.has(id)}
          onChange={(event) => {
            const others = plan.bare.filter(({ zone }) => zone !== id);
            onPlan({ ...plan, bare: event.target.checked ? others : [...others, { zone: id }] });
          }}
        />
      ))}
    </fieldset>
  );
}
