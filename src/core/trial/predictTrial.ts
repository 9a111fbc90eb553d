import { layOwn } from '../detail/kinds';
import type { Boat } from '../document';
import { invalid } from '../error';
import { bookOf, massOf, pliesOf, type LaidLayer } from '../evaluate';
import {
  laminateFailure,
  laminateStiffness,
  progressiveFailure,
  sandwichLimits,
  transverseShear,
  type Load,
} from '../laminate';
import type { BreakKind, TestKind, Trial } from './trial';

/** What a sample is expected to do. Loads N, areal weight kg/m². */
export interface TrialPrediction {
  /** Load per deflection under it (N/m); for a coupon load per stretch between its grips. */
  stiffness: number;
  /** What bends or stretches and what shears, per load (m/N): together one over the stiffness. */
  give: { bending: number; shear: number };
  /** Where the first ply cracks: heard, not always seen, and not the end. */
  firstCrack: number;
  failure: number;
  how: BreakKind;
  /** Every way to break that was looked at, the first to come at the top. */
  ways: { how: BreakKind; load: number; says: string }[];
  arealWeight: number;
  thickness: number;
  notChecked: string[];
}

/** Of a beam on two supports under a load: moment over P L, deflection over P L³ / D and over P L / S. */
const BEAMS: Record<Exclude<TestKind, 'tension'>, { moment: number; bending: number; shear: number }> = {
  three: { moment: 1 / 4, bending: 1 / 48, shear: 1 / 4 },
  four: { moment: 1 / 6, bending: 23 / 1296, shear: 1 / 6 },
};
/** Any load will do: everything is in proportion to it (N). */
const UNIT = 1000;

/** The core of a sample, and what lies on both sides of it. */
function coreOf(laid: readonly LaidLayer[]) {
  const at = laid.findIndex(({ material }) => material.kind === 'core');
  const core = laid[at];
  if (!core || core.material.kind !== 'core') return null;
  if (at === 0 || at === laid.length - 1) throw invalid('layers', 'A core wants a skin on both sides');
  const thick = (some: readonly LaidLayer[]) => some.reduce((sum, { thickness }) => sum + thickness, 0);
  return { core, material: core.material, faces: [laid.slice(0, at), laid.slice(at + 1)] as const, thick };
}

/**
 * How stiff a sample should be and at what load it should break, by mean strengths and moduli: first crack by
 * Tsai–Wu, then last ply, core in shear, skin wrinkling. The first layer is the face that the load is on.
 *
 * @param boat whose materials, resin and process it is laid with.
 * @throws KeramosError `invalid` for layers that the boat does not have, or a core without a skin on both sides.
 * @example predictTrial(boat, { layers, test: 'three', span: 0.5, width: 0.1 }).failure // 2310
 * Source: beams on two supports with shear (Allen; Zenkert); classical lamination theory.
 */
export function predictTrial(
  boat: Boat,
  { layers, test, span, width }: Pick<Trial, 'layers' | 'test' | 'span' | 'width'>,
): TrialPrediction {
  const book = bookOf(boat, 0);
  const laid = layOwn(book, layers);
  const plies = pliesOf(book, laid);
  const { compliance, thickness } = laminateStiffness(plies);
  const arealWeight = laid.reduce((sum, one) => sum + massOf(one), 0);
  const ways: TrialPrediction['ways'] = [];
  const notChecked = ['slipping and crushing at the supports', 'scatter of the sample itself'];
  const load = loadOf({ test, span, width });
  const found = laminateFailure(plies, load, 'tsaiWu');
  const firstCrack = UNIT * found.reserveFactor;
  // What cracked first is left out, and the load goes on.
  const last = UNIT * Math.max(found.reserveFactor, progressiveFailure(plies, load, 'maxStrain').lastPly);
  const inPlies: BreakKind = /Compression/.test(found.mode) ? 'compression' : 'tension';
  ways.push({ how: inPlies, load: last, says: 'last ply by greatest strain, those that cracked before left out' });
  if (test === 'tension') {
    const give = { bending: (compliance[0]![0]! * span) / width, shear: 0 };
    const stretched = { stiffness: 1 / give.bending, give, firstCrack, failure: last, how: inPlies };
    return { ...stretched, ways, arealWeight, thickness, notChecked };
  }
  const beam = BEAMS[test];
  const D = 1 / compliance[3]![3]!;
  const S = transverseShear(plies).A55;
  const give = { bending: (beam.bending * span ** 3) / (D * width), shear: (beam.shear * span) / (S * width) };
  const stiffness = 1 / (give.bending + give.shear);
  const sandwich = coreOf(laid);
  if (sandwich) {
    const { core, material, faces, thick } = sandwich;
    const [under, other] = faces.map(thick) as [number, number];
    const d = core.thickness + (under + other) / 2;
    ways.push({
      how: 'shear',
      load: 2 * material.shearStrength.value * d * width,
      says: 'core in shear, P / (2 d b) against its strength',
    });
    // The face under the load is pushed together.
    const face = laminateStiffness(pliesOf(book, faces[0]));
    const { wrinklingStress } = sandwichLimits({
      faceModulus: face.membrane.Ex,
      faceThickness: under,
      coreThickness: core.thickness,
      coreModulus: material.compressiveModulus.value,
      coreShearModulus: material.shearModulus.value,
    });
    ways.push({
      how: 'wrinkle',
      load: (wrinklingStress * under * d * width) / (beam.moment * span),
      says: 'skin under the load wrinkles, 0.5 (E E G)^⅓',
    });
    notChecked.push('crushing of the core under the load: spread it over a pad', 'skin coming off the core');
  }
  ways.sort((a, b) => a.load - b.load);
  const [{ load: failure, how }] = ways as [TrialPrediction['ways'][number]];
  return { stiffness, give, firstCrack, failure, how, ways, arealWeight, thickness, notChecked };
}

/** What a load of 1000 N does to a sample where it is worst: pull (N/m), or moment (N). */
function loadOf({ test, span, width }: Pick<Trial, 'test' | 'span' | 'width'>): Load {
  if (test === 'tension') return { N: [UNIT / width, 0, 0] };
  return { M: [(BEAMS[test].moment * UNIT * span) / width, 0, 0] };
}
