import { invalid } from '../../error';
import { put, type Recorder } from '../../working';
import { areaReduction, type Member } from './areaReduction';
import { formulaSpeed, massTerm, type Craft } from './craft';
import { dynamicLoadFactor } from './dynamicLoadFactor';
import { longitudinalFactor } from './longitudinalFactor';
import { cite, SMALL_CRAFT_PACK, type SmallCraftPack } from './pack';

export const PRESSURE_LOCATIONS = [
  'bottom',
  'side',
  'deck',
  'superstructureFront',
  'superstructureSide',
  'superstructureSideWalking',
  'superstructureAft',
  'superstructureTop',
] as const;
export type PressureLocation = (typeof PRESSURE_LOCATIONS)[number];

export interface PressureInput {
  craft: Craft;
  location: PressureLocation;
  /** x/LWL, 0 aft to 1 forward. */
  position: number;
  /** Z, height of the hull edge above the loaded waterline (m); sides only. */
  edgeHeight?: number;
  /** h, height of the panel centre above the loaded waterline (m); sides only. */
  centreHeight?: number;
  member: Member;
}

export type PressureMode = 'planing' | 'displacement' | 'sailing' | 'minimum';

export interface PressureResult {
  /** Pa */
  pressure: number;
  mode: PressureMode;
  kDC: number;
  kL: number;
  kAR: number;
  kZ?: number;
  nCG?: number;
  /** Pa */
  minimumPressure?: number;
}

/** A coefficient in thousands, as the formulas print it. */
const kilo = (value: number) => Number((value / 1e3).toPrecision(6));

/** One way the boat may be loaded, before the minimum is applied. */
interface Candidate {
  mode: Exclude<PressureMode, 'minimum'>;
  pressure: number;
  kL: number;
  kAR: number;
}

/** Slamming factor of a sailing craft (F14): 1 in categories C and D and for heavy boats. */
function slammingFactor(craft: Craft): number {
  const light = craft.loadedMass <= 5 * craft.waterlineLength ** 3;
  if (!light || craft.designCategory === 'C' || craft.designCategory === 'D') return 1;
  if (craft.rightingLever60 === undefined)
    throw invalid(
      'craft.rightingLever60',
      'A light sailing craft of category A or B needs rightingLever60, the largest righting lever up to 60° (m)',
    );
  return Math.max(1, Math.sqrt((10 * craft.rightingLever60 * Math.sqrt(craft.waterlineLength)) / massTerm(craft)));
}

/** Whether the craft is checked in planing mode as well (F3). */
export function isPlaning(craft: Craft, pack = SMALL_CRAFT_PACK): boolean {
  return (
    craft.kind === 'motor' && (craft.maxSpeedKnots ?? 0) / Math.sqrt(craft.waterlineLength) >= pack.planingSpeedRatio
  );
}

/**
 * Design pressure on a panel or stiffener of bottom, side, deck or superstructure (Pa).
 *
 * A planing motor craft is taken in planing and displacement mode, the larger counts; every result has its minimum.
 *
 * @throws KeramosError `invalid` for a side without heights, a planing craft without chine beam or deadrise.
 * @example boat A of the reference at x/LWL 0.5 on a bottom panel 380 × 900 mm: about 36 kPa × its k_L
 * Source: ISO 12215-5:2008 method, F1 to F24.
 */
