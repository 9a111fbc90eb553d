/** How a number is shown and typed in one unit system. */
export interface DisplayUnit {
  /** Unit as people write it. */
  label: string;
  /** SI value of one such unit. */
  factor: number;
  /** Decimals that make sense at the bench. */
  digits: number;
  /** One decimal more below one unit: of stresses and stiffnesses that run over decades. */
  finer?: true;
  /** SI value of zero of such units; temperatures only. */
  offset?: number;
}

export type UnitSystem = 'metric' | 'us';

const unit = (label: string, factor: number, digits: number): DisplayUnit => ({ label, factor, digits });
const finer = (own: DisplayUnit): DisplayUnit => ({ ...own, finer: true });

/** By definition (international yard and pound of 1959; the gallon of 231 cubic inches; standard gravity). */
const FOOT = 0.3048;
const INCH = FOOT / 12;
const YARD = 3 * FOOT;
const POUND = 0.45359237;
const OUNCE = POUND / 16;
const GALLON = 231 * INCH ** 3;
const POUND_FORCE = POUND * 9.80665;
const KIP = 1000 * POUND_FORCE;
const PSI = POUND_FORCE / INCH ** 2;

/**
 * The kinds of quantity the product shows, each with its SI unit and its display in both systems.
 * Speeds are in knots and angles in degrees inside as well, as the field states them.
 */
export const QUANTITIES = {
  length: { name: 'a length', si: 'm', metric: unit('m', 1, 3), us: unit('ft', FOOT, 3) },
  shortLength: { name: 'a length', si: 'm', metric: unit('mm', 1e-3, 0), us: unit('in', INCH, 2) },
  thickness: { name: 'a thickness', si: 'm', metric: unit('mm', 1e-3, 1), us: unit('in', INCH, 3) },
  area: { name: 'an area', si: 'm2', metric: unit('m²', 1, 2), us: unit('ft²', FOOT ** 2, 1) },
  mass: { name: 'a mass', si: 'kg', metric: unit('kg', 1, 1), us: unit('lb', POUND, 1) },
  /** Of resin in a bucket. */
  batchMass: { name: 'a mass', si: 'kg', metric: unit('kg', 1, 2), us: unit('lb', POUND, 2) },
  /** Of hardener. */
  smallMass: { name: 'a mass', si: 'kg', metric: unit('g', 1e-3, 0), us: unit('oz', OUNCE, 2) },
  arealWeight: {
    name: 'an areal weight',
    si: 'kg/m2',
    metric: unit('g/m²', 1e-3, 0),
    us: unit('oz/yd²', OUNCE / YARD ** 2, 1),
  },
  laminateWeight: {
    name: 'an areal weight',
    si: 'kg/m2',
    metric: unit('kg/m²', 1, 2),
    us: unit('lb/ft²', POUND / FOOT ** 2, 3),
  },
  density: {
    name: 'a density',
    si: 'kg/m3',
    metric: unit('kg/m³', 1, 0),
    us: unit('lb/ft³', POUND / FOOT ** 3, 1),
  },
  pressure: {
    name: 'a pressure',
    si: 'Pa',
    metric: unit('kPa', 1e3, 1),
    us: unit('psi', PSI, 2),
  },
  stress: { name: 'a stress', si: 'Pa', metric: finer(unit('MPa', 1e6, 1)), us: finer(unit('ksi', 1e3 * PSI, 2)) },
  modulus: {
    name: 'a modulus',
    si: 'Pa',
    metric: unit('GPa', 1e9, 2),
    us: unit('Msi', 1e6 * PSI, 3),
  },
  coreModulus: {
    name: 'a modulus',
    si: 'Pa',
    metric: unit('MPa', 1e6, 0),
    us: unit('ksi', 1e3 * PSI, 1),
  },
  speed: { name: 'a speed', si: 'kn', metric: unit('kn', 1, 1), us: unit('kn', 1, 1) },
  angle: { name: 'an angle', si: '°', metric: unit('°', 1, 1), us: unit('°', 1, 1) },
  membraneStiffness: {
    name: 'a membrane stiffness',
    si: 'N/m',
    metric: unit('kN/mm', 1e6, 1),
    us: unit('kip/in', KIP / INCH, 1),
  },
  bendingStiffness: {
    name: 'a bending stiffness',
    si: 'N m',
    metric: unit('kN·m', 1e3, 2),
    us: unit('kip·in', KIP * INCH, 2),
  },
  temperature: {
    name: 'a temperature',
    si: '°C',
    metric: unit('°C', 1, 0),
    us: { label: '°F', factor: 5 / 9, digits: 0, offset: -160 / 9 },
  },
  viscosity: { name: 'a viscosity', si: 'Pa*s', metric: unit('mPa·s', 1e-3, 0), us: unit('cP', 1e-3, 0) },
  duration: { name: 'a time', si: 's', metric: unit('min', 60, 0), us: unit('min', 60, 0) },
  expansion: { name: 'an expansion', si: '', metric: unit('10⁻⁶/K', 1e-6, 1), us: unit('10⁻⁶/°F', 1.8e-6, 1) },
  potential: { name: 'a potential', si: 'V', metric: unit('V', 1, 2), us: unit('V', 1, 2) },
  volume: { name: 'a volume', si: 'm3', metric: unit('L', 1e-3, 0), us: unit('gal', GALLON, 1) },
  money: { name: 'a price', si: '', metric: unit('', 1, 2), us: unit('', 1, 2) },
  force: { name: 'a force', si: 'N', metric: unit('kN', 1e3, 2), us: unit('lbf', POUND_FORCE, 0) },
  bendingRigidity: {
    name: 'a bending stiffness',
    si: 'N m2',
    metric: finer(unit('kN·m²', 1e3, 1)),
    us: unit('kip·in²', KIP * INCH ** 2, 0),
  },
  moment: { name: 'a moment', si: 'N m', metric: unit('N·m', 1, 0), us: unit('lbf·ft', POUND_FORCE * FOOT, 0) },
  massPerLength: {
    name: 'a mass per length',
    si: 'kg/m',
    metric: unit('kg/m', 1, 2),
    us: unit('lb/ft', POUND / FOOT, 2),
  },
  smallArea: { name: 'an area', si: 'm2', metric: unit('cm²', 1e-4, 2), us: unit('in²', INCH ** 2, 2) },
  lineForce: {
    name: 'a force per width',
    si: 'N/m',
    metric: unit('kN/m', 1e3, 2),
    us: unit('lbf/in', POUND_FORCE / INCH, 1),
  },
  lineMoment: {
    name: 'a moment per width',
    si: 'N',
    metric: unit('N·m/m', 1, 0),
    us: unit('lbf·in/in', POUND_FORCE, 1),
  },
  couplingStiffness: {
    name: 'a coupling stiffness',
    si: 'N',
    metric: unit('kN', 1e3, 1),
    us: unit('kip', KIP, 1),
  },
  fraction: { name: 'a share', si: '', metric: unit('%', 0.01, 1), us: unit('%', 0.01, 1) },
  ratio: { name: 'a ratio', si: '', metric: unit('', 1, 2), us: unit('', 1, 2) },
} as const satisfies Record<string, { name: string; si: string; metric: DisplayUnit; us: DisplayUnit }>;

export type QuantityKind = keyof typeof QUANTITIES;

export function displayUnit(kind: QuantityKind, system: UnitSystem): DisplayUnit {
  return QUANTITIES[kind][system];
}
