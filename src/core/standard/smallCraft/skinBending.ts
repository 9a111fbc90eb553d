import { remembered } from '../../job';
import type { SkinSheet } from './check';

/** Where a skin of several sheets is nearest its limit under a moment. */
export interface SkinBending {
  /** Pa */
  stress: number;
  allowed: number;
  sheet: SkinSheet;
  index: number;
  side: 'tension' | 'compression';
}

/** Sections of a solid skin: neutral axis from the mould face (m) and bending stiffness (N m). */
export interface SkinSection {
  placed: { sheet: SkinSheet; bottom: number; top: number }[];
  neutral: number;
  EI: number;
}

const sum = <T>(items: readonly T[], pick: (item: T) => number) => items.reduce((total, item) => total + pick(item), 0);

/** The section of a solid skin of sheets that all have strengths. Source: ISO 12215-5:2008 method, F58. */
export const skinSection = remembered((plies: readonly SkinSheet[]): SkinSection => {
  const EA = sum(plies, (s) => s.properties!.E * s.thickness);
  let z = 0;
  const placed = plies.map((sheet) => ({ sheet, bottom: z, top: (z += sheet.thickness) }));
  const neutral =
    sum(placed, ({ sheet, bottom, top }) => (sheet.properties!.E * sheet.thickness * (bottom + top)) / 2) / EA;
  const EI = sum(
    placed,
    ({ sheet, bottom, top }) =>
      sheet.properties!.E * (sheet.thickness ** 3 / 12 + sheet.thickness * ((bottom + top) / 2 - neutral) ** 2),
  );
  return { placed, neutral, EI };
});

/**
 * The sheet nearest its limit under a moment per unit width (N).
 *
 * @param moment positive pulls the mould face, as at a clamped edge under outside pressure; negative presses it, as in
 * the middle of the panel.
 * @param factor on the strengths.
 * Source: ISO 12215-5:2008 method, F57.
 */
export function skinBending({ placed, neutral, EI }: SkinSection, moment: number, factor: number): SkinBending {
  let worst: SkinBending = { stress: 0, allowed: 1, sheet: placed[0]!.sheet, index: 0, side: 'tension' };
  const pulled = moment >= 0;
  placed.forEach(({ sheet, bottom, top }, index) => {
    const { E, tensileStrength, compressiveStrength } = sheet.properties!;
    for (const [reach, side] of [
      [neutral - bottom, pulled ? 'tension' : 'compression'],
      [top - neutral, pulled ? 'compression' : 'tension'],
    ] as const) {
      const stress = (Math.abs(moment) * E * reach) / EI;
      const allowed = factor * (side === 'tension' ? tensileStrength : compressiveStrength);
      if (reach > 0 && stress / allowed > worst.stress / worst.allowed) worst = { stress, allowed, sheet, index, side };
    }
  });
  return worst;
}
