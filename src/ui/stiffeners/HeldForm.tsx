'use client';
import { formFields, writeAt } from '@/core/field';
import { supportSchema, type Support } from '@/core/geometry';
import type { Boat } from '@/core/document';
import { EntityForm } from '../shared/EntityForm';

/** What a member has as a stiffener, besides where it lies. */
export const AS_STIFFENER: readonly string[] = ['ends', 'load', 'loadAt'];

/** How the ends of a member are held, and what stands on it; where, once something does. */
export function HeldForm({
  boat,
  support,
  onSet,
}: {
  boat: Boat;
  support: Support;
  onSet: (support: Support) => string | undefined;
}) {
  const fields = formFields(supportSchema, '', [], support).filter(
    ({ key }) => AS_STIFFENER.includes(key) && (key !== 'loadAt' || support.load !== null),
  );
  return (
    <section aria-label={`How ${support.name} is held and loaded`}>
      <EntityForm
        fields={fields}
        value={support}
        optionsOf={() => boat.loads.map(({ id, name }) => ({ id, label: name }))}
        additionTo={() => null}
        onSet={(key, value) => onSet(writeAt(support, key, value))}
      />
      {boat.loads.length === 0 && (
        <p className="form-text mb-0">Loads that can stand on it are made under Details: an engine, a mast, a winch.</p>
      )}
    </section>
  );
}
