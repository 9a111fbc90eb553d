// @vitest-environment happy-dom
import { act, cleanup, render } from '@testing-library/react';
import type { ReactElement } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { largeBoat } from '../../tests/helpers/largeBoat';
import { matched } from '../../tests/helpers/matched';
import { brant, merrow } from '../../tests/helpers/merrow';
import { wooden } from '../../tests/helpers/wooden';
import { newPart, type Boat } from '@/core/document';
import { EMPTY_HISTORY } from '@/core/edit';
import { GENERIC_MATERIALS } from '@/core/material';
import { SHIPPED_PACKS } from '@/core/standard';
import type { UnitSystem } from '@/core/quantity';
import { AnalysisScreen } from './analysis/AnalysisScreen';
import { BriefScreen } from './brief/BriefScreen';
import { CheckScreen } from './check/CheckScreen';
import { DetailsScreen } from './details/DetailsScreen';
import { LayupScreen } from './layup/LayupScreen';
import { PackScreen } from './pack/PackScreen';
import { PanelScreen } from './panel/PanelScreen';
import { RevisionsScreen } from './revisions/RevisionsScreen';
import { BoatProvider } from './shared/boat';
import { QueryProvider } from './shared/QueryProvider';
import { HouseUnitsProvider, UnitsProvider } from './shared/units';
import { StiffenersScreen } from './stiffeners/StiffenersScreen';
import { WeightsScreen } from './weights/WeightsScreen';
import { USUAL_YARD } from '../../tests/helpers/usualYard';
import { ZonesScreen } from './zones/ZonesScreen';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/boats/x/brief',
  useRouter: () => ({ push: () => undefined, refresh: () => undefined, replace: () => undefined }),
}));

const shelf = [...GENERIC_MATERIALS];
const SCREENS: Record<string, () => ReactElement> = {
  Brief: () => <BriefScreen shelf={shelf.filter(({ kind }) => kind === 'resin')} packs={[...SHIPPED_PACKS]} />,
  Zones: () => <ZonesScreen />,
  'Lay-up': () => <LayupScreen shelf={shelf} />,
  Analysis: () => <AnalysisScreen />,
  Panel: () => <PanelScreen />,
  Stiffeners: () => <StiffenersScreen shelf={shelf} />,
  Details: () => <DetailsScreen shelf={shelf} />,
  Check: () => <CheckScreen />,
  Weights: () => <WeightsScreen yard={USUAL_YARD} />,
  Revisions: () => <RevisionsScreen initial={[]} requests={[]} boats={[]} />,
  Pack: () => <PackScreen revisions={[]} />,
};
const NAMES = Object.keys(SCREENS);

const bare = (): Boat => ({
  ...merrow(),
  name: 'Bare',
  parts: [],
  supports: [],
  sections: [],
  details: [],
  loads: [],
  references: [],
  fillPlans: [],
  curePlans: [],
  hull: null,
});
const emptied = (): Boat => ({
  ...bare(),
  name: 'Emptied',
  parts: [newPart({ id: 'p', name: 'Hull', kind: 'hull', zones: [] })],
});
const unlaid = (): Boat => {
  const boat = merrow();
  return { ...boat, details: [], parts: boat.parts.map((part) => ({ ...part, layers: [], joins: [], groups: [] })) };
};
/** Figures typed in the place of the method's own, which sentences then name. */
const typed = (): Boat => {
  const boat = merrow();
  const parts = boat.parts.map((part) => ({
    ...part,
    zones: part.zones.map((zone) => ({ ...zone, designPressure: 12_345 })),
  }));
  return { ...boat, parts };
};
/** Every proof must hold, and one zone has a reference to match. */
const proven = (): Boat => {
  const boat = matched();
  return { ...boat, brief: { ...boat.brief, proofs: { rule: true, match: true, analysis: true } } };
};
const BOATS: Record<string, () => Boat> = {
  'with pressures that are typed': typed,
  'Merrow 84': merrow,
  'Brant 56': brant,
  'of wood in part': wooden,
  'that must match and be proven': proven,
  'without parts': bare,
  'with a part without zones': emptied,
  'with nothing laid': unlaid,
  'of 60 layers by 16 zones': largeBoat,
};

