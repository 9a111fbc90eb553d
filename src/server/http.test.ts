import { describe, expect, it } from 'vitest';
import { KeramosError } from '@/core/error';
import { progressLines, readBytes, readJson, readText } from './http';

const asked = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1/', { method: 'POST', body, headers });
const streamed = (chunks: number, size: number) => {
  let sent = 0;
  const body = new ReadableStream({
    pull: (controller) => (sent++ < chunks ? controller.enqueue(new Uint8Array(size)) : controller.close()),
  });
  return {
    request: new Request('http://127.0.0.1/', { method: 'POST', body, duplex: 'half' } as RequestInit),
    sent: () => sent,
  };
};

describe('a request body', () => {
  it('is read as it came', async () => {
    expect(await readJson(asked('{"boat":"Brant ± 56"}'))).toEqual({ boat: 'Brant ± 56' });
    expect([...(await readBytes(asked(new Uint8Array([1, 2, 3]))))]).toEqual([1, 2, 3]);
  });
  it('that says it is too large, or turns out to be, is refused, and no more of it is taken in', async () => {
    await expect(readBytes(asked('x', { 'content-length': '9000000' }))).rejects.toMatchObject({ code: 'tooLarge' });
    const { request, sent } = streamed(1000, 100);
    await expect(readBytes(request, 1000)).rejects.toMatchObject({ code: 'tooLarge' });
    expect(sent()).toBeLessThan(20);
  });
  it('that is no text, no JSON or nothing is refused in words', async () => {
    await expect(readText(asked(new Uint8Array([0xff, 0xfe, 0xff])))).rejects.toThrow('not text in UTF-8');
    await expect(readJson(asked('{"boat":'))).rejects.toThrow('not JSON');
    await expect(readJson(asked('  '))).rejects.toThrow('no body');
  });
});

describe('something that takes long tells how far it is', () => {
  const nobodyLeft = () => ({ who: '', signal: new AbortController().signal });
  const lines = async (response: Response) =>
    (await response.text())
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as unknown);

  it('in lines, until it is ready', async () => {
    const answer = progressLines(nobodyLeft(), async ({ onProgress }) => {
      onProgress?.({ done: 0.2, at: 'zones' });
      await Promise.resolve();
      onProgress?.({ done: 0.8, at: 'pages' });
    });
    expect(await lines(answer)).toEqual([{ done: 0.2, at: 'zones' }, { done: 0.8, at: 'pages' }, { ready: true }]);
  });
  it('or refused, in words', async () => {
    const answer = progressLines(nobodyLeft(), () => Promise.reject(new KeramosError('busy', 'Too much at once')));
    expect(await lines(answer)).toMatchObject([{ error: { code: 'busy', message: 'Too much at once' } }]);
  });
  it('and is given up when whoever asked closes the page', async () => {
    let given: AbortSignal | undefined;
    const answer = progressLines(nobodyLeft(), ({ signal }) => {
      given = signal;
      return new Promise(() => {});
    });
    expect(given?.aborted).toBe(false);
    await answer.body?.cancel();
    expect(given?.aborted).toBe(true);
  });
});
