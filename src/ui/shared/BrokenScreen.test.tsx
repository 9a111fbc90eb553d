// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { BrokenScreen } from './BrokenScreen';
import { useReachable } from './useReachable';

const unsent = Object.assign(new Error('Failed to load chunk a.js'), { name: 'ChunkLoadError' });
const answers = (ok: boolean) =>
  vi.stubGlobal('fetch', ok ? vi.fn(async () => ({ ok })) : vi.fn(async () => Promise.reject(new TypeError('nobody'))));
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

describe('a screen that broke', () => {
  const shown = (error: Error, reset = vi.fn()) => {
    render(
      <BrokenScreen error={error} reset={reset}>
        <p>What you typed is kept.</p>
      </BrokenScreen>,
    );
    return reset;
  };
  const again = () => act(async () => fireEvent.click(screen.getByRole('button', { name: 'Try again' })));

  it('is tried again where it stands when it was an error of its own', async () => {
    const reset = shown(new Error('odd'));
    expect(screen.getByRole('alert').textContent).toContain('This screen cannot be shown');
    await again();
    expect(reset).toHaveBeenCalledOnce();
  });

  it('is fetched anew where a piece of it was never sent, once the server answers', async () => {
    const reload = vi.spyOn(window.location, 'reload').mockImplementation(() => undefined);
    const reset = shown(unsent);
    expect(screen.getByRole('alert').textContent).toContain('has not come from the server');
    expect(screen.getByRole('alert').textContent).toContain('What you typed is kept.');
    answers(false);
    await again();
    expect(screen.getByText('The server still cannot be reached.')).toBeTruthy();
    expect(reload).not.toHaveBeenCalled();
    answers(true);
    await again();
    expect(reload).toHaveBeenCalledOnce();
    expect(reset).not.toHaveBeenCalled();
  });
});

describe('a click that asks for code which does not come', () => {
  const Page = () => <p>{useReachable().stayed ? 'cannot be reached' : 'quiet'}</p>;
  const rejects = (reason: unknown) => {
    const event = Object.assign(new Event('unhandledrejection', { cancelable: true }), { reason });
    act(() => void window.dispatchEvent(event));
    return event.defaultPrevented;
  };

  it('is told as a server that is out of reach; other errors are left to be heard of', () => {
    render(<Page />);
    expect(rejects(new Error('something else'))).toBe(false);
    expect(screen.getByText('quiet')).toBeTruthy();
    expect(rejects(unsent)).toBe(true);
    expect(screen.getByText('cannot be reached')).toBeTruthy();
  });
});
