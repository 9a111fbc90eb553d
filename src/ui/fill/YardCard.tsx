'use client';
import type { z } from 'zod';
import { formFields, writeAt } from '@/core/field';
import { SETTING_WORDS } from '../kit/CuttingCard';
import { EntityForm } from '../shared/EntityForm';
import { SettingCard } from '../shared/SettingCard';
import { useSetting, type Kept } from '../shared/useSetting';

/** A setting of the yard by its description, with tables to add to. */
export function YardCard<B>({
  name,
  title,
  schema,
  usual,
  kept,
  additions,
  onKept,
}: {
  name: Parameters<typeof useSetting>[0];
  title: string;
  schema: z.ZodType<B>;
  usual: B;
  kept: Kept<B>;
  /** What is added to each of its tables. */
  additions: Readonly<Record<string, unknown>>;
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
