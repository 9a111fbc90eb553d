import { copyFileSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { act, cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactElement } from 'react';
import { sql } from 'kysely';
import { expect, vi } from 'vitest';
import type { Boat } from '@/core/document';
import { contextOf, type StoreContext } from '@/server/context';
import { database, openDatabase } from '@/server/database/open';
import { createBoat, readBoat } from '@/server/stores/boats';
import { readBoatWithHistory } from '@/server/stores/history';
import type { UnitSystem } from '@/core/quantity';
import { BoatProvider, useBoatStore } from '@/ui/shared/boat';
import type { BoatStore } from '@/ui/shared/boatStore';
import { QueryProvider } from '@/ui/shared/QueryProvider';
import { HouseUnitsProvider, UnitsProvider } from '@/ui/shared/units';
import { merrow } from './merrow';

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;
type Route = Record<string, Handler>;
const ROUTES = Object.entries(import.meta.glob<Route>('../../src/app/api/**/route.ts')).map(([file, load]) => {
  const pattern = file.replace('../../src/app', '').replace('/route.ts', '');
  const names = [...pattern.matchAll(/\[(\w+)\]/g)].map(([, name]) => name!);
  return { load, names, matches: new RegExp(`^${pattern.replace(/\[\w+\]/g, '([^/]+)')}$`), pattern };
});
/** A path written out goes before one with a name in it, as in the router. */
ROUTES.sort((a, b) => a.names.length - b.names.length);

/** What a page asks goes to the handler that would answer it over HTTP. */
async function ask(url: string, init: RequestInit = {}): Promise<Response> {
  const { pathname, href } = new URL(url, 'http://127.0.0.1:3270');
  for (const { load, names, matches } of ROUTES) {
    const found = matches.exec(pathname);
    if (!found) continue;
    const params = Object.fromEntries(names.map((name, i) => [name, decodeURIComponent(found[i + 1]!)]));
    const handler = (await load())[init.method ?? 'GET'];
    if (handler) return handler(new Request(href, init), { params: Promise.resolve(params) });
  }
  throw new Error(`Nothing answers ${init.method ?? 'GET'} ${pathname}`);
}

/** What was asked of the router of the pages. */
export const went = {
  push: vi.fn<(to: string) => void>(),
  replace: vi.fn<(to: string) => void>(),
  refresh: vi.fn<() => void>(),
};

let nothing: Promise<string> | undefined;
/** A database in which nothing stands: made once, copied from then on. */
const empty = (): Promise<string> =>
  (nothing ??= (async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-empty-')), 'keramos.db');
    await (await openDatabase(file)).destroy();
    return file;
  })());

/**
 * A yard with a database of its own: screens are shown as they stand in the application, and what they ask is answered
 * by the route handlers. Needs a page (`happy-dom`) and `vi.mock('next/navigation')` with `went`.
 */
export class Yard {
  private constructor(readonly context: StoreContext) {}

  /** Yards that stand already, by what was done in them; each is done once a file and copied from then on. */
  private static readonly standing = new Map<unknown, { file: string; result: unknown }>();

  /** A new yard; the data of an earlier one go with it where a copy of its database is given. */
  static async open(copy?: string): Promise<Yard> {
    const shared = globalThis as { keramosDatabase?: unknown };
    delete shared.keramosDatabase;
    const folder = mkdtempSync(path.join(tmpdir(), 'keramos-yard-'));
    process.env['KERAMOS_DATA'] = folder;
    copyFileSync(copy ?? (await empty()), path.join(folder, 'keramos.db'));
    vi.stubGlobal('fetch', (url: string, init?: RequestInit) => ask(url, init));
    vi.stubGlobal(
      'ResizeObserver',
      class {
        observe() {}
        unobserve() {}
        disconnect() {}
      },
    );
    vi.stubGlobal(
      'Worker',
      class {
        addEventListener() {}
        removeEventListener() {}
        postMessage() {}
        terminate() {}
      },
    );
    went.push.mockClear();
    went.refresh.mockClear();
    return new Yard(contextOf(await database(), 'I. Hallin'));
  }

