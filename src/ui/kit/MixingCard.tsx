'use client';
import { Button, Form } from 'react-bootstrap';
import { formFields, writeAt } from '@/core/field';
import { mixingSchema, type Hardener, type Mixing } from '@/core/kit';
import { RESIN_FAMILIES } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { EntityForm } from '../shared/EntityForm';
import { SettingCard } from '../shared/SettingCard';
import type { Kept } from '../shared/useSetting';
import { SETTING_WORDS } from '../shared/YardCard';

/** How the yard mixes: the team, the waste, and the hardeners that it has. */
export function MixingCard({
  draft,
  own,
  busy,
  onSet,
  onBack,
}: {
  draft: Mixing;
  own: Kept<Mixing>['own'];
  busy: boolean;
  onSet: (key: string, value: unknown) => undefined;
  onBack: () => void;
}) {
  const setHardeners = (hardeners: Hardener[]) => onSet('hardeners', hardeners);
  return (
    <SettingCard title="How we mix" own={own} words={SETTING_WORDS} busy={busy} changed={false} onBack={onBack}>
      <EntityForm
        fields={formFields(mixingSchema, '', ['hardeners', 'temperature', 'people', 'workingShare'], draft)}
        value={draft}
        optionsOf={() => []}
        additionTo={() => null}
        onSet={onSet}
      />
      <h3 className="mt-3">Hardeners</h3>
      {draft.hardeners.map((one, i) => (
        <details key={i} className="mb-2">
          <summary>
            {RESIN_FAMILIES[one.family]}: {one.name}, {formatNumber(100 * one.share, 1)} %
          </summary>
          <EntityForm
            fields={formFields(mixingSchema.shape.hardeners.element, '', [], one)}
            value={one}
            optionsOf={() => []}
            additionTo={() => null}
            onSet={(key, value) =>
              setHardeners(draft.hardeners.map((old, j) => (j === i ? writeAt(old, key, value) : old))) ?? undefined
            }
          />
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() => setHardeners(draft.hardeners.filter((_, j) => j !== i))}
          >
            Take it off the list
          </Button>
        </details>
      ))}
      <Form.Text className="d-block mb-2">
        A hardener is for a family of resin; the pot life is told times that of the resin on the Shelf.
      </Form.Text>
      <Button
        size="sm"
        variant="outline-primary"
        onClick={() =>
          setHardeners([
            ...draft.hardeners,
            { family: 'epoxy', name: 'New hardener', share: 0.3, density: 980, potLife: 1, largest: 2 },
          ])
        }
      >
        Add a hardener
      </Button>
    </SettingCard>
  );
}
