import { z } from 'zod';
import { invalid } from '../error';
import { bounded, idSchema, nameOf, shortLength, since, whole } from '../field';
import { put, type Recorder } from '../working';

const force = (what: string) => bounded(what, [1, 5e6], 'N');
const share = (what: string) => bounded(what, [0.01, 3]);
const cause = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('given'), force: force('Force') }),
  z.object({
    kind: z.literal('wire'),
    breakingLoad: force('Breaking load of the wire'),
    share: bounded('Share of it', [0.01, 3], '', { hint: '1 is the wire breaking' }),
  }),
  z.object({
    kind: z.literal('rightingMoment'),
    moment: bounded('Righting moment', [1, 5e6], 'N·m'),
    halfBeam: bounded('Half-breadth at the chainplates', [0.1, 5], 'm'),
    share: share('Share of the shroud'),
  }),
  z.object({
    kind: z.literal('rudder'),
    area: bounded('Rudder area', [0.01, 5], 'm²'),
    speedKnots: bounded('Speed', [1, 60], 'kn'),
    coefficient: bounded('Lift coefficient', [0.2, 2.5]),
    arm: bounded('Arm to the bearing', [0, 2], 'm'),
  }),
  z.object({ kind: z.literal('tow'), pull: force('Pull'), dynamic: bounded('Dynamic factor', [1, 5]) }),
  z.object({
    kind: z.literal('mooring'),
    breakingLoad: force('Breaking load of the line'),
    share: share('Share of it'),
  }),
  z.object({
    kind: z.literal('lifting'),
    mass: bounded('Mass lifted', [1, 1e5], 'kg'),
    points: whole('Points', 1, 12),
    dynamic: bounded('Dynamic factor', [1, 4]),
    slingDeg: bounded('Sling from the vertical', [0, 70], '°'),
    uneven: bounded('Uneven sharing', [1, 2]),
  }),
  z.object({
    kind: z.literal('thrust'),
    thrust: force('Thrust'),
    mass: bounded('Mass of the engine', [0, 5000], 'kg'),
    dynamic: bounded('Dynamic factor', [1, 6]),
  }),
  z.object({
    kind: z.literal('rail'),
    force: force('Push on the rail'),
    height: shortLength('Height of the rail', 0.05, 2),
  }),
  z.object({
    kind: z.literal('grounding'),
    mass: bounded('Mass', [1, 1e5], 'kg'),
    deceleration: bounded('Deceleration in g', [0.1, 10]),
    share: share('Share of the support'),
  }),
  z.object({
    kind: z.literal('person'),
    mass: bounded('Mass', [10, 500], 'kg'),
    drop: shortLength('Drop height', 0, 3),
    stop: shortLength('Stopping distance', 0.005, 1, 'empty: how far the panel itself gives').nullable(),
  }),
]);

/** A load where it comes into the boat; direction as an angle, or as so much forward, outboard and up. */
export const loadCaseSchema = z.object({
  id: idSchema,
  name: nameOf('Load name'),
  cause,
  direction: z.discriminatedUnion('how', [
    /** Bearing from forward towards outboard, and up from the horizontal. */
    z.object({
      how: z.literal('angle'),
      bearingDeg: bounded('Bearing', [-180, 180], '°'),
      upDeg: bounded('Up from the horizontal', [-90, 90], '°'),
    }),
    z.object({
      how: z.literal('ratio'),
      forward: bounded('Forward', [-1000, 1000]),
      outboard: bounded('Outboard', [-1000, 1000]),
      up: bounded('Up', [-1000, 1000]),
    }),
  ]),
  /** Where its line passes: so high over the base of what takes it, and off its middle along and across (m). */
  height: since(7, bounded('Height over the base', [0, 8], 'm', { quantity: 'shortLength' }), 0),
  along: since(7, bounded('Off the middle, along', [-5, 5], 'm', { quantity: 'shortLength' }), 0),
  across: since(7, bounded('Off the middle, across', [-5, 5], 'm', { quantity: 'shortLength' }), 0),
  /** Factor on the load for the detail. */
  factor: bounded('Factor', [1, 10]),
  source: z.string().trim().min(3, 'Say where the load comes from').max(200),
});
export type LoadCase = z.infer<typeof loadCaseSchema>;
export type LoadCause = LoadCase['cause']['kind'];
export const LOAD_CAUSES: Record<LoadCause, string> = {
  given: 'Given as a force',
  wire: "Rig, by the wire's breaking load",
  rightingMoment: 'Rig, by the righting moment',
  rudder: 'Rudder',
  tow: 'Tow',
  mooring: 'Mooring and bitt',
  lifting: 'Lifting by points',
  thrust: 'Engine or outboard',
  rail: 'Stanchion and rail',
  grounding: 'Trailer and grounding',
  person: 'Person or drop on deck',
};

