'use client';
import type { z } from 'zod';
import { Button } from 'react-bootstrap';
import { formFields, writeAt, type ListName } from '@/core/field';
import { useDesign } from '../shared/boat';
import { EntityForm } from '../shared/EntityForm';
import { TextField } from '../shared/TextField';

const CUT_OUT = { face: 'front', across: 0.1, up: 0.1, width: 0.2, height: 0.15 };

/** A box or a plug by its description. */
export function PartForm<T extends { id: string; name: string }>({
  schema,
  value,
  onSet,
  onRemove,
}: {
  schema: z.ZodType<T>;
  value: T;
  onSet: (value: T) => string | undefined;
  onRemove: () => void;
}) {
  const { boat } = useDesign();
  const optionsOf = (list: ListName) =>
    list === 'materials' ? boat.materials.map(({ id, name, kind }) => ({ id, label: name, kind })) : [];
  return (
    <div className="d-grid gap-2 no-print">
      <TextField label="Name" value={value.name} maximum={60} onCommit={(name) => onSet({ ...value, name })} />
      <EntityForm
        fields={formFields(schema, '', ['id', 'name'], value)}
        value={value}
        optionsOf={optionsOf}
        additionTo={() => CUT_OUT}
        onSet={(key, next) => onSet(writeAt(value, key, next) as T)}
      />
      <div>
        <Button size="sm" variant="outline-primary" onClick={onRemove}>
          Remove it
        </Button>
      </div>
    </div>
  );
}
