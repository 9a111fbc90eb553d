import type { QuantityKind } from '../quantity';

interface Measured {
  name: string;
  shown: QuantityKind | null;
  /** What an instrument may say, and the value of one in SI. */
  units: Readonly<Record<string, number>>;
  /** What can be in a yard (SI); outside of it the unit or the instrument is wrong. */
  range: readonly [number, number];
  /** By how much it may change in a second without being impossible, and scatter while it is called steady. */
  rate: number;
  steady: number;
  /** It always scatters a little: the very same figure for long means that it is stuck. */
  isNoisy: boolean;
}

/** What instruments of a yard read, by the name on the line. Temperatures in °C, humidity in %. */
export const MEASURED = {
  mass: {
    name: 'mass',
    shown: 'mass',
    units: { kg: 1, g: 0.001, t: 1000, lb: 0.45359237 },
    range: [-50, 50_000],
    rate: 5000,
    steady: 0.02,
    isNoisy: false,
  },
  force: {
    name: 'force',
    shown: 'force',
    units: { N: 1, kN: 1000, kgf: 9.80665, lbf: 4.4482216 },
    range: [-1e6, 1e6],
    rate: 2e5,
    steady: 25,
    isNoisy: true,
  },
  pressure: {
    name: 'pressure, absolute',
    shown: 'pressure',
    units: { Pa: 1, mbar: 100, hPa: 100, kPa: 1000, inHg: 3386.389 },
    range: [0, 130_000],
    rate: 60_000,
    steady: 60,
    isNoisy: true,
  },
  temperature: {
    name: 'temperature',
    shown: 'temperature',
    units: { C: 1, F: Number.NaN },
    range: [-40, 400],
    rate: 40,
    steady: 0.4,
    isNoisy: true,
  },
  humidity: {
    name: 'humidity',
    shown: null,
    units: { '%': 1 },
    range: [0, 100],
    rate: 20,
    steady: 1.5,
    isNoisy: true,
  },
  length: {
    name: 'thickness or displacement',
    shown: 'thickness',
    units: { mm: 0.001, m: 1, in: 0.0254, um: 1e-6 },
    range: [-2, 10],
    rate: 2,
    steady: 0.00005,
    isNoisy: false,
  },
} as const satisfies Record<string, Measured>;
export type MeasuredQuantity = keyof typeof MEASURED;

/** A figure in SI. */
export function toSi(quantity: MeasuredQuantity, value: number, unit: string): number {
  if (quantity === 'temperature' && unit === 'F') return ((value - 32) * 5) / 9;
  return value * (MEASURED[quantity].units as Record<string, number>)[unit]!;
}
