import { integrate } from './integrate';
import { cureRate, type Kinetics } from './kinetics';

/** Specific heat of a laminate (J/kg·K) by mass of resin and fibre. */
export const laminateSpecificHeat = (resinWeightFraction: number, resin: number, fibre: number): number =>
  resinWeightFraction * resin + (1 - resinWeightFraction) * fibre;

/**
 * Rise of temperature (K) where no heat leaves: heat of the resin over what is warmed, a mould or core beside it as so
 * much mass for each kilogram of laminate.
 * @example adiabaticRise({ resinWeightFraction: 1, reactionHeat: 33e4, specificHeat: 1900, conversion: 0.9 }) // 156.3
 */
export function adiabaticRise({
  resinWeightFraction,
  reactionHeat,
  specificHeat,
  conversion = 1,
  sink,
}: {
  resinWeightFraction: number;
  reactionHeat: number;
  specificHeat: number;
  conversion?: number | undefined;
  sink?: { massRatio: number; specificHeat: number } | undefined;
}): number {
  const warmed = specificHeat + (sink ? sink.massRatio * sink.specificHeat : 0);
  return (resinWeightFraction * reactionHeat * conversion) / warmed;
}

export interface ExothermCourse {
  peakCelsius: number;
  /** s */
  peakTime: number;
  finalDegree: number;
  finalCelsius: number;
}

/**
 * Temperature and degree of a laminate that is thin enough to be of one temperature through, losing heat to the air:
 * m c T' = m w H α' − h (T − Ta).
 *
 * @param arealMass kg/m². @param heatTransfer W/m²K over all that loses heat. @param duration s.
 */
export function exothermCourse({
  kinetics,
  resinWeightFraction,
  reactionHeat,
  specificHeat,
  arealMass,
  heatTransfer,
  startCelsius,
  ambientCelsius,
  duration,
  sink,
}: {
  kinetics: Kinetics;
  resinWeightFraction: number;
  reactionHeat: number;
  specificHeat: number;
  arealMass: number;
  heatTransfer: number;
  startCelsius: number;
  ambientCelsius: number;
  duration: number;
  sink?: { massRatio: number; specificHeat: number } | undefined;
}): ExothermCourse {
  const warmed = arealMass * (specificHeat + (sink ? sink.massRatio * sink.specificHeat : 0));
  const heat = arealMass * resinWeightFraction * reactionHeat;
  const slopes = (_: number, [degree, celsius]: readonly number[]) => {
    const rate = cureRate(kinetics, degree!, celsius!);
    return [rate, (heat * rate - heatTransfer * (celsius! - ambientCelsius)) / warmed];
  };
  let peak = { celsius: startCelsius, time: 0 };
  let before = { t: 0, slope: Infinity };
  const [finalDegree, finalCelsius] = integrate(
    slopes,
    { from: 0, to: duration, start: [0, startCelsius], scales: [1, 100] },
    (t, y) => {
      const slope = slopes(t, y)[1]!;
      if (y[1]! > peak.celsius) peak = { celsius: y[1]!, time: t };
      // Past the top: between two steps it is where the slope, taken as straight, comes to nothing.
      if (before.slope > 0 && slope <= 0 && peak.celsius <= y[1]! + 1) {
        const share = before.slope / (before.slope - slope);
        const time = Number.isFinite(share) ? before.t + share * (t - before.t) : t;
        peak = { celsius: Math.max(peak.celsius, y[1]!), time };
      }
      before = { t, slope };
    },
  );
  return { peakCelsius: peak.celsius, peakTime: peak.time, finalDegree: finalDegree!, finalCelsius: finalCelsius! };
}