/** Figures to begin a load case of each cause with. */
export const LOAD_START: Record<LoadCause, Record<string, number | null>> = {
  given: { force: 5000 },
  wire: { breakingLoad: 14_000, share: 1 },
  rightingMoment: { moment: 3000, halfBeam: 1, share: 0.6 },
  rudder: { area: 0.25, speedKnots: 8, coefficient: 1.2, arm: 0.3 },
  tow: { pull: 6000, dynamic: 2 },
  mooring: { breakingLoad: 25_000, share: 0.8 },
  lifting: { mass: 2000, points: 4, dynamic: 1.5, slingDeg: 30, uneven: 1.3 },
  thrust: { thrust: 2500, mass: 120, dynamic: 3 },
  rail: { force: 1500, height: 0.6 },
  grounding: { mass: 2000, deceleration: 1, share: 0.5 },
  person: { mass: 100, drop: 0.5, stop: null },
};

const GRAVITY = 9.80665;
const SEA_WATER = 1025;
const KNOT = 0.514444;

/**
 * A load as it acts: force along x forward, y outboard, z up (N), its size, and where its line passes: over the
 * fitting's foot, and off its middle (m).
 */
export interface ActingLoad {
  force: number;
  vector: [number, number, number];
  /** Height or arm that turns the force into a moment at the foot (m). */
  arm: number;
  /** Off the middle of the base, along and across. */
  off: [number, number];
  factor: number;
}

/** How far a panel gives under one newton where nothing is known of it: one that hardly gives (m/N). */
const RIGID = 1e-6;

