import {
  asLaidStrength,
  failureStrains,
  fibreFractionFor,
  plyFractions,
  plyThickness,
  randomMat,
  unidirectional,
  unidirectionalExpansion,
} from '../material';
import type { ComponentForm, Fabric, FabricComponent, Fibre, PlyFigure, Process, Resin } from '../material';
import type { Recorder } from '../working';
import { fabricPlies, smearedConstants } from './fabric';
import type { FailureStrain, Ply, PlyStrength } from './ply';

/** What a figure of a ply stands on: computed from its constituents, or stated. */
export type PlyOrigin = 'computed' | 'dataSheet' | 'yardTest';

/** One component of a fabric as it lies in the laminate, in the fabric's own axes. */
export interface LaidComponent {
  form: ComponentForm;
  fibre: Fibre;
  fibreWeightFraction: number;
  fibreVolumeFraction: number;
  voidFraction: number;
  /** m */
  thickness: number;
  /** kg/m² */
  fibreMass: number;
  resinMass: number;
  /** Angles relative to the roll direction. */
  plies: Ply[];
  /** Where each figure of its plies comes from. */
  origins: Record<PlyFigure, PlyOrigin>;
  /** Greatest coefficient of variation among its stated strengths; 0 where none is told. */
  statedSpread: number;
}

/**
 * The stated figures of a component that hold for a process; a test beats a data sheet, one for this process beats
 * one for any.
 */
function statedFigures(
  component: FabricComponent,
  process: Process,
): Map<PlyFigure, { value: number; origin: PlyOrigin; spread: number }> {
  const rank = (m: FabricComponent['measured'][number]) =>
    (m.origin === 'yardTest' ? 2 : 0) + (m.process === process ? 1 : 0);
  const fitting = component.measured
    .filter((m) => m.process === null || m.process === process)
    .sort((a, b) => rank(a) - rank(b));
  return new Map(fitting.map((m) => [m.property, { value: m.value, origin: m.origin, spread: m.spread ?? 0 }]));
}

const STRENGTHS: ReadonlySet<PlyFigure> = new Set(['Xt', 'Xc', 'Yt', 'Yc', 'S']);
/** Strengths of a ply; across it as along it where it has fibres both ways, and a mat in shear as in tension. */
function strengthOf(
  ply: Ply,
  e: FailureStrain,
  laid: ReturnType<typeof asLaidStrength>,
  form: ComponentForm,
): PlyStrength {
  const across = form === 'woven' || form === 'randomMat' ? laid : { tension: 1, compression: 1 };
  return {
    Xt: laid.tension * e.e1t * ply.E1,
    Xc: laid.compression * e.e1c * ply.E1,
    Yt: across.tension * e.e2t * ply.E2,
    Yc: across.compression * e.e2c * ply.E2,
    S: (form === 'randomMat' ? laid.tension : 1) * e.g12 * ply.G12,
  };
}

/** What a fabric is laid with. */
export interface LaidWith {
  /** Those that the components of the fabric name. */
  fibres: ReadonlyMap<string, Fibre>;
  resin: Resin;
  process: Process;
  /** Added to the process's fibre weight fraction (its scatter); a stated fraction shifts as well. */
  shift?: number;
}

/**
 * The plies that a fabric, a resin and a process make: one isotropic sheet for a mat, one smeared orthotropic sheet
 * for a weave, true unidirectional sublayers in stitching order for the rest.
 *
 * Stiffness by micromechanics, strengths from the mean failure strains of family and form brought to published means
 * of laminates, expansion from the constituents; stated figures (data sheet, test) stand in front of computed ones
 * property by property, and `origins`
 * says which is which.
 *
 * @example layFabric(biaxial800, { fibres, resin: vinylester, process: 'infusion' })[0].thickness // 0.00057 m
 * Source: docs/engineering.md, "From fabric to ply".
 */
