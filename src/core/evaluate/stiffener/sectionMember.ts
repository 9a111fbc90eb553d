import { KeramosError } from '../../error';
import { sheetProperties, sheetShear } from '../../standard';
import type { Book, LaidLayer } from '../book';

/**
 * A run of layers as one member of a section: thickness (m), modulus and ultimate strengths along the stiffener,
 * in-plane shear (Pa).
 */
export interface SectionMember {
  thickness: number;
  E: number;
  tensileStrength: number;
  compressiveStrength: number;
  shearStrength: number;
}

export function memberOf(book: Book, laid: readonly LaidLayer[]): SectionMember | null {
  const parts = laid.flatMap(({ layer, components }) =>
    components.map((component) => ({ component, angle: layer.angleDeg })),
  );
  if (parts.length === 0) return null;
  const rated = parts.map(({ component, angle }) => ({
    t: component.thickness,
    along: sheetProperties(component, angle, undefined, book.pack),
    shear: sheetShear(component, angle, book.pack),
  }));
  const lacking = rated.findIndex(({ along, shear }) => along === undefined || shear === undefined);
  if (lacking >= 0)
    throw new KeramosError(
      'invalid',
      `The pack has no strengths for ${parts[lacking]!.component.fibre.name} ${parts[lacking]!.component.form}`,
      'section.layers',
    );
  const thickness = rated.reduce((sum, { t }) => sum + t, 0);
  const E = rated.reduce((sum, { t, along }) => sum + t * along!.E, 0) / thickness;
  const G = rated.reduce((sum, { t, shear }) => sum + t * shear!.G, 0) / thickness;
  const least = (pick: (one: (typeof rated)[number]) => number) => Math.min(...rated.map(pick));
  return {
    thickness,
    E,
    tensileStrength: E * least(({ along }) => along!.tensileStrength / along!.E),
    compressiveStrength: E * least(({ along }) => along!.compressiveStrength / along!.E),
    shearStrength: G * least(({ shear }) => shear!.shearStrength / shear!.G),
  };
}