/** Force of a cause (N) and its arm over the foot (m). */
function forceOf(c: LoadCase['cause'], record?: Recorder, give = RIGID): { force: number; arm: number } {
  const said = (formula: string, inputs: ReturnType<typeof put>[], force: number, source: string) => {
    record?.({ quantity: 'Force of the load case', symbol: 'F', formula, inputs, value: force, unit: 'N', source });
    return { force, arm: 0 };
  };
  switch (c.kind) {
    case 'given':
      return said('F', [put('F', c.force, 'N')], c.force, 'Given');
    case 'wire':
    case 'mooring':
      return said(
        'k F_u',
        [put('k', c.share), put('F_u', c.breakingLoad, 'N')],
        c.share * c.breakingLoad,
        'Breaking load of wire or line',
      );
    case 'rightingMoment':
      return said(
        '\\frac{k M}{b}',
        [put('k', c.share), put('M', c.moment, 'N·m'), put('b', c.halfBeam, 'm')],
        (c.share * c.moment) / c.halfBeam,
        'Righting moment over the half-breadth',
      );
    case 'rudder': {
      const v = c.speedKnots * KNOT;
      return {
        ...said(
          '\\tfrac12 \\rho v^2 A C',
          [put('\\rho', SEA_WATER, 'kg/m³'), put('v', v, 'm/s'), put('A', c.area, 'm²'), put('C', c.coefficient)],
          0.5 * SEA_WATER * v ** 2 * c.area * c.coefficient,
          'Lift of a rudder at its coefficient',
        ),
        arm: c.arm,
      };
    }
    case 'tow':
      return said(
        'k F',
        [put('k', c.dynamic), put('F', c.pull, 'N')],
        c.dynamic * c.pull,
        'Pull with its dynamic factor',
      );
    case 'lifting': {
      const value = (c.mass * GRAVITY * c.dynamic * c.uneven) / (c.points * Math.cos((c.slingDeg * Math.PI) / 180));
      return said(
        '\\frac{k u m g}{n \\cos\\beta}',
        [
          put('k', c.dynamic),
          put('u', c.uneven),
          put('m', c.mass, 'kg'),
          put('n', c.points),
          put('\\beta', c.slingDeg, '°'),
        ],
        value,
        'Equilibrium of a lift by points',
      );
    }
    case 'thrust': {
      const weight = c.mass * GRAVITY * c.dynamic;
      return said(
        '\\sqrt{T^2 + (k m g)^2}',
        [put('T', c.thrust, 'N'), put('k', c.dynamic), put('m', c.mass, 'kg')],
        Math.hypot(c.thrust, weight),
        'Thrust and weight in a seaway',
      );
    }
    case 'rail':
      return { ...said('F', [put('F', c.force, 'N')], c.force, 'Push on the rail at its height'), arm: c.height };
    case 'grounding':
      return said(
        'k a m g',
        [put('k', c.share), put('a', c.deceleration), put('m', c.mass, 'kg')],
        c.share * c.deceleration * c.mass * GRAVITY,
        'Deceleration of the boat',
      );
    case 'person':
      if (c.stop === null) {
        const still = c.mass * GRAVITY * give;
        return said(
          'm g \\left(1 + \\sqrt{1 + \\frac{2 h}{d}}\\right)',
          [put('m', c.mass, 'kg'), put('h', c.drop, 'm'), put('d', still, 'm')],
          c.mass * GRAVITY * (1 + Math.sqrt(1 + (2 * c.drop) / still)),
          'Peak of an impact on the panel as a spring, which gives by d under the mass at rest',
        );
      }
      return said(
        '2 m g \\left(1 + \\frac{h}{s}\\right)',
        [put('m', c.mass, 'kg'), put('h', c.drop, 'm'), put('s', c.stop, 'm')],
        2 * c.mass * GRAVITY * (1 + c.drop / c.stop),
        'Peak of an impact: a spring that stops the fall in s pushes twice the mean force, m g (h + s) = F s / 2',
      );
  }
}

/** The way a sling pulls: as far from the vertical as it hangs, towards where the direction points in plan. */
function alongSling([forward, outboard]: readonly [number, number, number], slingDeg: number) {
  const flat = Math.hypot(forward, outboard);
  const [ahead, out] = flat < 1e-9 ? [1, 0] : [forward / flat, outboard / flat];
  const [sine, cosine] = [Math.sin((slingDeg * Math.PI) / 180), Math.cos((slingDeg * Math.PI) / 180)];
  return [sine * ahead, sine * out, cosine] as [number, number, number];
}

/**
 * A load case as it acts on the boat. A sling's own angle from the vertical stands for the direction's.
 *
 * @param give how far what it lands on gives under one newton (m/N), for a drop whose stopping distance is not typed;
 * hardly at all where it is left out.
 * @returns force without its factor; what carries it is checked against force × factor.
 * @throws KeramosError `invalid` for a direction of no length.
 * @example actingLoad(load).vector // [0, 1200, 12300]
 */
export function actingLoad(
  { cause: c, direction, factor, name, height, along, across }: LoadCase,
  record?: Recorder,
  give?: number | undefined,
): ActingLoad {
  const { force: size, arm } = forceOf(c, record, give);
  const given = ((): [number, number, number] => {
    if (direction.how === 'angle') {
      const [bearing, up] = [(direction.bearingDeg * Math.PI) / 180, (direction.upDeg * Math.PI) / 180];
      return [Math.cos(up) * Math.cos(bearing), Math.cos(up) * Math.sin(bearing), Math.sin(up)];
    }
    const { forward, outboard, up } = direction;
    const length = Math.hypot(forward, outboard, up);
    if (length < 1e-9) throw invalid('direction', `${name} points nowhere: give it some forward, outboard or up`);
    return [forward / length, outboard / length, up / length];
  })();
  const unit = c.kind === 'lifting' ? alongSling(given, c.slingDeg) : given;
  const vector = unit.map((part) => part * size) as [number, number, number];
  return { force: size, vector, arm: arm + height, off: [along, across], factor };
}