  /**
   * A yard in which something was done already, as if it were done anew for each test.
   * @param begin what is done, in the database alone. @returns the yard, and what that said.
   */
  static async begun<T>(begin: (yard: Yard) => Promise<T>): Promise<[Yard, T]> {
    const before = Yard.standing.get(begin);
    if (before) return [await Yard.open(before.file), structuredClone(before.result) as T];
    const yard = await Yard.open();
    const result = await begin(yard);
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-begun-')), 'keramos.db');
    await sql`vacuum into ${file}`.execute(yard.context.db);
    Yard.standing.set(begin, { file, result: structuredClone(result) });
    return [yard, result];
  }

  close(): void {
    cleanup();
    vi.unstubAllGlobals();
    // What a page still sends as it leaves goes nowhere.
    vi.stubGlobal('fetch', () => new Promise(() => undefined));
  }

  async boat(change: (boat: Boat) => Boat = (boat) => boat): Promise<string> {
    return (await createBoat(this.context, change(merrow()))).id;
  }

  async stored(id: string): Promise<Boat> {
    return (await readBoat(this.context, id)).boat;
  }

  /** A screen of a boat, as its page would show it. */
  async show(id: string, of: ReactElement, units: UnitSystem = 'metric'): Promise<Desk> {
    const read = await readBoatWithHistory(this.context, id);
    const held: { store?: BoatStore } = {};
    function Hold() {
      held.store = useBoatStore();
      return null;
    }
    const { container } = render(
      <QueryProvider>
        <UnitsProvider initial={units}>
          <HouseUnitsProvider units={units}>
            <BoatProvider initial={{ ...read, boat: structuredClone(read.boat) }}>
              <Hold />
              {of}
            </BoatProvider>
          </HouseUnitsProvider>
        </UnitsProvider>
      </QueryProvider>,
    );
    await act(async () => undefined);
    return new Desk(this, id, held.store!, container);
  }

  /** A screen that is of no boat. */
  async lay(of: ReactElement): Promise<HTMLElement> {
    const { container } = render(
      <QueryProvider>
        <UnitsProvider initial="metric">{of}</UnitsProvider>
      </QueryProvider>,
    );
    await act(async () => undefined);
    return container;
  }
}

/** Type into an entry and leave it. */
export function type(label: string | RegExp, text: string, at: HTMLElement = document.body): void {
  const entry = within(at).getByLabelText(label);
  fireEvent.change(entry, { target: { value: text } });
  fireEvent.blur(entry);
}
/** Choose from a list by what it says. */
export function choose(label: string | RegExp, option: string | RegExp, at: HTMLElement = document.body): void {
  const list = within(at).getByLabelText<HTMLSelectElement>(label);
  const found = [...list.options].find(({ text }) =>
    typeof option === 'string' ? text === option : option.test(text),
  );
  if (!found)
    throw new Error(
      `"${String(label)}" offers no "${String(option)}": ${[...list.options].map((o) => o.text).join(', ')}`,
    );
  fireEvent.change(list, { target: { value: found.value } });
}
export const press = (name: string | RegExp, at: HTMLElement = document.body): void =>
  void fireEvent.click(within(at).getByRole('button', { name }));
export const tick = (label: string | RegExp, at: HTMLElement = document.body): void =>
  void fireEvent.click(within(at).getByLabelText(label));
export const shown = (text: string | RegExp): Promise<HTMLElement> => waitFor(() => screen.getAllByText(text)[0]!);

/** One person before a screen of a boat. */
export class Desk {
  constructor(
    private readonly yard: Yard,
    readonly id: string,
    private readonly store: BoatStore,
    readonly page: HTMLElement,
  ) {}

  /** The boat as it is on the page. */
  get boat(): Boat {
    return this.store.getState().boat;
  }

  /** What was done last, as the history has it. */
  get last(): string {
    return this.store.getState().history.undo.at(-1)?.description ?? '';
  }

  undo(): void {
    act(() => void this.store.undo());
  }

  /** The boat as the database has it, once all is saved; it is that of the page. */
  async saved(): Promise<Boat> {
    await waitFor(() => expect(this.store.getState().save).toBe('saved'));
    const stored = await this.yard.stored(this.id);
    expect(stored).toEqual(this.boat);
    return stored;
  }
}