export function designPressure(input: PressureInput, record?: Recorder, pack = SMALL_CRAFT_PACK): PressureResult {
  const { craft, location, position, member } = input;
  const { loadedMass: m, waterlineLength: LWL } = craft;
  const kDC = pack.designCategoryFactor[craft.designCategory];
  const sail = craft.kind === 'sail';
  const planing = isPlaning(craft, pack);
  const superstructure =
    location in pack.superstructureFactor
      ? pack.superstructureFactor[location as keyof typeof pack.superstructureFactor]
      : undefined;
  record?.({
    quantity: 'Design category factor',
    symbol: 'k_{DC}',
    formula: `\\text{category ${craft.designCategory}}`,
    inputs: [],
    value: kDC,
    unit: '',
    source: cite('F1'),
  });

  let kZ: number | undefined;
  if (location === 'side') {
    if (input.edgeHeight === undefined)
      throw invalid('edgeHeight', 'A side needs edgeHeight, the height of its edge above the waterline (m)');
    if (input.centreHeight === undefined)
      throw invalid(
        'centreHeight',
        'A side needs centreHeight, the height of the panel centre above the waterline (m)',
      );
    kZ = Math.min(1, Math.max(0, (input.edgeHeight - input.centreHeight) / input.edgeHeight));
    record?.({
      quantity: 'Vertical factor',
      symbol: 'k_Z',
      formula: '\\frac{Z-h}{Z}',
      inputs: [put('Z', input.edgeHeight, 'm'), put('h', input.centreHeight, 'm')],
      value: kZ,
      unit: '',
      source: cite('F12'),
    });
  }

  const own = sail ? pack.sail : pack.motor;
  const deckBase = sail
    ? pack.sail.deckBase.perMass * massTerm(craft) + pack.sail.deckBase.constant
    : pack.motor.deckBase.perLength * LWL + pack.motor.deckBase.constant;
  const slowBase = own.bottomBase.perMass * massTerm(craft) + own.bottomBase.constant;
  const displacementBase = sail ? slowBase * slammingFactor(craft) : slowBase;
  const nCG = planing ? dynamicLoadFactor(craft, record) : undefined;
  const planingBase =
    nCG === undefined
      ? undefined
      : ((pack.motor.planingBase * m) / (LWL * craft.chineBeam!)) * (1 + Math.sqrt(kDC) * nCG);

  if (location === 'bottom' || location === 'side') {
    if (planingBase !== undefined)
      record?.({
        quantity: 'Base pressure, planing',
        symbol: 'P_{BMP}',
        formula:
          `\\frac{${kilo(pack.motor.planingBase)}\\,m}{L_{WL} ` +
          `B_C}\\left(1+\\sqrt{k_{DC}}\\,n_{CG}\\right)\\,\\text{kPa}`,
        inputs: [
          put('m', m, 'kg'),
          put('L_{WL}', LWL, 'm'),
          put('B_C', craft.chineBeam!, 'm'),
          put('n_{CG}', nCG!, 'g'),
        ],
        value: planingBase,
        unit: 'Pa',
        source: cite('F16'),
      });
    record?.({
      quantity: sail ? 'Base pressure, sailing' : 'Base pressure, displacement',
      symbol: sail ? 'P_{BS}' : 'P_{BMD}',
      formula:
        `(${kilo(own.bottomBase.perMass)}\\,m^{0.33}+${kilo(own.bottomBase.constant)})` +
        `${sail ? '\\,k_{SLS}' : ''}\\,\\text{kPa}`,
      inputs: [put('m', m, 'kg')],
      value: displacementBase,
      unit: 'Pa',
      source: cite(sail ? 'F20' : 'F15'),
    });
  }
  if (location !== 'bottom')
    record?.({
      quantity: 'Base pressure, deck',
      symbol: 'P_D',
      formula: sail
        ? `${kilo(pack.sail.deckBase.perMass)}\\,m^{0.33}+${kilo(pack.sail.deckBase.constant)}\\,\\text{kPa}`
        : `${kilo(pack.motor.deckBase.perLength)}\\,L_{WL}+${kilo(pack.motor.deckBase.constant)}\\,\\text{kPa}`,
      inputs: sail ? [put('m', m, 'kg')] : [put('L_{WL}', LWL, 'm')],
      value: deckBase,
      unit: 'Pa',
      source: cite(sail ? 'F22' : 'F18'),
    });

  const inMode = (mode: Candidate['mode'], base: number, category: number): Candidate => {
    const kL = superstructure === undefined ? longitudinalFactor(position, mode === 'planing' ? nCG! : 3, record) : 1;
    const kAR = areaReduction(member, { loadedMass: m, planing: mode === 'planing' }, record, pack);
    return { mode, kL, kAR, pressure: base * kAR * category * kL };
  };
  const side = (bottomBase: number) => deckBase + kZ! * (bottomBase - deckBase);
  const slow = sail ? 'sailing' : 'displacement';

  let candidates: Candidate[];
  let minimumPressure: number | undefined;
  if (location === 'bottom') {
    minimumPressure = own.bottomMinimum.perMass * massTerm(craft) + own.bottomMinimum.perLength * LWL * kDC;
    candidates = [inMode(slow, displacementBase, kDC), ...(planing ? [inMode('planing', planingBase!, 1)] : [])];
  } else if (location === 'side') {
    minimumPressure = own.sideMinimum * LWL * kDC;
    candidates = [
      inMode(slow, side(displacementBase), kDC),
      ...(planing ? [inMode('planing', side(pack.motor.planingSideShare * planingBase!), kDC)] : []),
    ];
  } else {
    const factor = superstructure ?? 1;
    if (superstructure === undefined || location === 'superstructureSideWalking')
      minimumPressure = pack.deckMinimumPressure;
    candidates = [
      inMode(slow, deckBase * factor, kDC),
      ...(planing ? [inMode('planing', deckBase * factor, kDC)] : []),
    ];
  }

  const greatest = candidates.reduce((a, b) => (b.pressure > a.pressure ? b : a));
  const atMinimum = minimumPressure !== undefined && minimumPressure >= greatest.pressure;
  const pressure = atMinimum ? minimumPressure! : greatest.pressure;
  record?.({
    quantity: 'Design pressure',
    symbol: 'P',
    formula: '\\max(P_{base}\\,k_{AR}\\,k_{DC}\\,k_L,\\;P_{min})',
    inputs: [
      ...candidates.map((c) => put(`P_{\\text{${c.mode}}}`, c.pressure, 'Pa')),
      ...(minimumPressure === undefined ? [] : [put('P_{min}', minimumPressure, 'Pa')]),
    ],
    value: pressure,
    unit: 'Pa',
    source: cite('F15 to F24'),
    note:
      `Governed by: ${atMinimum ? 'minimum' : greatest.mode}. Speed in ` +
      `the formulas ${formulaSpeed(craft).toFixed(1)} kn.`,
  });
  return {
    pressure,
    mode: atMinimum ? 'minimum' : greatest.mode,
    kDC,
    kL: greatest.kL,
    kAR: greatest.kAR,
    ...(kZ === undefined ? {} : { kZ }),
    ...(nCG === undefined ? {} : { nCG }),
    ...(minimumPressure === undefined ? {} : { minimumPressure }),
  };
}

/** What stands under a head of water: a watertight bulkhead, the collision bulkhead, the boundary of a tank. */
export type HeadLocation = keyof SmallCraftPack['headPressure'];
const HEAD_WORDS: Record<HeadLocation, string> = {
  bulkhead: 'a watertight bulkhead',
  collisionBulkhead: 'the collision bulkhead',
  tank: 'a tank boundary',
};

/**
 * Pressure under a head of water (Pa): 7 kPa per metre on a watertight bulkhead, 10 on tanks and, as a tank, on the
 * collision bulkhead.
 * Source: ISO 12215-5:2008 method, F25 to F27. Area, category and position factors do not apply.
 */
export function headPressure(location: HeadLocation, head: number, record?: Recorder, pack = SMALL_CRAFT_PACK): number {
  const perHead = pack.headPressure[location];
  const pressure = perHead * head;
  record?.({
    quantity: `Pressure on ${HEAD_WORDS[location]}`,
    symbol: 'P_{WB}',
    formula: `${kilo(perHead)}\\,h_B\\,\\text{kPa}`,
    inputs: [put('h_B', head, 'm')],
    value: pressure,
    unit: 'Pa',
    source: cite('F25 to F27'),
  });
  return pressure;
}
