'use client';
import { formFields, writeAt } from '@/core/field';
import { cuttingSchema, USUAL_CUTTING, type Cutting } from '@/core/kit';
import { EntityForm } from '../shared/EntityForm';
import { SettingCard } from '../shared/SettingCard';
import { useSetting, type Kept } from '../shared/useSetting';

export const SETTING_WORDS = {
  usual: 'as is usual: put in your own',
  show: 'Show and change it',
  fold: 'Fold it away',
  back: 'Back to the usual',
  keep: 'Keep it',
} as const;

/** How the yard cuts: trim, laps, what is kept, what a cut takes. */
export function CuttingCard({ cutting, onKept }: { cutting: Kept<Cutting>; onKept: (kept: Kept<Cutting>) => void }) {
  const { draft, setDraft, refusal, setRefusal, busy, changed, keep } = useSetting<Cutting>('cutting', cutting, onKept);
  return (
    <SettingCard
      title="How we cut"
      own={cutting.own}
      words={SETTING_WORDS}
      busy={busy}
      changed={changed}
      refusal={refusal}
      onBack={() => setDraft(USUAL_CUTTING)}
      onKeep={() => void keep()}
      onRead={() => setRefusal(null)}
    >
      <EntityForm
        fields={formFields(cuttingSchema, '', [], draft)}
        value={draft}
        optionsOf={() => []}
        additionTo={() => null}
        onSet={(key, value) => {
          setDraft(writeAt(draft, key, value));
          return undefined;
        }}
      />
    </SettingCard>
  );
}
