'use client';
import { Button, Form } from 'react-bootstrap';
import type { Material, MaterialKind } from '@/core/material';
import type { Boat } from '@/core/document';
import type { Detail } from '@/core/detail/kinds';
import { QuantityField } from '../shared/QuantityField';
import {
  DETAIL_FIELDS,
  read,
  write,
  type ChoiceField,
  type Field,
  type MaterialField,
  type SheetsField,
} from './fields';

export interface DetailFormProps {
  boat: Boat;
  detail: Detail;
  /** Of the boat first, then of the Shelf. */
  materials: readonly Material[];
  onChange: (detail: Detail) => string | undefined;
}

const choiceValue = (value: string, of: ChoiceField['of']) =>
  of === 'number' ? Number(value) : of === 'boolean' ? value === 'true' : value;

/** A choice among materials of some kinds. */
function MaterialSelect({
  label,
  value,
  kinds,
  materials,
  optional,
  hideLabel,
  onPick,
}: Omit<MaterialField, 'as' | 'key'> & {
  value: string | null;
  materials: readonly Material[];
  hideLabel?: boolean;
  onPick: (id: string | null) => void;
}) {
  const id = `pick-${label.replace(/\W+/g, '-')}`;
  return (
    <Form.Group>
      <Form.Label htmlFor={id} className={hideLabel ? 'visually-hidden' : 'mb-0'}>
        {label}
      </Form.Label>
      <Form.Select id={id} size="sm" value={value ?? ''} onChange={(event) => onPick(event.target.value || null)}>
        {(optional || !value) && <option value="">none</option>}
        {materials
          .filter((material) => kinds.includes(material.kind))
          .map((material) => (
            <option key={material.id} value={material.id}>
              {'code' in material ? `${material.code}, ${material.name}` : material.name}
            </option>
          ))}
      </Form.Select>
    </Form.Group>
  );
}

