'use client';
import { useMemo } from 'react';
import { additionTo, detailSchema, type Detail } from '@/core/detail/kinds';
import type { Boat } from '@/core/document';
import { formFields, writeAt, type ListName } from '@/core/field';
import type { Material } from '@/core/material';
import { EntityForm, type ReferenceOption } from '../shared/EntityForm';

export interface DetailFormProps {
  boat: Boat;
  detail: Detail;
  /** Of the boat first, then of the Shelf. */
  materials: readonly Material[];
  onChange: (detail: Detail) => string | undefined;
}

/** Entered beside the form, where the detail is placed. */
const ELSEWHERE = ['name', 'zone', 'load', 'x', 'y', 'number', 'note', 'proof'];

const materialOption = (material: Material): ReferenceOption => ({
  id: material.id,
  kind: material.kind,
  label: 'code' in material ? `${material.code}, ${material.name}` : material.name,
});

/** Everything a detail is entered by: the fields of its kind, as its schema describes them. */
export function DetailForm({ boat, detail, materials, onChange }: DetailFormProps) {
  const fields = useMemo(() => formFields(detailSchema, '', ELSEWHERE, { kind: detail.kind }), [detail.kind]);
  const optionsOf = (list: ListName): ReferenceOption[] => {
    if (list === 'materials') return materials.map(materialOption);
    if (list !== 'supports') return [];
    return boat.supports.filter(({ section }) => section !== null).map(({ id, name }) => ({ id, label: name }));
  };
  return (
    <EntityForm
      fields={fields}
      value={detail}
      optionsOf={optionsOf}
      additionTo={(key) => additionTo(boat, detail, key)}
      onSet={(key, value) => onChange(writeAt(detail, key, value))}
    />
  );
}
