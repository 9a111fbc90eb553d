// @vitest-environment happy-dom
import { existsSync } from 'node:fs';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { went } from '../../../tests/helpers/yard';
import { GET } from '@/app/guide/pictures/[name]/route';
import { STEPS } from '../shared/Frame';
import { GLOSSARY, SCREEN_HELP, TOUR, TOUR_BOAT } from './helpData';
import { Term } from './Term';
import { TourCard } from './TourCard';
import { TourLink } from './TourLink';

const at = vi.hoisted(() => ({ path: '/' }));
vi.mock('next/navigation', () => ({ usePathname: () => at.path, useRouter: () => went }));

beforeEach(() => {
  localStorage.clear();
  went.push.mockClear();
});
afterEach(cleanup);
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

describe('help', () => {
  it('explains every screen of a boat, with a picture that is there', async () => {
    expect(Object.keys(SCREEN_HELP)).toEqual(STEPS.map(({ path }) => path));
    for (const { picture, points } of Object.values(SCREEN_HELP)) {
      expect(existsSync(`docs/screenshots/${picture}.png`), picture).toBe(true);
      expect(points.length).toBeGreaterThan(1);
    }
    const ask = (name: string) => GET(new Request('http://x/'), { params: Promise.resolve({ name }) });
    expect((await ask('layup')).headers.get('content-type')).toBe('image/png');
    expect((await ask('../../package')).status).toBe(404);
  });
  it('says what a term means where it stands, and takes it back', () => {
    render(<Term of="reserve">Reserve</Term>);
    press('Reserve');
    expect(document.body.textContent).toContain(GLOSSARY.reserve.means);
    expect(screen.getByRole('link', { name: 'Glossary' }).getAttribute('href')).toBe('/guide#term-reserve');
    fireEvent.keyDown(screen.getByRole('button', { name: 'Reserve' }), { key: 'Escape' });
    expect(screen.getByRole('button', { name: 'Reserve' }).getAttribute('aria-expanded')).toBe('false');
  });
});

describe('the tour', () => {
  it('visits screens that there are', () => {
    for (const { path } of TOUR) expect(STEPS.map((step) => step.path as string)).toContain(path);
  });
  it('is begun, walked, left, and taken up where it was left', () => {
    const show = () =>
      render(
        <>
          <TourLink />
          <TourCard />
        </>,
      );
    show();
    expect(screen.queryByRole('complementary')).toBeNull();
    press(/^Tour/);
    expect(went.push).toHaveBeenLastCalledWith(`/boats/${TOUR_BOAT}/${TOUR[0]!.path}`);
    expect(screen.getByRole('complementary').textContent).toContain(TOUR[0]!.text);
    at.path = `/boats/${TOUR_BOAT}/${TOUR[0]!.path}`;
    press('Next');
    expect(screen.getByRole('complementary').textContent).toContain(`2 of ${TOUR.length}`);
    expect(went.push).toHaveBeenLastCalledWith(`/boats/${TOUR_BOAT}/${TOUR[1]!.path}`);
    press('Leave');
    expect(screen.queryByRole('complementary')).toBeNull();
    cleanup();
    show();
    press('Go on with the tour');
    expect(screen.getByRole('complementary').textContent).toContain(TOUR[1]!.title);
    for (let stop = 1; stop + 1 < TOUR.length; stop += 1) press('Next');
    press('Done');
    expect(screen.queryByRole('complementary')).toBeNull();
  });
});
