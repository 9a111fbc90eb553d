// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { QuantityField, type QuantityFieldProps } from './QuantityField';
import { HouseUnitsProvider } from './units';

const onCommit = vi.fn((_value: number | null): string | undefined => undefined);
function show(props: Partial<QuantityFieldProps> = {}, units: 'metric' | 'us' = 'metric') {
  onCommit.mockClear();
  render(
    <HouseUnitsProvider units={units}>
      <QuantityField label="Beam" kind="length" value={2.5} minimum={0.5} maximum={10} onCommit={onCommit} {...props} />
    </HouseUnitsProvider>,
  );
  return screen.getByRole('textbox') as HTMLInputElement;
}
const type = (field: HTMLInputElement, text: string) => fireEvent.change(field, { target: { value: text } });
const enter = (field: HTMLInputElement) => fireEvent.keyDown(field, { key: 'Enter' });

afterEach(cleanup);

describe('an entry of a quantity', () => {
  it('shows the value in the units of the reader, and takes any unit that measures it', () => {
    const field = show();
    expect(field.value).toBe('2.5');
    for (const [text, metres] of [
      ['3', 3],
      ['3,2', 3.2],
      ['300 cm', 3],
      ['9 ft 10 in', 2.9972],
      ['118 in', 2.9972],
    ] as const) {
      type(field, text);
      enter(field);
      expect(onCommit.mock.lastCall![0]).toBeCloseTo(metres, 9);
    }
  });
  it('reads a bare figure in the units that are shown', () => {
    const field = show({}, 'us');
    expect(screen.getByText(/Beam/).textContent).toMatch(/ft/);
    type(field, '10');
    enter(field);
    expect(onCommit.mock.lastCall![0]).toBeCloseTo(3.048, 9);
  });
  it('says what a spelled-out entry was taken for while it is typed', () => {
    const field = show();
    type(field, '9 ft 10 in');
    expect(screen.getByText(/^Taken as/).textContent).toMatch(/2\.99|3\.00/);
  });
  it('stands as it was typed where it names its unit, in either system and when the page is opened again', () => {
    const field = show({ kind: 'thickness', label: 'Sheet', minimum: 0.001, maximum: 0.1 }, 'us');
    type(field, '12 mm');
    enter(field);
    cleanup();
    const shown = (value: number, label = 'Sheet') => {
      const text = show({ kind: 'thickness', label, value, minimum: 0.001, maximum: 0.1 }, 'us').value;
      cleanup();
      return text;
    };
    expect(shown(0.012)).toBe('12 mm');
    expect(shown(0.0127)).toBe('0.5');
    expect(shown(0.012, 'Another')).toBe('0.47244');
    const again = show({ kind: 'thickness', label: 'Sheet', value: 0.012, minimum: 0.001, maximum: 0.1 }, 'us');
    type(again, '0.6');
    enter(again);
    expect(onCommit.mock.lastCall![0]).toBeCloseTo(0.01524, 9);
    // A bare number says its unit by the system that is shown.
    cleanup();
    expect(shown(0.01524)).toBe('0.6');
  });
  it('refuses what is out of range, no number, or another quantity, and keeps what was typed', () => {
    const field = show();
    for (const [text, words] of [
      ['40', /must be between 0\.5.* and 10|must be between/],
      ['-1', /must be between/],
      ['beam', /not a number/],
      ['3 kg', /does not measure that/],
      ['', /a value between/],
    ] as const) {
      type(field, text);
      enter(field);
      expect(screen.getByText(words).className).toContain('invalid-feedback');
      expect(field.value).toBe(text);
      expect(field.getAttribute('aria-invalid') ?? field.className).toMatch(/true|is-invalid/);
    }
    expect(onCommit).not.toHaveBeenCalled();
  });
  it('goes back to what it was on Escape', () => {
    const field = show();
    type(field, '99');
    fireEvent.keyDown(field, { key: 'Escape' });
    expect(field.value).toBe('2.5');
    expect(screen.queryByText(/must be between/)).toBeNull();
  });
  it('may be left out only where it says so', () => {
    const field = show({ optional: true });
    type(field, '');
    enter(field);
    expect(onCommit).toHaveBeenCalledWith(null);
  });
  it('commits once on leaving, and not at all where nothing was typed', () => {
    const field = show();
    fireEvent.blur(field);
    expect(onCommit).not.toHaveBeenCalled();
    type(field, '3');
    fireEvent.blur(field);
    fireEvent.blur(field);
    expect(onCommit).toHaveBeenCalledOnce();
  });
  it('shows the refusal of whom it commits to', () => {
    const field = show({ onCommit: () => 'The beam is wider than the hull' });
    type(field, '3');
    enter(field);
    expect(screen.getByText('The beam is wider than the hull')).toBeTruthy();
  });
  it('does not send the form it stands in', () => {
    const field = show();
    type(field, '3');
    expect(enter(field)).toBe(false);
  });
});
