import { connect } from 'node:net';
import { BENCH, benchLines, FAULTS, type Fault } from '@/core/instrument';
import { KeramosError } from '@/core/error';

const EVERY = 200;

/** `scale-1=stuck,noise` as the faults of an instrument. @throws KeramosError `malformed`. */
export function faultsOf(asked: readonly string[]): Record<string, Fault[]> {
  return Object.fromEntries(
    asked.map((one) => {
      const [id = '', names = ''] = one.split('=');
      const faults = names.split(',').filter((name) => name !== '') as Fault[];
      if (!BENCH.some((device) => device.id === id) || faults.some((name) => !Object.hasOwn(FAULTS, name)))
        throw new KeramosError(
          'malformed',
          `"${one}" is no fault: ${BENCH.map((device) => device.id).join(', ')} with ${Object.keys(FAULTS).join(', ')}`,
        );
      return [id, faults];
    }),
  );
}

/** The simulated shop: speaks to the server as real instruments do, until it is stopped. */
export function bench(port: number, faults: Readonly<Record<string, readonly Fault[]>>, host = '127.0.0.1') {
  return new Promise<void>((resolve, reject) => {
    const socket = connect(port, host);
    const begun = Date.now();
    let timer: ReturnType<typeof setInterval> | undefined;
    socket.on('connect', () => {
      for (const { id, name } of BENCH) socket.write(`hello ${id} ${name}\n`);
      timer = setInterval(() => {
        const seconds = (Date.now() - begun) / 1000;
        socket.write(`${benchLines(seconds, { seed: begun % 1000, faults }).join('\n')}\n`);
      }, EVERY);
    });
    socket.on('error', (error) =>
      reject(new KeramosError('unavailable', `Nothing listens to instruments at ${host}:${port}: ${error.message}`)),
    );
    socket.on('close', () => {
      clearInterval(timer);
      resolve();
    });
  });
}
