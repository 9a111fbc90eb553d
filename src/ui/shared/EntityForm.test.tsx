// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { DETAIL_KINDS, detailSchema, newDetail, type Detail, type DetailKind } from '@/core/detail/kinds';
import { formatForEntry } from '@/core/quantity';
import { formFields, readAt, type FormField } from '@/core/field';
import { DetailForm } from '../details/DetailForm';

const boat = merrow();
const zone = boat.parts[0]!.zones[0]!;
const onChange = vi.fn((_detail: Detail): string | undefined => undefined);
const ELSEWHERE = ['name', 'zone', 'load', 'x', 'y', 'number', 'note', 'proof'];

function show(detail: Detail) {
  onChange.mockClear();
  render(<DetailForm boat={boat} detail={detail} materials={boat.materials} onChange={onChange} />);
}
const plain = (fields: readonly FormField[]): FormField[] =>
  fields.flatMap((field) => (field.as === 'group' && !field.optional ? plain(field.fields) : [field]));

afterEach(cleanup);

describe.each(Object.keys(DETAIL_KINDS) as DetailKind[])('the form of a detail: %s', (kind) => {
  const detail = newDetail(boat, kind, 'new', zone);
  const fields = plain(formFields(detailSchema, '', ELSEWHERE, { kind }));

  it('has an entry for every field of its description, with its value', () => {
    show(detail);
    for (const field of fields) {
      const value = readAt(detail, field.key);
      if (field.as === 'table' || field.as === 'group') continue;
      const entries = screen.getAllByLabelText(new RegExp(`^${field.label.replace(/[()]/g, '.')}`));
      expect(entries.length, field.label).toBeGreaterThan(0);
      if (field.as !== 'number' || value === null) continue;
      const shown = formatForEntry(Number((value as number).toPrecision(6)), field.quantity, 'metric');
      expect(entries.map((entry) => (entry as HTMLInputElement).value)).toContain(shown);
    }
  });

  it('takes every number at both ends of its range and refuses it beyond, in words', () => {
    for (const field of fields) {
      if (field.as !== 'number' || readAt(detail, field.key) === null) continue;
      for (const end of [field.minimum, field.maximum]) {
        cleanup();
        show(detail);
        const entry = screen.getAllByLabelText(new RegExp(`^${field.label.replace(/[()]/g, '.')}`))[0]!;
        fireEvent.change(entry, { target: { value: formatForEntry(end, field.quantity, 'metric') } });
        fireEvent.keyDown(entry, { key: 'Enter' });
        const same = Math.abs((readAt(detail, field.key) as number) - end) < 1e-9;
        if (!same) expect(readAt(onChange.mock.lastCall![0], field.key), field.label).toBeCloseTo(end, 6);
      }
      cleanup();
      show(detail);
      const entry = screen.getAllByLabelText(new RegExp(`^${field.label.replace(/[()]/g, '.')}`))[0]!;
      const beyond = field.maximum + Math.abs(field.maximum) + 1;
      fireEvent.change(entry, { target: { value: formatForEntry(beyond, field.quantity, 'metric') } });
      fireEvent.keyDown(entry, { key: 'Enter' });
      expect(onChange, field.label).not.toHaveBeenCalled();
      expect(screen.getByText(/must be between/)).toBeTruthy();
    }
  });
});

it('a stored detail of the other boat opens with what it holds', () => {
  const other = brant();
  for (const detail of other.details) {
    cleanup();
    render(<DetailForm boat={other} detail={detail} materials={other.materials} onChange={onChange} />);
    expect(screen.getAllByRole('textbox').length + screen.getAllByRole('combobox').length).toBeGreaterThan(2);
  }
});
