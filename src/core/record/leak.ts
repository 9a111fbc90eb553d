import { invalid } from '../error';

const KELVIN = 273.15;

/**
 * How fast a closed volume under vacuum takes in air.
 *
 * @param volume m³. @param pressureStart @param pressureEnd Pa absolute. @param minutes above 0. Temperatures in °C at
 * both ends, or at neither.
 * @returns rise as read (Pa/min), and the leak (Pa·m³/s) with the end brought to the temperature of the start.
 * @throws KeramosError `invalid`.
 * @example leak({ volume: 0.05, pressureStart: 2000, pressureEnd: 2600, minutes: 10 }).leakRate // 0.05
 * Source: ideal gas, V dp / dt.
 */
export function leak({
  volume,
  pressureStart,
  pressureEnd,
  minutes,
  temperatureStartCelsius,
  temperatureEndCelsius,
}: {
  volume: number;
  pressureStart: number;
  pressureEnd: number;
  minutes: number;
  temperatureStartCelsius?: number | undefined;
  temperatureEndCelsius?: number | undefined;
}): { risePerMinute: number; leakRate: number } {
  if (!(minutes > 0)) throw invalid('minutes', 'Some time must have passed');
  if ((temperatureStartCelsius === undefined) !== (temperatureEndCelsius === undefined))
    throw invalid('temperatureEndCelsius', 'Give the temperature at both ends, or at neither');
  const [from, to] = [(temperatureStartCelsius ?? 0) + KELVIN, (temperatureEndCelsius ?? 0) + KELVIN];
  if (!(from > 0 && to > 0)) throw invalid('temperatureStartCelsius', 'Temperatures lie above −273.15 °C');
  return {
    risePerMinute: (pressureEnd - pressureStart) / minutes,
    leakRate: (volume * (pressureEnd * (from / to) - pressureStart)) / (60 * minutes),
  };
}
