import { GAS_CONSTANT, kelvin } from './potLife';

/** How fast a resin cures by degree and temperature; A in 1/s, E in J/mol. */
export type Kinetics =
  | { model: 'kamalSourour'; A1: number; E1: number; A2: number; E2: number; m: number; n: number }
  | { model: 'autocatalytic'; A: number; E: number; m: number; n: number }
  | {
      model: 'autocatalyticDiffusion';
      A: number;
      E: number;
      m: number;
      n: number;
      C: number;
      alphaC0: number;
      /** 1/K */
      alphaCT: number;
    }
  | {
      model: 'leeLoosSpringer';
      A1: number;
      E1: number;
      A2: number;
      E2: number;
      A3: number;
      E3: number;
      B: number;
      switch: number;
    };

const arrhenius = (A: number, E: number, celsius: number) => A * Math.exp(-E / (GAS_CONSTANT * kelvin(celsius)));

/** Rate constants at a temperature (1/s). */
export function rateConstants(kinetics: Kinetics, celsius: number): Record<string, number> {
  const k = (A: number, E: number) => arrhenius(A, E, celsius);
  switch (kinetics.model) {
    case 'kamalSourour':
      return { k1: k(kinetics.A1, kinetics.E1), k2: k(kinetics.A2, kinetics.E2) };
    case 'leeLoosSpringer':
      return { k1: k(kinetics.A1, kinetics.E1), k2: k(kinetics.A2, kinetics.E2), k3: k(kinetics.A3, kinetics.E3) };
    default:
      return { k1: k(kinetics.A, kinetics.E) };
  }
}

/**
 * Rate of cure (1/s) at a degree from 0 to 1 and a temperature.
 *
 * Sources: Kamal & Sourour 1973; Lee, Loos & Springer 1982; an autocatalytic law, and one that diffusion slows
 * (Chern & Poehlein 1987).
 */
export function cureRate(kinetics: Kinetics, degree: number, celsius: number): number {
  const a = Math.min(1, Math.max(0, degree));
  const left = 1 - a;
  switch (kinetics.model) {
    case 'kamalSourour': {
      const { k1, k2 } = rateConstants(kinetics, celsius) as { k1: number; k2: number };
      return (k1 + k2 * a ** kinetics.m) * left ** kinetics.n;
    }
    case 'autocatalytic':
      return arrhenius(kinetics.A, kinetics.E, celsius) * a ** kinetics.m * left ** kinetics.n;
    case 'autocatalyticDiffusion': {
      const { A, E, m, n, C, alphaC0, alphaCT } = kinetics;
      const slowed = 1 + Math.exp(C * (a - (alphaC0 + alphaCT * kelvin(celsius))));
      return (arrhenius(A, E, celsius) * a ** m * left ** n) / slowed;
    }
    case 'leeLoosSpringer': {
      const { k1, k2, k3 } = rateConstants(kinetics, celsius) as { k1: number; k2: number; k3: number };
      return a <= kinetics.switch ? (k1 + k2 * a) * left * (kinetics.B - a) : k3 * left;
    }
  }
}
