/**
 * Strength classes of bolts: least proof or yield stress and tensile strength (Pa), and the families of metal that they
 * are made in. Source: ISO 3506-1 (stainless steel), ISO 898-1 (carbon steel).
 */
export const BOLT_CLASSES = {
  a50: { name: 'stainless 50', family: 'stainless', yieldStrength: 210e6, tensileStrength: 500e6 },
  a70: { name: 'stainless 70', family: 'stainless', yieldStrength: 450e6, tensileStrength: 700e6 },
  a80: { name: 'stainless 80', family: 'stainless', yieldStrength: 600e6, tensileStrength: 800e6 },
  s46: { name: 'steel 4.6', family: 'carbonSteel', yieldStrength: 240e6, tensileStrength: 400e6 },
  s88: { name: 'steel 8.8', family: 'carbonSteel', yieldStrength: 640e6, tensileStrength: 800e6 },
  s109: { name: 'steel 10.9', family: 'carbonSteel', yieldStrength: 940e6, tensileStrength: 1040e6 },
} as const;
export type BoltClass = keyof typeof BOLT_CLASSES;

/** Names of the classes; `metal` is a bolt of the metal's own yield strength, for bronze, titanium and bar. */
export const BOLT_CLASS_NAMES: Readonly<Record<BoltClass | 'metal', string>> = {
  metal: 'the metal as the Shelf has it',
  a50: BOLT_CLASSES.a50.name,
  a70: BOLT_CLASSES.a70.name,
  a80: BOLT_CLASSES.a80.name,
  s46: BOLT_CLASSES.s46.name,
  s88: BOLT_CLASSES.s88.name,
  s109: BOLT_CLASSES.s109.name,
};
