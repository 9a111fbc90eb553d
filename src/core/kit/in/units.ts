import type { At } from '../nest/convexParts';

/** A closed outline of a drawing: m, x across the cloth and y along it; what the drawing calls x runs along it. */
export interface OutlineRead {
  /** The text that lies in it, or where it was drawn. */
  name: string;
  outline: At[];
  /** Closed outlines inside it: cut-outs. */
  inside: number;
}
export interface DrawingRead {
  outlines: OutlineRead[];
  /** What was left out, and what would do instead. */
  left: string[];
  /** Whether the drawing says its unit. */
  unit: string | null;
}

/** Metres of a unit, by its name. */
export const DRAWING_UNITS = { mm: 0.001, cm: 0.01, m: 1, in: 0.0254, ft: 0.3048 } as const;
export type DrawingUnit = keyof typeof DRAWING_UNITS;
