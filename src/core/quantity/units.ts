import Qty from 'js-quantities';

/** How a number is shown and typed in one unit system. */
export interface DisplayUnit {
  /** Unit as people write it. */
  label: string;
  /** SI value of one such unit. */
  factor: number;
  /** Decimals that make sense at the bench. */
  digits: number;
  /** SI value of zero of such units; temperatures only. */
  offset?: number;
}

export type UnitSystem = 'metric' | 'us';

/** `unit` in the spelling of the conversion library; `si` the internal unit it is measured against. */
function display(label: string, unit: string, si: string, digits: number): DisplayUnit {
  // Converted when first asked for: a page starts with few of them.
  let factor: number | undefined;
  return {
    label,
    get factor() {
      return (factor ??= si === unit ? 1 : Qty(1, unit).to(si).scalar);
    },
    digits,
  };
}
const plain = (label: string, factor: number, digits: number): DisplayUnit => ({ label, factor, digits });

/**
 * The kinds of quantity the product shows, each with its SI unit and its display in both systems.
 * Speeds are in knots and angles in degrees inside as well, as the field states them.
 */
export const QUANTITIES = {
  length: { name: 'a length', si: 'm', metric: display('m', 'm', 'm', 3), us: display('ft', 'ft', 'm', 3) },
  shortLength: { name: 'a length', si: 'm', metric: display('mm', 'mm', 'm', 0), us: display('in', 'in', 'm', 2) },
  thickness: { name: 'a thickness', si: 'm', metric: display('mm', 'mm', 'm', 1), us: display('in', 'in', 'm', 3) },
  area: { name: 'an area', si: 'm2', metric: display('m²', 'm2', 'm2', 2), us: display('ft²', 'ft2', 'm2', 1) },
  mass: { name: 'a mass', si: 'kg', metric: display('kg', 'kg', 'kg', 1), us: display('lb', 'lb', 'kg', 1) },
  arealWeight: {
    name: 'an areal weight',
    si: 'kg/m2',
    metric: display('g/m²', 'g/m2', 'kg/m2', 0),
    us: display('oz/yd²', 'oz/yd2', 'kg/m2', 1),
  },
  laminateWeight: {
    name: 'an areal weight',
    si: 'kg/m2',
    metric: display('kg/m²', 'kg/m2', 'kg/m2', 2),
    us: display('lb/ft²', 'lb/ft2', 'kg/m2', 3),
  },
  density: {
    name: 'a density',
    si: 'kg/m3',
    metric: display('kg/m³', 'kg/m3', 'kg/m3', 0),
    us: display('lb/ft³', 'lb/ft3', 'kg/m3', 1),
  },
  pressure: {
    name: 'a pressure',
    si: 'Pa',
    metric: display('kPa', 'kPa', 'Pa', 1),
    us: display('psi', 'psi', 'Pa', 2),
  },
  stress: { name: 'a stress', si: 'Pa', metric: display('MPa', 'MPa', 'Pa', 1), us: plain('ksi', 6.894757293168e6, 2) },
  modulus: {
    name: 'a modulus',
    si: 'Pa',
    metric: display('GPa', 'GPa', 'Pa', 2),
    us: plain('Msi', 6.894757293168e9, 3),
  },
  coreModulus: {
    name: 'a modulus',
    si: 'Pa',
    metric: display('MPa', 'MPa', 'Pa', 0),
    us: plain('ksi', 6.894757293168e6, 1),
  },
  speed: { name: 'a speed', si: 'kn', metric: plain('kn', 1, 1), us: plain('kn', 1, 1) },
  angle: { name: 'an angle', si: '°', metric: plain('°', 1, 1), us: plain('°', 1, 1) },
  membraneStiffness: {
    name: 'a membrane stiffness',
    si: 'N/m',
    metric: plain('kN/mm', 1e6, 1),
    us: plain('kip/in', 175126.8, 1),
  },
  bendingStiffness: {
    name: 'a bending stiffness',
    si: 'N m',
    metric: plain('kN·m', 1e3, 2),
    us: plain('kip·in', 112.98483, 2),
  },
  temperature: {
    name: 'a temperature',
    si: '°C',
    metric: plain('°C', 1, 0),
    us: { label: '°F', factor: 5 / 9, digits: 0, offset: -160 / 9 },
  },
  viscosity: { name: 'a viscosity', si: 'Pa*s', metric: plain('mPa·s', 1e-3, 0), us: plain('cP', 1e-3, 0) },
  duration: { name: 'a time', si: 's', metric: plain('min', 60, 0), us: plain('min', 60, 0) },
  expansion: { name: 'an expansion', si: '', metric: plain('10⁻⁶/K', 1e-6, 1), us: plain('10⁻⁶/°F', 1.8e-6, 1) },
  potential: { name: 'a potential', si: 'V', metric: plain('V', 1, 2), us: plain('V', 1, 2) },
  volume: { name: 'a volume', si: 'm3', metric: plain('L', 1e-3, 0), us: plain('gal', 3.785411784e-3, 1) },
  money: { name: 'a price', si: '', metric: plain('', 1, 2), us: plain('', 1, 2) },
  force: { name: 'a force', si: 'N', metric: plain('kN', 1e3, 2), us: plain('lbf', 4.4482216, 0) },
  bendingRigidity: {
    name: 'a bending stiffness',
    si: 'N m2',
    metric: plain('kN·m²', 1e3, 1),
    us: plain('kip·in²', 2.86979, 0),
  },
  moment: { name: 'a moment', si: 'N m', metric: plain('N·m', 1, 0), us: plain('lbf·ft', 1.3558179, 0) },
  massPerLength: {
    name: 'a mass per length',
    si: 'kg/m',
    metric: plain('kg/m', 1, 2),
    us: plain('lb/ft', 1.4881639, 2),
  },
  smallArea: { name: 'an area', si: 'm2', metric: plain('cm²', 1e-4, 2), us: plain('in²', 6.4516e-4, 2) },
  lineForce: { name: 'a force per width', si: 'N/m', metric: plain('kN/m', 1e3, 2), us: plain('lbf/in', 175.1268, 1) },
  lineMoment: {
    name: 'a moment per width',
    si: 'N',
    metric: plain('N·m/m', 1, 0),
    us: plain('lbf·in/in', 4.4482216, 1),
  },
  couplingStiffness: {
    name: 'a coupling stiffness',
    si: 'N',
    metric: plain('kN', 1e3, 1),
    us: plain('kip', 4448.2216, 1),
  },
  fraction: { name: 'a share', si: '', metric: plain('%', 0.01, 1), us: plain('%', 0.01, 1) },
  ratio: { name: 'a ratio', si: '', metric: plain('', 1, 2), us: plain('', 1, 2) },
} as const satisfies Record<string, { name: string; si: string; metric: DisplayUnit; us: DisplayUnit }>;

export type QuantityKind = keyof typeof QUANTITIES;

export function displayUnit(kind: QuantityKind, system: UnitSystem): DisplayUnit {
  return QUANTITIES[kind][system];
}
