'use client';
import type { z } from 'zod';
import { formFields, writeAt } from '@/core/field';
import { EntityForm } from './EntityForm';
import { SettingCard } from './SettingCard';
import { useSetting, type Kept } from './useSetting';

export const SETTING_WORDS = {
  usual: 'as is usual: put in your own',
  show: 'Show and change it',
  fold: 'Fold it away',
  back: 'Back to the usual',
  keep: 'Keep it',
} as const;

/** A setting of the yard by its description, with tables to add to. */
export function YardCard<B>({
  name,
  title,
  schema,
  usual,
  kept,
  additions = {},
  onKept,
}: {
  name: Parameters<typeof useSetting>[0];
  title: string;
  schema: z.ZodType<B>;
  usual: B;
  kept: Kept<B>;
  /** What is added to each of its tables. */
  additions?: Readonly<Record<string, unknown>>;
  onKept: (kept: Kept<B>) => void;
}) {
  const { draft, setDraft, refusal, setRefusal, busy, changed, keep } = useSetting<B>(name, kept, onKept);
  return (
    <SettingCard
      title={title}
      own={kept.own}
      words={SETTING_WORDS}
      busy={busy}
      changed={changed}
      refusal={refusal}
      onBack={() => setDraft(usual)}
      onKeep={() => void keep()}
      onRead={() => setRefusal(null)}
    >
      <EntityForm
        fields={formFields(schema, '', [], draft)}
        value={draft}
        optionsOf={() => []}
        additionTo={(key) => additions[key] ?? null}
        onSet={(key, value) => {
          setDraft(writeAt(draft, key, value));
          return undefined;
        }}
      />
    </SettingCard>
  );
}