async function show(name: string, boat: Boat, units: UnitSystem = 'metric'): Promise<HTMLElement> {
  const initial = { id: 'x', version: 1, archived: false, boat, history: EMPTY_HISTORY };
  const { container } = render(
    <QueryProvider>
      <UnitsProvider initial={units}>
        <HouseUnitsProvider units={units}>
          <BoatProvider initial={initial}>{SCREENS[name]!()}</BoatProvider>
        </HouseUnitsProvider>
      </UnitsProvider>
    </QueryProvider>,
  );
  // What comes after the first paint has come.
  await act(() => new Promise((resolve) => setTimeout(resolve, 120)));
  return container;
}

/** Everything a person or a screen reader is told. */
function told(container: HTMLElement): string {
  const named = [...container.querySelectorAll('[aria-label], [title], [alt]')].flatMap((element) =>
    ['aria-label', 'title', 'alt'].flatMap((name) => element.getAttribute(name) ?? []),
  );
  const typed = [...container.querySelectorAll('input')].map(({ value }) => value);
  return [container.textContent ?? '', ...named, ...typed].join('\n');
}

/** The name by which a control is called, as browsers find it. */
function nameOf(element: Element): string {
  const by = element.getAttribute('aria-labelledby');
  const labelled = by ? by.split(' ').map((id) => element.ownerDocument.getElementById(id)?.textContent ?? '') : [];
  const label = element.id ? element.ownerDocument.querySelector(`label[for="${element.id}"]`) : null;
  return [
    element.getAttribute('aria-label'),
    ...labelled,
    label?.textContent,
    element.closest('label')?.textContent,
    element.textContent,
    element.getAttribute('title'),
  ]
    .filter((part): part is string => Boolean(part?.trim()))
    .join(' ')
    .trim();
}

beforeEach(() => {
  // Nothing is answered: a screen stands on what it was given.
  vi.stubGlobal('fetch', () => new Promise(() => undefined));
  vi.stubGlobal(
    'Worker',
    class {
      addEventListener() {}
      removeEventListener() {}
      postMessage() {}
      terminate() {}
    },
  );
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  );
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

describe.each(Object.keys(BOATS))('a boat %s', (which) => {
  it.each(NAMES)('opens on %s: no broken number, no open quantity, every control has a name', async (name) => {
    const errors = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const container = await show(name, BOATS[which]!());
    const text = told(container);
    expect(text.length).toBeGreaterThan(40);
    expect(text).not.toMatch(/\bNaN\b|\bundefined\b|\[object|\bInfinity\b|\{\{/);
    for (const control of container.querySelectorAll('button, a[href], input, select, textarea'))
      expect(nameOf(control), control.outerHTML.slice(0, 160)).not.toBe('');
    const ids = [...container.querySelectorAll('[id]')].map(({ id }) => id);
    expect(ids.filter((id, i) => ids.indexOf(id) !== i)).toEqual([]);
    // There is no canvas here: charts are looked at in the browser tests.
    const said = errors.mock.calls.map(([first]) => String(first));
    expect(said.filter((one) => !one.includes('context from the given item'))).toEqual([]);
  });
});

describe.each(['Merrow 84', 'Brant 56'])('%s in inches and pounds', (which) => {
  it.each(NAMES)('%s: no length in mm, no force in kN, no pressure in kPa is left', async (name) => {
    // A pack's own table and the notes of people say what they say.
    const boat = { ...BOATS[which]!(), note: '' };
    const text = told(await show(name, boat, 'us'));
    expect(text.match(/[\d.]+ ?(mm|kN|kPa|MPa|GPa|kg|g\/m²|kg\/m³)(?![A-Za-z²³])/g) ?? []).toEqual([]);
  });
});
