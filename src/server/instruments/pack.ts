import { deflateRawSync, inflateRawSync } from 'node:zlib';

/** A reading of a trace: when (ms since 1970), and what (SI). */
export interface TraceReading {
  at: number;
  value: number;
}

/** Readings packed: times as steps in ms, figures as 32-bit floats, then deflated. Times rise. */
export function pack(readings: readonly TraceReading[]): Uint8Array {
  const bytes = new DataView(new ArrayBuffer(8 * readings.length));
  let before = readings[0]?.at ?? 0;
  readings.forEach(({ at, value }, i) => {
    bytes.setUint32(4 * i, at - before, true);
    bytes.setFloat32(4 * (readings.length + i), value, true);
    before = at;
  });
  return deflateRawSync(new Uint8Array(bytes.buffer));
}

/** @param from time of the first (ms). */
export function unpack(body: Uint8Array, from: number): TraceReading[] {
  const plain = inflateRawSync(body);
  const bytes = new DataView(plain.buffer, plain.byteOffset, plain.byteLength);
  const count = plain.byteLength / 8;
  let at = from;
  return Array.from({ length: count }, (_, i) => {
    at += bytes.getUint32(4 * i, true);
    return { at, value: bytes.getFloat32(4 * (count + i), true) };
  });
}
