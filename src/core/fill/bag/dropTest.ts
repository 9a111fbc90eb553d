import { invalid } from '../../error';
import type { Filling } from '../filling';

/** A drop test as it is read: pump shut off, pressure under the bag at the start and at the end. */
export interface DropReading {
  /** Pa, absolute. */
  start: number;
  end: number;
  minutes: number;
  /** °C at start and end; null where they were not read. */
  startCelsius: number | null;
  endCelsius: number | null;
}

export interface DropResult {
  /** Pa/min as read. */
  perMinute: number;
  /** Pa·m³/s at the temperature of the start. */
  leakRate: number;
  /**
   * Share of the resin's room that the air would take that leaks in until gel under full vacuum, at the mean pressure
   * of the resin.
   */
  voids: number;
  /** Pa that it may lose in the minutes of the test, and by which of the two limits. */
  limit: number;
  limitBy: 'yard' | 'voids';
  /** More than half of the air's pressure stood under the bag: a leak hardly shows, and the test is none. */
  tooWeak: boolean;
  /** Read again so much sooner than the yard has it that a slow leak does not show on the gauge: the test is none. */
  tooShort: boolean;
  /** It holds, but what stands under it leaves less to drive the resin than its fill was planned with. */
  tooLittle: boolean;
  passed: boolean;
}

const KELVIN = 273.15;
/** Pa */
const AIR = 101_325;
/** Share of the yard's minutes from which a test is one: a hand on a stopwatch is no clock. */
const LONG_ENOUGH = 0.9;
/** Pa that the air of a day may press less than the standard's: a low, or some height above the sea. */
const WEATHER = 3000;

/** By how much more leaks in at full vacuum than at a pressure under the bag (Pa): p₀² / (p₀² − p²). */
const asDeep = (pressure: number) => (pressure < AIR ? AIR ** 2 / (AIR ** 2 - pressure ** 2) : Infinity);

/**
 * How tight a bag is, and whether that is tight enough: it may lose no more than the yard's figure for its minutes, and
 * no more than lets a share of voids in until the resin has gelled.
 *
 * Derived: the rise of a closed volume V is Q = V dp/dt of leaking air; in a time t that is Q t/p of volume at a
 * pressure p, over the room V of the resin dp/dt · t / p; p is the mean of what drives the resin and what draws it, as
 * behind a front. Air through a fine leak flows as the difference of the squared pressures: what was read at a poor
 * vacuum is brought to a full one.
 * @param volume m³ under the bag. @param gel s from shutting the bag until gel. @param drives Pa that the fill was
 * planned with, between the air and the bag; nothing where it was not planned.
 * @throws KeramosError `invalid` for readings that no bag gives.
 * @example dropTest({ start: 1500, end: 2000, minutes: 10, … }, { volume: 0.02, … }).leakRate // 0.0167
 */
export function dropTest(
  { start, end, minutes, startCelsius, endCelsius }: DropReading,
  {
    volume,
    gel,
    drives = 0,
    filling,
  }: {
    volume: number;
    gel: number;
    drives?: number | undefined;
    filling: Pick<Filling, 'dropMinutes' | 'dropMost' | 'voids'>;
  },
): DropResult {
  if (!(start > 0 && start < 1.1e5))
    throw invalid('start', 'Pressure under the bag: between 0 and 1100 mbar, absolute');
  if (!(end > 0 && end < 1.1e5)) throw invalid('end', 'Pressure under the bag: between 0 and 1100 mbar, absolute');
  if (!(minutes > 0)) throw invalid('minutes', 'The test lasts some minutes');
  const both = startCelsius !== null && endCelsius !== null;
  const settled = both ? (end * (startCelsius + KELVIN)) / (endCelsius + KELVIN) : end;
  if (settled < start - 200)
    throw invalid('end', 'The pressure under a bag does not fall with the pump shut off: read both again');
  const perMinute = (end - start) / minutes;
  const rise = Math.max(0, settled - start) / minutes;
  const yard = filling.dropMost / filling.dropMinutes;
  const under = Math.max(start, settled);
  const drawn = rise * asDeep(under);
  const mean = (AIR + under) / 2;
  const byVoids = (filling.voids * mean) / (gel / 60);
  const limit = Math.min(yard, byVoids);
  const [tooWeak, tooShort] = [start > AIR / 2, minutes < LONG_ENOUGH * filling.dropMinutes];
  const tooLittle = drawn <= limit && AIR - under < drives - WEATHER;
  return {
    perMinute,
    leakRate: (volume * rise) / 60,
    voids: (drawn * (gel / 60)) / mean,
    limit: (limit * minutes) / asDeep(under),
    limitBy: yard <= byVoids ? 'yard' : 'voids',
    tooWeak,
    tooShort,
    tooLittle,
    passed: !tooWeak && !tooShort && !tooLittle && drawn <= limit,
  };
}
