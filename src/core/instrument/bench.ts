import { randomLcg, randomNormal } from 'd3-random';
import type { MeasuredQuantity } from './quantities';

/** What a simulated instrument does wrong. */
export const FAULTS = {
  drift: 'wanders off by and by',
  noise: 'scatters ten times as far',
  dropOut: 'is silent for seconds at a time',
  over: 'runs out of its range',
  unit: 'changes to another unit',
  stuck: 'says the same figure for ever',
  garbage: 'breaks off in the middle of a line',
} as const;
export type Fault = keyof typeof FAULTS;

interface Simulated {
  id: string;
  name: string;
  quantity: MeasuredQuantity;
  unit: string;
  digits: number;
  /** What is there at a time (s), in the unit. */
  truth: (seconds: number) => number;
  noise: number;
}

const ramp = (seconds: number, period: number, most: number) => {
  const phase = (seconds % period) / period;
  return most * Math.min(1, Math.max(0, phase < 0.5 ? 2 * phase : 2 - 2 * phase));
};

/** A small shop: every kind of instrument once. */
export const BENCH: readonly Simulated[] = [
  { id: 'scale-1', name: 'Platform scale', quantity: 'mass', unit: 'kg', digits: 2, truth: () => 36.4, noise: 0.003 },
  {
    id: 'mixing-1',
    name: 'Mixing scale',
    quantity: 'mass',
    unit: 'g',
    digits: 0,
    // Resin is poured for 20 s, then hardener for 5, then it is taken off.
    truth: (s) => {
      const t = s % 60;
      if (t < 20) return 150 * t;
      if (t < 30) return 3000;
      return t < 35 ? 3000 + 12 * (t - 30) : 3060;
    },
    noise: 0.4,
  },
  {
    id: 'cell-1',
    name: 'Load cell',
    quantity: 'force',
    unit: 'kN',
    digits: 3,
    truth: (s) => ramp(s, 120, 4),
    noise: 0.002,
  },
  {
    id: 'gauge-1',
    name: 'Displacement gauge',
    quantity: 'length',
    unit: 'mm',
    digits: 3,
    truth: (s) => ramp(s, 120, 9),
    noise: 0.001,
  },
  {
    id: 'vacuum-1',
    name: 'Vacuum gauge',
    quantity: 'pressure',
    unit: 'mbar',
    digits: 1,
    truth: (s) => 21 + s / 900,
    noise: 0.1,
  },
  {
    id: 'couple-1',
    name: 'Thermocouple',
    quantity: 'temperature',
    unit: 'C',
    digits: 1,
    truth: (s) => 19 + 24 * Math.exp(-(((s - 1800) / 900) ** 2)),
    noise: 0.05,
  },
  {
    id: 'air-1',
    name: 'Air in the shop',
    quantity: 'temperature',
    unit: 'C',
    digits: 1,
    truth: () => 19.4,
    noise: 0.05,
  },
  { id: 'air-1', name: 'Air in the shop', quantity: 'humidity', unit: '%', digits: 1, truth: () => 57, noise: 0.1 },
];

const OTHER_UNIT: Record<string, string> = { kg: 'lb', g: 'lb', kN: 'lbf', mm: 'in', mbar: 'inHg', C: 'F', '%': '%' };

/**
 * What a simulated shop says at a time: a line an instrument. The same seed says the same.
 *
 * @param seconds since it began. @param faults by instrument. @example benchLines(0, { seed: 1, faults: {} })[0]
 */
export function benchLines(
  seconds: number,
  { seed, faults }: { seed: number; faults: Readonly<Record<string, readonly Fault[]>> },
): string[] {
  return BENCH.flatMap((device, i) => {
    const own = faults[device.id] ?? [];
    const has = (fault: Fault) => own.includes(fault);
    const normal = randomNormal.source(randomLcg(((seed * 31 + i * 17 + Math.round(seconds * 10)) % 9973) / 9973))(
      0,
      1,
    );
    if (has('dropOut') && Math.floor(seconds / 6) % 2 === 1) return [];
    const at = has('stuck') ? 0 : seconds;
    const wander = has('drift') ? 0.0005 * seconds * Math.max(1, Math.abs(device.truth(0))) : 0;
    const value = device.truth(at) + (has('stuck') ? 0 : normal() * device.noise * (has('noise') ? 10 : 1)) + wander;
    const unit = has('unit') && seconds > 10 ? OTHER_UNIT[device.unit]! : device.unit;
    const flag = has('over') ? ' over' : '';
    const line = `${device.id} ${device.quantity} ${value.toFixed(device.digits)} ${unit}${flag}`;
    return [has('garbage') && Math.floor(seconds) % 3 === 0 ? line.slice(0, line.length - 6) : line];
  });
}
