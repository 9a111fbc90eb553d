// @vitest-environment happy-dom
import { cleanup, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Page, words } from '../../tests/helpers/asked';
import { merrow, zoneOf } from '../../tests/helpers/merrow';
import { otherProcesses } from '@/core/option';
import { GENERIC_MATERIALS, type Fabric } from '@/core/material';

import type { UnitSystem } from '@/core/quantity';
import { LaminateBook, notation } from './layup/LaminateBook';
import { ByProcess } from './options/ByProcess';
import { CompareDialog } from './shelf/CompareDialog';

vi.mock('next/navigation', () => ({ useRouter: () => ({ push: () => undefined, refresh: () => undefined }) }));

/** m² in a square foot. */
const FOOT_SQUARED = 0.3048 ** 2;
const page = new Page();
beforeEach(() => page.begin());
afterEach(() => page.end());

const METRIC = /\d ?(mm|m²|kg|kg\/m²|MPa|GPa|kN\/m)\b|\bper m²|and m²/;
/** Figures of the row that begins so, cell by cell. */
const rowOf = (table: string, begins: string): number[] => {
  const row = within(screen.getByRole('table', { name: table }))
    .getAllByRole('row')
    .find(({ textContent }) => textContent!.startsWith(begins))!;
  return within(row)
    .getAllByRole('cell')
    .map(({ textContent }) => parseFloat(textContent!.replace('−', '-')));
};

const boat = merrow();
const [part, zone] = zoneOf(boat, 'Bottom forward');

describe('the same layers by another process', () => {
  const open = (units: UnitSystem) => page.show(<ByProcess boat={boat} part={part} zone={zone} />, { boat, units });
  const TABLE = 'The same layers by another process';
  it('costs by the square foot what it costs by the square metre', () => {
    const [own] = otherProcesses(boat, part, zone, undefined);
    open('metric');
    const metric = rowOf(TABLE, own!.name);
    expect(metric[3]).toBeCloseTo(own!.cost!, 1);
    expect(words()).toContain('money per m²');
    cleanup();
    open('us');
    const us = rowOf(TABLE, own!.name);
    expect(us[3]).toBeCloseTo(own!.cost! * FOOT_SQUARED, 1);
    expect(us[4]).toBeCloseTo(own!.hours * FOOT_SQUARED, 2);
    // A share has no unit, nor has a reserve.
    expect([us[2], us[5]]).toEqual([metric[2], metric[5]]);
    expect(words()).toContain('money per ft²');
    expect(words()).not.toMatch(METRIC);
  });
});

describe('fabrics side by side', () => {
  const fabrics = GENERIC_MATERIALS.filter((one): one is Fabric => one.kind === 'fabric').slice(0, 2);
  const making = { resin: 'polyester-iso', process: 'handLayUp' as const };
  const open = (units: UnitSystem) =>
    page.show(
      <CompareDialog
        fabrics={fabrics}
        materials={GENERIC_MATERIALS}
        making={making}
        onMaking={() => undefined}
        onClose={() => undefined}
      />,
      { units },
    );
  it('are told in one system throughout, what they cost by the area among it', () => {
    open('metric');
    const metric = rowOf('Fabrics compared', 'Price per m²');
    expect(words()).toContain('per unit of money and m²');
    cleanup();
    open('us');
    const us = rowOf('Fabrics compared', 'Price per ft²');
    us.slice(1).forEach((price, i) => expect(price).toBeCloseTo(metric[i + 1]! * FOOT_SQUARED, 0));
    expect(words()).toContain('per unit of money and ft²');
    expect(words()).not.toMatch(METRIC);
  });
});

describe('a laminate in the notation of the literature', () => {
  const layers = [
    { material: 'bx45-600', angleDeg: -45, thickness: null, role: 'structure' as const },
    { material: 'pvc-80', angleDeg: 0, thickness: 0.0254, role: 'structure' as const },
  ];
  it('gives thickness as its reader does', () => {
    expect(notation(boat.materials, layers, () => '25.4 mm')).toMatch(/^\[.* −45° \/ .* 25\.4 mm\]$/);
  });
  it.each(['metric', 'us'] as const)('stands so in the book of laminates (%s)', (units) => {
    const kept = {
      ...boat,
      references: [{ id: 'own', name: 'Own', origin: '', process: null, layers, panel: null, note: '' } as never],
    };
    page.answer = () => [];
    page.show(
      <LaminateBook
        boat={kept}
        part={part}
        zoneIds={[zone.id]}
        act={() => undefined}
        say={() => undefined}
        onLaid={() => undefined}
      />,
      { boat: kept, units },
    );
    expect(words()).toContain(units === 'us' ? '1.000 in' : '25.4 mm');
    if (units === 'us') expect(words()).not.toMatch(METRIC);
  });
});