/** Everything a detail is entered by. */
export function DetailForm({ boat, detail, materials, onChange }: DetailFormProps) {
  const set = (key: string, value: unknown) => onChange(write(detail, key, value));
  const small = DETAIL_FIELDS[detail.kind].filter(
    ({ as }) => as === 'number' || as === 'choice' || as === 'material' || as === 'support',
  );
  const large = DETAIL_FIELDS[detail.kind].filter((field) => !small.includes(field));
  const one = (field: Field) => {
    switch (field.as) {
      case 'number':
        return (
          <QuantityField
            key={field.key}
            label={field.label}
            kind={field.kind}
            value={read(detail, field.key) as number | null}
            minimum={field.minimum}
            maximum={field.maximum}
            {...(field.hint ? { hint: field.hint } : {})}
            optional={field.optional ?? false}
            onCommit={(value) =>
              field.whole && value !== null && !Number.isInteger(value)
                ? `${field.label} must be a whole number`
                : set(field.key, value)
            }
          />
        );
      case 'choice':
        return (
          <Form.Group key={field.key} controlId={`field-${field.key}`}>
            <Form.Label className="mb-0">{field.label}</Form.Label>
            <Form.Select
              value={String(read(detail, field.key))}
              onChange={(event) => set(field.key, choiceValue(event.target.value, field.of))}
            >
              {Object.entries(field.options).map(([key, name]) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        );
      case 'material':
        return (
          <MaterialSelect
            key={field.key}
            label={field.label}
            kinds={field.kinds}
            optional={field.optional ?? false}
            value={read(detail, field.key) as string | null}
            materials={materials}
            onPick={(id) => set(field.key, field.optional ? id : (id ?? ''))}
          />
        );
      case 'support':
        return (
          <Form.Group key="support" controlId="field-support">
            <Form.Label className="mb-0">Stiffener</Form.Label>
            <Form.Select
              value={detail.kind === 'stiffenerEnd' ? detail.support : ''}
              onChange={(event) => set('support', event.target.value)}
            >
              {boat.supports
                .filter(({ section }) => section !== null)
                .map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
            </Form.Select>
          </Form.Group>
        );
      case 'sheets':
        return (
          <SheetTable
            key={field.key}
            field={field}
            items={read(detail, field.key) as Record<string, number | string>[]}
            materials={materials}
            onItems={(items) => set(field.key, items)}
          />
        );
      case 'bolts':
        return detail.kind === 'bolted' ? (
          <BoltTable key="bolts" bolts={detail.bolts} onBolts={(bolts) => set('bolts', bolts)} />
        ) : null;
      case 'plate':
      case 'tapped':
        return detail.kind === 'bolted' ? (
          <PlateFields key={field.as} which={field.as} detail={detail} materials={materials} set={set} />
        ) : null;
    }
  };
  return (
    <div className="d-grid gap-2">
      <div className="detail-fields">{small.map(one)}</div>
      {large.map(one)}
    </div>
  );
}

/** Sheets or tapes of the detail's own laminate. */
function SheetTable({
  field,
  items,
  materials,
  onItems,
}: {
  field: SheetsField;
  items: readonly Record<string, number | string>[];
  materials: readonly Material[];
  onItems: (items: readonly Record<string, number | string>[]) => string | undefined;
}) {
  const fabrics: readonly MaterialKind[] = ['fabric'];
  const put = (at: number, key: string, value: unknown) =>
    onItems(items.map((item, i) => (i === at ? { ...item, [key]: value as number } : item)));
  const add = () => {
    const last = items.at(-1) ?? {
      material: materials.find(({ kind }) => kind === 'fabric')?.id ?? '',
      angleDeg: 0,
      ...Object.fromEntries(field.columns.map(({ key }) => [key, key === 'overlap' ? 0.05 : 0.3])),
    };
    onItems([...items, { ...last }]);
  };
  return (
    <div>
      <div className="d-flex justify-content-between align-items-center">
        <span className="fw-semibold small">{field.label}</span>
        <Button size="sm" variant="outline-primary" onClick={add}>
          Add to {field.label.toLowerCase()}
        </Button>
      </div>
      {items.length > 0 && (
        <table className="table table-sm sheet-table mb-1" aria-label={field.label}>
          <tbody>
            {items.map((item, i) => (
              <tr key={i}>
                <td>
                  <MaterialSelect
                    hideLabel
                    label={`${field.label} ${i + 1}`}
                    kinds={fabrics}
                    value={String(item['material'])}
                    materials={materials}
                    onPick={(id) => id && put(i, 'material', id)}
                  />
                </td>
                <td>
                  <QuantityField
                    hideLabel
                    label={`Angle of ${field.label.toLowerCase()} ${i + 1}`}
                    kind="angle"
                    value={Number(item['angleDeg'])}
                    minimum={-90}
                    maximum={90}
                    onCommit={(value) => put(i, 'angleDeg', value)}
                  />
                </td>
                {field.columns.map(({ key, label, minimum, maximum }) => (
                  <td key={key}>
                    <QuantityField
                      hideLabel
                      label={`${label} of ${field.label.toLowerCase()} ${i + 1}`}
                      kind="shortLength"
                      value={Number(item[key])}
                      minimum={minimum}
                      maximum={maximum}
                      onCommit={(value) => put(i, key, value)}
                    />
                  </td>
                ))}
                <td>
                  <button
                    type="button"
                    className="plain-button"
                    aria-label={`Remove ${field.label.toLowerCase()} ${i + 1}`}
                    onClick={() => onItems(items.filter((_, k) => k !== i))}
                  >
                    ✕
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

/** Positions of the bolts from the middle of the base. */
function BoltTable({
  bolts,
  onBolts,
}: {
  bolts: readonly (readonly [number, number])[];
  onBolts: (bolts: readonly (readonly [number, number])[]) => string | undefined;
}) {
  const put = (at: number, axis: 0 | 1, value: number) =>
    onBolts(bolts.map((bolt, i) => (i === at ? (axis === 0 ? [value, bolt[1]] : [bolt[0], value]) : bolt)));
  const last = bolts.at(-1) ?? [0, 0];
  return (
    <div>
      <div className="d-flex justify-content-between align-items-center">
        <span className="fw-semibold small">Bolts, along and across from the middle of the base</span>
        <Button
          size="sm"
          variant="outline-primary"
          onClick={() => onBolts([...bolts, [Number((last[0] + 0.05).toFixed(3)), last[1]]])}
        >
          Add a bolt
        </Button>
      </div>
      <table className="table table-sm sheet-table mb-1" aria-label="Bolts">
        <tbody>
          {bolts.map((bolt, i) => (
            <tr key={i}>
              <td className="num">{i + 1}</td>
              {([0, 1] as const).map((axis) => (
                <td key={axis}>
                  <QuantityField
                    hideLabel
                    label={`Bolt ${i + 1} ${axis === 0 ? 'along' : 'across'}`}
                    kind="shortLength"
                    value={bolt[axis]}
                    minimum={-2}
                    maximum={2}
                    onCommit={(value) => put(i, axis, value!)}
                  />
                </td>
              ))}
              <td>
                <button
                  type="button"
                  className="plain-button"
                  aria-label={`Remove bolt ${i + 1}`}
                  disabled={bolts.length === 1}
                  onClick={() => onBolts(bolts.filter((_, k) => k !== i))}
                >
                  ✕
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Backing plate, or tapped plate laminated in; either may be left out. */
function PlateFields({
  which,
  detail,
  materials,
  set,
}: {
  which: 'plate' | 'tapped';
  detail: Extract<Detail, { kind: 'bolted' }>;
  materials: readonly Material[];
  set: (key: string, value: unknown) => string | undefined;
}) {
  const metal = materials.find(({ kind }) => kind === 'metal')?.id ?? '';
  const there = detail[which] !== null;
  const start =
    which === 'plate'
      ? { metal, thickness: 0.006, length: detail.base[0], breadth: detail.base[1] }
      : { metal, thickness: 0.01 };
  return (
    <div>
      <Form.Check
        id={`has-${which}`}
        label={which === 'plate' ? 'Backing plate' : 'Tapped metal plate laminated in'}
        checked={there}
        onChange={(event) => set(which, event.target.checked ? start : null)}
      />
      {there && (
        <div className="detail-fields">
          <MaterialSelect
            label={which === 'plate' ? 'Plate of' : 'Tapped plate of'}
            kinds={['metal']}
            value={detail[which]!.metal}
            materials={materials}
            onPick={(id) => id && set(`${which}.metal`, id)}
          />
          <QuantityField
            label="Thickness"
            kind="shortLength"
            value={detail[which]!.thickness}
            minimum={which === 'plate' ? 0.001 : 0.002}
            maximum={0.05}
            onCommit={(value) => set(`${which}.thickness`, value)}
          />
          {which === 'plate' && detail.plate && (
            <>
              <QuantityField
                label="Length"
                kind="shortLength"
                value={detail.plate.length}
                minimum={0.02}
                maximum={3}
                onCommit={(value) => set('plate.length', value)}
              />
              <QuantityField
                label="Breadth"
                kind="shortLength"
                value={detail.plate.breadth}
                minimum={0.02}
                maximum={3}
                onCommit={(value) => set('plate.breadth', value)}
              />
            </>
          )}
        </div>
      )}
    </div>
  );
}
