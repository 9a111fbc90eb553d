'use client';
import { useId } from 'react';
import { Button, Form } from 'react-bootstrap';
import { X } from 'react-bootstrap-icons';
import { readAt, type FormField, type ListName } from '@/core/field';
import { QuantityField } from './QuantityField';
import { TextField } from './TextField';
import { useUnits } from './units';

/** What a reference may name: entries of one list, with the kind of each where it has one. */
export interface ReferenceOption {
  id: string;
  label: string;
  kind?: string;
}

interface Common {
  /** The entry as it is. */
  value: unknown;
  optionsOf: (list: ListName) => readonly ReferenceOption[];
  /** Puts a value at a path; returns the refusal in words, or nothing when it was taken. */
  onSet: (key: string, value: unknown) => string | undefined;
}
export interface EntityFormProps extends Common {
  fields: readonly FormField[];
  /** What is added to a list, or fills a group that was left out. */
  additionTo: (key: string) => unknown;
}

const isLarge = ({ as }: FormField) => as === 'table' || as === 'group';

/**
 * Everything an entry is entered by, in the order of its description: small fields first, then its tables and groups.
 */
export function EntityForm({ fields, ...rest }: EntityFormProps) {
  return (
    <div className="d-grid gap-2">
      <div className="detail-fields">
        {flat(fields).map((field) => (
          <OneField key={field.key} field={field} {...rest} />
        ))}
      </div>
      {fields.filter(isLarge).map((field) => (
        <LargeField key={field.key} field={field} {...rest} />
      ))}
    </div>
  );
}

/** Small fields, those of groups that are always there among them. */
const flat = (fields: readonly FormField[]): FormField[] =>
  fields.flatMap((field) => {
    if (field.as === 'group') return field.optional ? [] : flat(field.fields);
    return field.as === 'table' ? [] : [field];
  });

function LargeField({ field, additionTo, ...rest }: Omit<EntityFormProps, 'fields'> & { field: FormField }) {
  if (field.as === 'table') return <TableField field={field} additionTo={additionTo} {...rest} />;
  if (field.as !== 'group' || !field.optional) return null;
  const there = readAt(rest.value, field.key) !== null;
  return (
    <div>
      <Form.Check
        id={`has-${field.key}`}
        label={field.label}
        checked={there}
        onChange={(event) => rest.onSet(field.key, event.target.checked ? additionTo(field.key) : null)}
      />
      {there && (
        <div className="detail-fields">
          {field.fields.map((one) => (
            <OneField key={one.key} field={one} {...rest} />
          ))}
        </div>
      )}
    </div>
  );
}

/** One thing to enter. `name` stands for the label where a table names its cells. */
function OneField({ field, value, optionsOf, onSet, name }: Common & { field: FormField; name?: string }) {
  const label = name ?? field.label;
  const hideLabel = name !== undefined;
  const now = readAt(value, field.key);
  switch (field.as) {
    case 'number':
      return (
        <QuantityField
          label={label}
          hideLabel={hideLabel}
          kind={field.quantity}
          value={now as number | null}
          minimum={field.minimum}
          maximum={field.maximum}
          optional={field.optional}
          {...(field.hint ? { hint: field.hint } : {})}
          onCommit={(next) =>
            field.whole && next !== null && !Number.isInteger(next)
              ? `${label} must be a whole number`
              : onSet(field.key, next)
          }
        />
      );
    case 'choice':
      return (
        <Select
          label={label}
          hideLabel={hideLabel}
          value={String(now)}
          onPick={(next) => onSet(field.key, typedAs(next, field.of))}
        >
          {Object.entries(field.options).map(([key, word]) => (
            <option key={key} value={key}>
              {word}
            </option>
          ))}
        </Select>
      );
    case 'reference': {
      const { list, kinds } = field.reference;
      const options = optionsOf(list).filter(({ kind }) => !kinds || (kind !== undefined && kinds.includes(kind)));
      const pick = (id: string) => onSet(field.key, id === '' && field.optional ? null : id);
      return (
        <Select label={label} hideLabel={hideLabel} value={String(now ?? '')} onPick={pick}>
          {(field.optional || !now) && <option value="">none</option>}
          {options.map(({ id, label: word }) => (
            <option key={id} value={id}>
              {word}
            </option>
          ))}
        </Select>
      );
    }
    // Outside a table text stands where the form that holds it wants it.
    case 'text':
      return name === undefined ? null : (
        <TextField
          label={label}
          hideLabel
          value={String(now ?? '')}
          maximum={field.most}
          onCommit={(next) => onSet(field.key, next)}
        />
      );
    default:
      return null;
  }
}

function typedAs(value: string, of: 'text' | 'number' | 'boolean'): unknown {
  if (of === 'number') return Number(value);
  return of === 'boolean' ? value === 'true' : value;
}

function Select(props: {
  label: string;
  hideLabel: boolean;
  value: string;
  onPick: (value: string) => void;
  children: React.ReactNode;
}) {
  const id = useId();
  return (
    <Form.Group>
      <Form.Label htmlFor={id} className={props.hideLabel ? 'visually-hidden' : 'mb-0'}>
        {props.label}
      </Form.Label>
      <Form.Select
        id={id}
        {...(props.hideLabel ? { size: 'sm' as const } : {})}
        value={props.value}
        onChange={(event) => props.onPick(event.target.value)}
      >
        {props.children}
      </Form.Select>
    </Form.Group>
  );
}

/** A list inside the entry: sheets, tapes, bolts. */
function TableField({
  field,
  additionTo,
  ...rest
}: Omit<EntityFormProps, 'fields'> & { field: Extract<FormField, { as: 'table' }> }) {
  const rows = readAt(rest.value, field.key) as readonly unknown[];
  const called = field.label.toLowerCase();
  const { unit } = useUnits();
  const put = (next: readonly unknown[]) => rest.onSet(field.key, next);
  return (
    <div>
      <div className="d-flex justify-content-between align-items-center">
        <span className="fw-semibold small">
          {field.label}
          {field.hint ? `, ${field.hint}` : ''}
        </span>
        <Button
          size="sm"
          variant="outline-primary"
          disabled={rows.length >= field.most}
          onClick={() => put([...rows, additionTo(field.key)])}
        >
          Add to {called}
        </Button>
      </div>
      {rows.length > 0 && (
        <table className="table table-sm sheet-table mb-1" aria-label={field.label}>
          <thead>
            <tr>
              <th />
              {field.columns.map((column) => (
                <th key={column.key} scope="col" className="small fw-normal">
                  {column.label} {column.as === 'number' && <span className="unit-label">{unit(column.quantity)}</span>}
                </th>
              ))}
              <th />
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                <td className="num">{i + 1}</td>
                {field.columns.map((column) => (
                  <td key={column.key}>
                    <OneField
                      field={{ ...column, key: column.key }}
                      name={`${column.label} of ${called} ${i + 1}`}
                      value={row}
                      optionsOf={rest.optionsOf}
                      onSet={(key, next) => rest.onSet(`${field.key}.${i}.${key}`, next)}
                    />
                  </td>
                ))}
                <td>
                  <button
                    type="button"
                    className="plain-button"
                    aria-label={`Remove ${called} ${i + 1}`}
                    disabled={rows.length <= field.least}
                    onClick={() => put(rows.filter((_, k) => k !== i))}
                  >
                    <X aria-hidden />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
