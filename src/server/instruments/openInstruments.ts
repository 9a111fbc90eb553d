import type { StoreContext } from '../context';
import { hub } from './hub';
import { recorder } from './recorder';

/** Where instruments are listened to, unless it is said otherwise: this machine alone. */
const HERE = '127.0.0.1';
const PORT = 7331;

/**
 * Listen to instruments: on this machine, or as KERAMOS_INSTRUMENTS says (`7400`, `192.168.1.5:7400`, `off`); on a
 * serial line by KERAMOS_SERIAL (`/dev/ttyUSB0`). Then go on with traces that had not ended.
 */
export async function openInstruments(context: StoreContext): Promise<void> {
  const asked = process.env.KERAMOS_INSTRUMENTS ?? String(PORT);
  const serial = process.env.KERAMOS_SERIAL;
  if (serial) hub().openSerial(serial);
  if (asked !== 'off') {
    const [port = '', host = HERE] = asked.split(':').reverse();
    if (!/^\d{1,5}$/.test(port)) hub().trouble = `KERAMOS_INSTRUMENTS is no port: ${asked.slice(0, 40)}`;
    else await hub().open(host, Number(port));
  }
  await recorder().resume(context);
}
