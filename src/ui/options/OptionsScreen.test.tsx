// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { press, went, Yard } from '../../../tests/helpers/yard';
import { zoneOf } from '../../../tests/helpers/merrow';
import type { Boat } from '@/core/document';
import { GENERIC_MATERIALS } from '@/core/material';
import { applyEdits } from '@/core/edit';
import { USUAL_HABITS, type HabitsOfYard } from '@/core/option';
import type { Process } from '@/core/material';
import { OptionsScreen } from './OptionsScreen';

const HABITS = (Object.keys(USUAL_HABITS) as Process[]).map((process): HabitsOfYard => {
  return { process, habits: USUAL_HABITS[process], version: 0, own: null };
});

vi.mock('comlink', () => import('../../../tests/helpers/comlink'));
vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams('zone=side-fwd&view=otherwise'),
  usePathname: () => '/boats/x/options',
  useRouter: () => went,
}));

let yard: Yard;
beforeEach(async () => {
  await import('@/workers/proof.worker');
  yard = await Yard.open();
});
afterEach(() => yard.close());

const table = () => screen.findByRole('table', { name: 'What else would do' });

describe('what else would do', () => {
  it('is shown beside what is laid now, says what gets worse, and is laid as one action', async () => {
    const desk = await yard.show(await yard.boat(), <OptionsScreen shelf={GENERIC_MATERIALS} habits={HABITS} />);
    const rows = within(await table()).getAllByRole('row');
    expect(rows.length).toBeGreaterThan(12);
    expect(rows[1]!.textContent).toMatch(/^as it is laid now7 layers6\.88/);
    press('E-glass on SAN 85');
    const lay = await screen.findByRole<HTMLButtonElement>('button', { name: 'Lay it so' });
    await waitFor(() => expect(lay.disabled).toBe(false));
    expect(screen.getByTestId('effect').textContent).toMatch(/The boat: 676\.2 kg → 6\d\d\.\d kg/);
    expect(document.body.textContent).toContain('Not checked in Side forward: ');
    fireEvent.click(lay);
    const [part, zone] = zoneOf(await desk.saved(), 'Side forward');
    const laid = part.layers.filter(({ zones }) => zones.includes(zone.id)).map(({ material }) => material);
    expect(laid).toContain('san-85');
    expect(laid.slice(0, 2)).toEqual(['gelcoat-iso', 'csm-300']);
  });
  it('of a zone in which nothing is laid says so, and the way on', async () => {
    const bare = (boat: Boat) => {
      const [part] = zoneOf(boat, 'Side forward');
      return applyEdits(
        boat,
        part.layers.map(({ id }) => ({ type: 'layer.remove', layerId: id })),
      ).boat;
    };
    await yard.show(await yard.boat(bare), <OptionsScreen shelf={GENERIC_MATERIALS} habits={HABITS} />);
    await screen.findByText(/Nothing is laid in Side forward/);
    expect(document.body.textContent).toContain('Lay a first stack in the Lay-up');
  });
});
