// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { QueryProvider } from '../shared/QueryProvider';
import { UnitsProvider } from '../shared/units';
import { RepairView, type RepairViewProps } from './RepairView';

const push = vi.fn();
vi.mock('next/navigation', () => ({ usePathname: () => '/', useRouter: () => ({ push }) }));

const hurt: RepairViewProps = {
  boatId: 'b1',
  name: 'Hurt boat',
  version: 7,
  problem: 'Thickness must be between {{thickness! 0.00005}} and {{thickness! 0.2}}',
  path: 'stored boat.parts.0.layers.3.thickness',
  place: 'Hull, layers 4, thickness',
  good: { from: 'before the last 2 actions', at: '2026-11-27T10:00:00.000Z' },
};
const show = (props: Partial<RepairViewProps> = {}, units: 'metric' | 'us' = 'metric') =>
  render(
    <QueryProvider>
      <UnitsProvider initial={units}>
        <RepairView {...hurt} {...props} />
      </UnitsProvider>
    </QueryProvider>,
  );
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  push.mockClear();
});

describe('a boat that does not read', () => {
  it('says what is wrong and where, in the units of the reader', () => {
    show();
    expect(screen.getByText('Thickness must be between 0.05 mm and 200 mm')).toBeTruthy();
    expect(screen.getByText('In: Hull, layers 4, thickness')).toBeTruthy();
    cleanup();
    show({}, 'us');
    expect(screen.getByText(/and 7.87402 in/)).toBeTruthy();
  });
  it('opens its last good state as a boat of its own', async () => {
    const fetched = vi.fn(() => Promise.resolve(new Response('{"id":"b2"}', { status: 201 })));
    vi.stubGlobal('fetch', fetched);
    show();
    fireEvent.click(screen.getByRole('button', { name: 'Open it as it was before the last 2 actions' }));
    await waitFor(() => expect(push).toHaveBeenCalledWith('/boats/b2/brief'));
    expect(fetched).toHaveBeenCalledWith('/api/boats/b1/repair', expect.objectContaining({ method: 'POST' }));
  });
  it('says the words of the server when that does not go', async () => {
    const refusal = { error: { code: 'unavailable', message: 'The disk of the server is full', path: '' } };
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify(refusal), { status: 503 })));
    show();
    fireEvent.click(screen.getByRole('button', { name: /^Open it/ }));
    expect(await screen.findByText('The disk of the server is full')).toBeTruthy();
    expect(push).not.toHaveBeenCalled();
  });
  it('gives out all that is stored, and where else to look when no state of it reads', () => {
    show({ good: null });
    const link = screen.getByRole<HTMLAnchorElement>('link', { name: 'Save all that is stored' });
    expect(link.getAttribute('href')).toBe('/api/boats/b1/repair?stored');
    expect(screen.queryByRole('button', { name: /^Open it/ })).toBeNull();
    expect(screen.getAllByRole('link', { name: 'Safekeeping' }).length).toBeGreaterThan(1);
  });
});
