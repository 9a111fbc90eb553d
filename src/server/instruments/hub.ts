import { createReadStream } from 'node:fs';
import { createServer, type Server, type Socket } from 'node:net';
import type { Readable } from 'node:stream';
import {
  judgeChannel,
  LINE_LIMIT,
  newChannel,
  readLine,
  takeFigure,
  type Channel,
  type ChannelNow,
} from '@/core/instrument';
import { once } from '../threads/inServer';

/** Most channels and lines at once that are kept: a flood is passed over, not stored. */
const MOST_CHANNELS = 200;
const MOST_SOCKETS = 64;
const LINES_A_SECOND = 500;
/** Most bytes that may stand unread before the end of a line. */
const MOST_PENDING = 4096;

/** Everything that instruments say, held in memory: nothing is recorded by itself. */
export class Hub {
  readonly channels = new Map<string, Channel>();
  private readonly names = new Map<string, string>();
  private server: Server | null = null;
  private sockets = 0;
  listening: { host: string; port: number } | null = null;
  trouble: string | null = null;
  /** Lines that named no instrument. */
  unknown: { times: number; why: string } = { times: 0, why: '' };

  constructor(private readonly now: () => number = Date.now) {}

  /** Take one line in. */
  take(line: string): void {
    const read = readLine(line);
    if (read.kind === 'hello') {
      this.names.set(read.id, read.name);
      for (const channel of this.channels.values()) if (channel.id === read.id) channel.name = read.name;
      return;
    }
    if (read.kind === 'refused') {
      const own = [...this.channels.values()].filter(({ id }) => id === read.id);
      if (own.length === 0) this.unknown = { times: this.unknown.times + 1, why: read.why };
      for (const channel of own)
        channel.refused = { times: (channel.refused?.times ?? 0) + 1, why: read.why, at: this.now() };
      return;
    }
    const key = `${read.id}/${read.quantity}`;
    let channel = this.channels.get(key);
    if (!channel) {
      if (this.channels.size >= MOST_CHANNELS) return;
      channel = newChannel(read.id, read.quantity, this.names.get(read.id) ?? '');
      this.channels.set(key, channel);
    }
    takeFigure(channel, { value: read.value, flag: read.flag, at: this.now() });
  }

  /** Lines of one instrument as they arrive; a flood is thinned, a line without an end is dropped. */
  listenTo(stream: Readable): void {
    let pending = '';
    let second = 0;
    let lines = 0;
    stream.on('data', (bytes: Buffer | string) => {
      pending += bytes.toString('latin1');
      const parts = pending.split('\n');
      pending = parts.pop()!.slice(-MOST_PENDING);
      for (const line of parts) {
        const at = Math.floor(this.now() / 1000);
        if (at !== second) [second, lines] = [at, 0];
        lines += 1;
        if (line.length <= 2 * LINE_LIMIT && lines <= LINES_A_SECOND) this.take(line);
      }
    });
    stream.on('error', () => stream.destroy());
  }

  /** Open the line. A port that is taken is said on the page, and stops nothing else. */
  open(host: string, port: number): Promise<void> {
    return new Promise((resolve) => {
      this.server = createServer((socket: Socket) => {
        if (this.sockets >= MOST_SOCKETS) return void socket.destroy();
        this.sockets += 1;
        socket.on('close', () => (this.sockets -= 1));
        socket.setTimeout(120_000, () => socket.destroy());
        this.listenTo(socket);
      });
      this.server.on('error', (error: NodeJS.ErrnoException) => {
        this.trouble = error.code === 'EADDRINUSE' ? `Port ${port} is taken by another program` : error.message;
        resolve();
      });
      this.server.listen(port, host, () => {
        const address = this.server!.address();
        this.listening = { host, port: typeof address === 'object' && address ? address.port : port };
        this.server!.unref();
        resolve();
      });
    });
  }
  /** A serial line, set up by the machine: speed and parity are its own. */
  openSerial(device: string): void {
    const stream = createReadStream(/* turbopackIgnore: true */ device);
    stream.on('error', (error) => (this.trouble = `${device}: ${error.message}`));
    this.listenTo(stream);
  }
  close(): void {
    this.server?.close();
  }

  /** Every channel as it stands now. */
  standing(): ChannelNow[] {
    const now = this.now();
    return [...this.channels].map(([key, channel]) => {
      const { state, value, ageMs, why } = judgeChannel(channel, now);
      const refused = channel.refused && { times: channel.refused.times, why: channel.refused.why };
      const { id, name, quantity, passed } = channel;
      return { key, id, name, quantity, state, value, ageMs, why, passed, refused };
    });
  }
}

/** The one of this server. */
export const hub = (): Hub => once('instruments', () => new Hub());