export function layFabric(
  fabric: Fabric,
  { fibres, resin, process, shift = 0 }: LaidWith,
  record?: Recorder,
): LaidComponent[] {
  return fabric.components.map((component) => {
    const fibre = fibres.get(component.fibre)!;
    const stated = statedFigures(component, process);
    const take = (figure: PlyFigure, computed: number) => stated.get(figure)?.value ?? computed;
    const origins = Object.fromEntries(
      (['fibreWeightFraction', 'thickness', 'E1', 'E2', 'G12', 'nu12', 'Xt', 'Xc', 'Yt', 'Yc', 'S'] as PlyFigure[]).map(
        (figure) => [figure, stated.get(figure)?.origin ?? 'computed'],
      ),
    ) as LaidComponent['origins'];

    const densities = { fibreDensity: fibre.density.value, resinDensity: resin.density.value };
    const usual = fibreFractionFor({ process, form: component.form, ...densities }, shift);
    const statedFraction = stated.get('fibreWeightFraction')?.value;
    const made =
      statedFraction === undefined
        ? usual
        : { ...usual, fibreWeightFraction: Math.min(0.9, Math.max(0.05, statedFraction + shift)) };
    const { fibreVolumeFraction } = plyFractions({ ...densities, ...made });
    const fibreMass = component.arealWeight.value;
    const computed = plyThickness({ ...densities, ...made, dryArealWeight: fibreMass }, record);
    const thickness = take('thickness', computed.thickness);
    const constituents = {
      fibre: { E1: fibre.E1.value, E2: fibre.E2.value, G12: fibre.G12.value, nu12: fibre.nu12.value },
      resin: { E: resin.E.value, nu: resin.nu.value },
      fibreVolumeFraction,
    };
    const statedSpread = Math.max(
      0,
      ...[...stated].filter(([figure]) => STRENGTHS.has(figure)).map(([, { spread }]) => spread),
    );
    const common = {
      form: component.form,
      fibre,
      ...made,
      fibreVolumeFraction,
      thickness,
      fibreMass,
      resinMass: computed.resinArealWeight,
      origins,
      statedSpread,
    };
    const expansion = unidirectionalExpansion(fibre, resin, fibreVolumeFraction);
    const isotropic = {
      alpha1: (expansion.alpha1 + expansion.alpha2) / 2,
      alpha2: (expansion.alpha1 + expansion.alpha2) / 2,
    };

    const finish = (ply: Ply, free: { alpha1: number; alpha2: number }): Ply => {
      const stiff = {
        ...ply,
        ...free,
        name: fabric.code,
        fibre: fibre.family,
        E1: take('E1', ply.E1),
        E2: take('E2', ply.E2),
        G12: take('G12', ply.G12),
        nu12: take('nu12', ply.nu12),
      };
      const usualStrength = strengthOf(
        stiff,
        failureStrains(fibre.family, component.form),
        asLaidStrength(fibre.family, component.form, process),
        component.form,
      );
      const strength: PlyStrength = {
        Xt: take('Xt', usualStrength.Xt),
        Xc: take('Xc', usualStrength.Xc),
        Yt: take('Yt', usualStrength.Yt),
        Yc: take('Yc', usualStrength.Yc),
        S: take('S', usualStrength.S),
      };
      return { ...stiff, strength };
    };

    if (component.form === 'randomMat') {
      const { E, G, nu } = randomMat(constituents, record);
      return { ...common, plies: [finish({ thickness, angleDeg: 0, E1: E, E2: E, nu12: nu, G12: G }, isotropic)] };
    }
    if (record) unidirectional(constituents, record);
    const sublayers = fabricPlies({
      ...constituents,
      thickness,
      sublayers: component.sublayers.map((s) => ({ ...s, crimpFactor: component.crimpFactor })),
    });
    if (component.form !== 'woven') return { ...common, plies: sublayers.map((ply) => finish(ply, expansion)) };
    const { Ex, Ey, Gxy, nuxy } = smearedConstants(sublayers);
    return { ...common, plies: [finish({ thickness, angleDeg: 0, E1: Ex, E2: Ey, nu12: nuxy, G12: Gxy }, isotropic)] };
  });
}
