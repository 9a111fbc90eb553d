import { Form } from 'react-bootstrap';
import { Controller, useFormContext } from 'react-hook-form';
import { CORE_FORMS, type CoreForm } from '@/core/material';
import { displayUnit, parseQuantity, type UnitSystem } from '@/core/quantity';
import { useUnits } from '../shared/units';

/** Thicknesses as they are typed, and back. @returns the thicknesses (m), or why they cannot be read. */
export function readSheets(text: string, system: UnitSystem): number[] | string {
  const read = text
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => parseQuantity(part, 'thickness', system));
  const bad = read.find((one) => !one.ok);
  if (bad && !bad.ok) return `Sheets: ${bad.message}`;
  return read.map((one) => (one.ok ? Number(one.value.toPrecision(9)) : 0));
}
export const writeSheets = (thicknesses: readonly number[], system: UnitSystem): string =>
  thicknesses.map((t) => Number((t / displayUnit('thickness', system).factor).toFixed(4))).join('; ');

/** What a core has that other materials have not: the sheets it comes in, and how they are cut. */
export function CoreFields() {
  const { unit } = useUnits();
  const { register, control } = useFormContext();
  return (
    <>
      <Form.Group controlId="material-sheets">
        <Form.Label className="mb-0">
          Sheet thicknesses, divided by semicolons <span className="unit">{unit('thickness')}</span>
        </Form.Label>
        <Form.Control {...register('sheets')} />
      </Form.Group>
      <Controller
        name="forms"
        control={control}
        render={({ field }) => (
          <fieldset>
            <legend className="fs-6 mb-0">Forms</legend>
            {(Object.keys(CORE_FORMS) as CoreForm[]).map((form) => (
              <Form.Check
                inline
                key={form}
                id={`form-${form}`}
                label={CORE_FORMS[form]}
                checked={field.value.includes(form)}
                onChange={(event) =>
                  field.onChange(
                    event.target.checked
                      ? [...field.value, form]
                      : field.value.filter((other: CoreForm) => other !== form),
                  )
                }
              />
            ))}
          </fieldset>
        )}
      />
    </>
  );
}
