import { Form } from 'react-bootstrap';
import { useController } from 'react-hook-form';
import { formFields, writeAt } from '@/core/field';
import { cureLawSchema, type CureLaw } from '@/core/material';
import { EntityForm } from '../shared/EntityForm';
import { TextField } from '../shared/TextField';

/** A law to begin with, of the order of a room-temperature epoxy. */
const BEGIN: CureLaw = {
  A1: 2e4,
  E1: 55_000,
  A2: 2e5,
  E2: 55_000,
  m: 0.9,
  n: 1.5,
  heat: 380_000,
  tgFull: 90,
  source: '',
};

/** How a resin hardens by its maker or by a test; without it, by its two pot lives. */
export function CureLawFields() {
  const { field } = useController({ name: 'cure' });
  const law = (field.value ?? null) as CureLaw | null;
  return (
    <fieldset>
      <legend className="fs-6 mb-0">How it hardens</legend>
      <Form.Check
        id="own-cure"
        label="By a law of its own, from a data sheet or a test; else by its two pot lives, an approximation"
        checked={law !== null}
        onChange={(event) => field.onChange(event.target.checked ? BEGIN : null)}
      />
      {law && (
        <>
          <EntityForm
            fields={formFields(cureLawSchema, '', [], law)}
            value={law}
            optionsOf={() => []}
            additionTo={() => null}
            onSet={(key, value) => {
              field.onChange(writeAt(law, key, value));
              return undefined;
            }}
          />
          <TextField
            label="Source of the law"
            value={law.source}
            maximum={200}
            onCommit={(source) => {
              field.onChange({ ...law, source });
              return undefined;
            }}
          />
        </>
      )}
    </fieldset>
  );
}
