import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { expect, vi } from 'vitest';
import type { Boat } from '@/core/document';
import { EMPTY_HISTORY } from '@/core/edit';
import type { UnitSystem } from '@/core/quantity';
import { BoatProvider } from '@/ui/shared/boat';
import { QueryProvider } from '@/ui/shared/QueryProvider';
import { UnitsProvider } from '@/ui/shared/units';
import { NOBODY, WhoProvider, type SessionState } from '@/ui/shared/who';

export interface Asked {
  method: string;
  url: string;
  body: Record<string, unknown> | null;
}
/** Whose page it is, in which units, and of which boat (stored as version 7 of boat b). */
interface Shown {
  units?: UnitSystem;
  as?: SessionState;
  boat?: Boat;
}

/** What a server says no with. */
export const refusing = (status: number, text: string, path = '', code = 'invalid'): Response =>
  Response.json({ error: { code, message: text, text, path, details: {} } }, { status });

/** What was sent as JSON; a text that is none stands under `text`. */
function bodyOf(sent: unknown): Asked['body'] {
  if (typeof sent !== 'string') return null;
  try {
    return JSON.parse(sent) as Record<string, unknown>;
  } catch {
    return { text: sent };
  }
}

class SilentWorker {
  addEventListener() {}
  removeEventListener() {}
  postMessage() {}
  terminate() {}
}

/**
 * A screen without a server: what it asks is kept, and answered by whoever wrote the test. Call `begin` before and
 * `end` after each test; needs a page (`happy-dom`).
 */
export class Page {
  asked: Asked[] = [];
  answer: (asked: Asked) => unknown = () => ({});

  begin(): void {
    this.asked = [];
    this.answer = () => ({});
    // What a page computes aside is not answered.
    vi.stubGlobal('Worker', SilentWorker);
    vi.stubGlobal('fetch', async (url: string, init: RequestInit = {}) => {
      const asked = { method: init.method ?? 'GET', url, body: bodyOf(init.body) };
      this.asked.push(asked);
      const found = await this.answer(asked);
      return found instanceof Response ? found : Response.json(found ?? null);
    });
  }
  end(): void {
    cleanup();
    vi.unstubAllGlobals();
  }
  show(of: ReactElement, { units = 'metric', as = NOBODY, boat }: Shown = {}): void {
    const initial = boat && { id: 'b', version: 7, archived: false, boat, history: EMPTY_HISTORY };
    render(
      <QueryProvider>
        <WhoProvider initial={as}>
          <UnitsProvider initial={units}>
            {initial ? <BoatProvider initial={initial}>{of}</BoatProvider> : of}
          </UnitsProvider>
        </WhoProvider>
      </QueryProvider>,
    );
  }
  /** What was sent so, in order. */
  sent(method: string): Asked[] {
    return this.asked.filter((one) => one.method === method);
  }
  /** Waits for the last thing that was sent so. */
  async last(method: string, count = 1): Promise<Asked> {
    await waitFor(() => expect(this.sent(method).length).toBeGreaterThanOrEqual(count));
    return this.sent(method).at(-1)!;
  }
}

export const words = (): string => document.body.textContent!;
export const button = (name: string | RegExp): HTMLButtonElement => screen.getByRole('button', { name });
export const press = (name: string | RegExp): boolean => fireEvent.click(button(name));
export const field = (label: string | RegExp): HTMLInputElement => screen.getByLabelText(label);
/** Types into a field and leaves it. */
export function enter(label: string | RegExp, value: string): void {
  fireEvent.change(field(label), { target: { value } });
  fireEvent.blur(field(label));
}
