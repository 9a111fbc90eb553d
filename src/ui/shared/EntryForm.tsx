'use client';
import type { z } from 'zod';
import { Button } from 'react-bootstrap';
import { formFields, writeAt, type ListName } from '@/core/field';
import { useDesign } from './boat';
import { EntityForm } from './EntityForm';
import { TextField } from './TextField';

/** An entry of one of the boat's lists by its description: its name, its fields, and a way to take it out. */
export function EntryForm<T extends { id: string; name: string }>({
  schema,
  value,
  leaveOut = [],
  addition,
  onSet,
  onRemove,
}: {
  schema: z.ZodType<T>;
  value: T;
  /** Fields that are entered elsewhere. */
  leaveOut?: readonly string[];
  /** What is added to its list. */
  addition?: unknown;
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
        fields={formFields(schema, '', ['id', 'name', ...leaveOut], value)}
        value={value}
        optionsOf={optionsOf}
        additionTo={() => addition}
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
