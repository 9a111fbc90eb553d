import { invalid } from '../error';
import type { Resin } from '../material';
import type { Curing, FamilyCure } from './curing';
import { cureAtOneTemperature } from './degree';
import { cureRate, type Kinetics } from './kinetics';
import { GAS_CONSTANT, kelvin, potLifeByArrhenius } from './potLife';

/** How one resin hardens, and what that stands on. */
export interface ResinCure {
  kinetics: Kinetics;
  family: FamilyCure;
  /** Glass transition of the whole cure (°C). */
  tgFull: number;
  vitrify: number;
  /** The resin's own law, or one made of its two pot lives. */
  origin: 'law' | 'potLives';
  source: string;
}

/**
 * The law of a resin: its own where it has one, else one of the shape of its family, k (s + α^m)(1 − α)^n, that gels a
 * laminate at a multiple of the pot life at 15 and at 25 °C, with the activation energy that these two imply.
 *
 * Derived: it reaches α_g after I/k with I = ∫ dα / ((s + α^m)(1 − α)^n) from 0 to α_g; k ∝ 1/pot life.
 * @param potLife times that of the resin on the Shelf, by its hardener.
 * @throws KeramosError `invalid` where the yard's list has nothing for its family, or both pot lives are alike.
 */
export function resinCure(resin: Resin, curing: Curing, potLife = 1): ResinCure {
  const family = curing.families.find((one) => one.family === resin.family);
  if (!family) throw invalid('families', `How ${resin.name} hardens is not in the yard's list: add its family`);
  const { vitrify } = curing;
  const tgFull = resin.heatDeflection.value;
  const law = resin.cure;
  if (law) {
    const { source, tgFull: own, heat, ...constants } = law;
    return {
      kinetics: { model: 'kamalSourour', ...constants },
      family: { ...family, heat },
      tgFull: own,
      vitrify,
      origin: 'law',
      source,
    };
  }
  const minutes = (seconds: number) => (seconds * potLife) / 60;
  const points = [
    { celsius: 15, minutes: minutes(resin.potLife15.value) },
    { celsius: 25, minutes: minutes(resin.potLife25.value) },
  ] as const;
  const { activationEnergy } = potLifeByArrhenius(points, 20);
  const { start, m, n, gelDegree, gelOverPot } = family;
  const shape: Kinetics = { model: 'kamalSourour', A1: start, E1: 0, A2: 1, E2: 0, m, n };
  const whole = cureAtOneTemperature({ kinetics: shape, celsius: 25, degrees: [gelDegree] }).timeTo[0]!;
  const at25 = whole / (gelOverPot * resin.potLife25.value * potLife);
  const A2 = at25 * Math.exp(activationEnergy / (GAS_CONSTANT * kelvin(25)));
  return {
    kinetics: { ...shape, A1: start * A2, E1: activationEnergy, A2, E2: activationEnergy },
    family,
    tgFull,
    vitrify,
    origin: 'potLives',
    source: 'its two pot lives: an approximation',
  };
}

/**
 * Glass transition (°C) at a degree of cure.
 *
 * Source: DiBenedetto's relation as in Pascault & Williams (1990).
 */
export function glassTransition({ family: { tgStart, lambda }, tgFull }: ResinCure, degree: number): number {
  return tgStart + ((tgFull - tgStart) * lambda * degree) / (1 - (1 - lambda) * degree);
}

/** How sharply cure stops where the resin turns to glass. */
const SHARP = 40;

/** Rate of cure (1/s), slowed where the glass transition comes to stand above the temperature. */
export function rateOf(cure: ResinCure, degree: number, celsius: number): number {
  const over = (glassTransition(cure, degree) - celsius - cure.vitrify) / 100;
  return cureRate(cure.kinetics, degree, celsius) / (1 + Math.exp(Math.min(500, SHARP * over)));
}
