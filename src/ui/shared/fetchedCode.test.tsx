// @vitest-environment happy-dom
import { act, cleanup, render, screen, waitFor } from '@testing-library/react';
import { hydrateRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { fetchedCode } from './fetchedCode';

const double = (value: number) => 2 * value;
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('code that is fetched once the page stands', () => {
  it('is nothing on the server and at first, then what was fetched, fetched once for all', async () => {
    const load = vi.fn(async () => double);
    const useDouble = fetchedCode(load);
    const Shown = () => <p>{useDouble()?.(21) ?? 'not yet'}</p>;
    expect(renderToString(<Shown />)).toBe('<p>not yet</p>');
    render(
      <>
        <Shown />
        <Shown />
      </>,
    );
    expect(screen.getAllByText('not yet')).toHaveLength(2);
    await waitFor(() => expect(screen.getAllByText('42')).toHaveLength(2));
    cleanup();
    render(<Shown />);
    expect(screen.getByText('42')).toBeTruthy();
    expect(load.mock.calls.length).toBeLessThanOrEqual(2);
  });

  it('is asked for again where nobody answered, and at once when the network is back', async () => {
    vi.useFakeTimers();
    const load = vi.fn<() => Promise<typeof double>>();
    load.mockRejectedValueOnce(new Error('nobody')).mockRejectedValueOnce(new Error('nobody'));
    load.mockResolvedValue(double);
    const useDouble = fetchedCode(load);
    const Shown = () => <p>{useDouble()?.(21) ?? 'not yet'}</p>;
    render(<Shown />);
    await act(() => vi.advanceTimersByTimeAsync(1001));
    expect(load).toHaveBeenCalledTimes(2);
    expect(screen.getByText('not yet')).toBeTruthy();
    window.dispatchEvent(new Event('online'));
    await act(() => vi.advanceTimersByTimeAsync(0));
    expect(screen.getByText('42')).toBeTruthy();
    expect(load).toHaveBeenCalledTimes(3);
  });

  it('is no longer asked for once nothing waits for it, and asked for when something does again', async () => {
    vi.useFakeTimers();
    const load = vi.fn<() => Promise<typeof double>>().mockRejectedValueOnce(new Error('nobody'));
    load.mockResolvedValue(double);
    const useDouble = fetchedCode(load);
    const Shown = () => <p>{useDouble()?.(21) ?? 'not yet'}</p>;
    render(<Shown />);
    cleanup();
    await act(() => vi.advanceTimersByTimeAsync(60_000));
    expect(load).toHaveBeenCalledTimes(1);
    render(<Shown />);
    await act(() => vi.advanceTimersByTimeAsync(0));
    expect(screen.getByText('42')).toBeTruthy();
  });

  it('comes in when the page is at rest, not before', async () => {
    const rest: IdleRequestCallback[] = [];
    vi.stubGlobal('requestIdleCallback', (callback: IdleRequestCallback) => rest.push(callback));
    const useDouble = fetchedCode(async () => double);
    const Shown = () => <p>{useDouble()?.(21) ?? 'not yet'}</p>;
    render(<Shown />);
    await waitFor(() => expect(rest).toHaveLength(1));
    expect(screen.getByText('not yet')).toBeTruthy();
    await act(async () => rest[0]!({ didTimeout: false, timeRemaining: () => 9 }));
    expect(screen.getByText('42')).toBeTruthy();
  });

  it('is not fetched where it is not wanted', () => {
    const load = vi.fn(async () => double);
    const useDouble = fetchedCode(load);
    const Shown = () => <p>{useDouble(false)?.(21) ?? 'not yet'}</p>;
    render(<Shown />);
    expect(load).not.toHaveBeenCalled();
  });

  it('lets a page wake up as the server rendered it though another screen has fetched it before', async () => {
    const useDouble = fetchedCode(async () => double);
    const Shown = () => <p>{useDouble()?.(21) ?? 'not yet'}</p>;
    render(<Shown />);
    await waitFor(() => expect(screen.getByText('42')).toBeTruthy());
    const root = document.createElement('div');
    root.innerHTML = renderToString(<Shown />);
    document.body.append(root);
    const mended = vi.fn();
    await act(async () => {
      hydrateRoot(root, <Shown />, { onRecoverableError: mended });
    });
    expect(mended).not.toHaveBeenCalled();
    expect(root.textContent).toBe('42');
  });
});
