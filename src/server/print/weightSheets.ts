import { boatCost, hoursByStep, WORK_STEPS, type Offer, type Rates } from '@/core/cost';
import { evaluateDetails } from '@/core/detail/kinds';
import { CONDITIONS, shapeOf, STAGES, type Boat, type Condition } from '@/core/document';
import { makeEvaluator } from '@/core/evaluate';
import { soundings } from '@/core/float';
import { bodyOfSpace, floatIn, massBand, massesOf, notCounted, swamped, type Mass } from '@/core/weight';
import { plain } from '../table/plain';
import type { Cell, Sheet } from './scheduleSheets';

const kilograms = (value: number) => Number(value.toFixed(2));
const metres = (value: number) => Number(value.toFixed(3));
const CAUTION =
  'Decision support: local codes, survey and class, and a licensed naval architect or engineer decide. ' +
  'Not checked: stability criteria of any rule.';

const upright = ({ stable }: { stable: boolean }) => (stable ? 'comes back' : 'does not come back');

function massSheet(masses: readonly Mass[]): Sheet {
  const heads = ['Group', 'What', 'Mass (kg)', '1 sd (kg)', 'Along (m)', 'To starboard (m)', 'Above baseline (m)'];
  const rows = masses.map((mass): Cell[] => [
    plain(mass.groupName),
    plain(mass.name),
    kilograms(mass.mass),
    kilograms(massBand([mass]).standardDeviation),
    ...mass.centre.map(metres),
    STAGES[mass.stage],
  ]);
  const { mass, standardDeviation, p05, p95 } = massBand(masses);
  return {
    name: 'Weights',
    rows: [
      [...heads, 'Aboard from'],
      ...rows,
      ['', 'Everything aboard', kilograms(mass), kilograms(standardDeviation)],
      ['', 'Nine in ten between', kilograms(p05), kilograms(p95)],
    ],
  };
}

function conditionSheet(boat: Boat, masses: readonly Mass[]): Sheet {
  const conditions = Object.keys(CONDITIONS) as Condition[];
  const states = conditions.map((condition) => floatIn(boat, masses, condition));
  const row = (name: string, say: (state: Exclude<(typeof states)[number], { reason: string }>) => Cell): Cell[] => [
    name,
    ...states.map((state) => ('reason' in state ? plain(state.reason) : say(state))),
  ];
  return {
    name: 'Loading conditions',
    rows: [
      ['Condition', ...conditions.map((condition) => CONDITIONS[condition])],
      row('Mass (kg)', ({ loading }) => kilograms(loading.mass)),
      row('Mass, 1 sd (kg)', ({ loading }) => kilograms(loading.band.standardDeviation)),
      row('Centre along (m)', ({ loading }) => metres(loading.centre[0])),
      row('Centre to starboard (m)', ({ loading }) => metres(loading.centre[1])),
      row('Centre above baseline (m)', ({ loading }) => metres(loading.centre[2])),
      row('Radius of gyration, roll (m)', ({ loading }) => metres(loading.radii[0])),
      row('Radius of gyration, pitch (m)', ({ loading }) => metres(loading.radii[1])),
      row('Radius of gyration, yaw (m)', ({ loading }) => metres(loading.radii[2])),
      row('Draught aft (m)', ({ draughts }) => metres(draughts.aft)),
      row('Draught amidships (m)', ({ draughts }) => metres(draughts.middle)),
      row('Draught forward (m)', ({ draughts }) => metres(draughts.fore)),
      row('Trim, bow up (deg)', ({ trimDeg }) => metres(trimDeg)),
      row('Heel, to starboard (deg)', ({ heelDeg }) => metres(heelDeg)),
      row('Least freeboard (m)', ({ least }) => metres(least.height)),
      row('at (m)', ({ least }) => metres(least.x)),
      row('Metacentric height, less slack tanks (m)', ({ gmAcross }) => metres(gmAcross)),
      row('Lost to slack tanks (m)', ({ freeSurfaceLoss }) => metres(freeSurfaceLoss)),
      row('Upright', upright),
      [CAUTION],
    ],
  };
}

function costSheet(cost: ReturnType<typeof boatCost>): Sheet {
  const { currency, totals, scatter } = cost;
  const money = (value: number) => Number(value.toFixed(0));
  return {
    name: 'Cost and hours',
    rows: [
      ['Material', 'Laid (m2)', 'Laid (kg)', 'Cut away', 'Price from', `Cost (${plain(currency)})`],
      ...cost.materials.map(({ material, area, mass, waste, offer, why, cost: own }): Cell[] => [
        plain(material.name),
        area === null ? '' : kilograms(area),
        kilograms(mass),
        metres(waste),
        plain(why ?? (offer ? `${offer.supplier} ${offer.date}` : 'Shelf')),
        own === null ? '' : money(own),
      ]),
      ...cost.consumables.map(({ name, quantity, unit, cost: own }): Cell[] => [
        plain(name),
        kilograms(quantity),
        plain(unit),
        '',
        'consumable',
        money(own),
      ]),
      [],
      ...hoursByStep(cost.hours).map(({ step, hours }): Cell[] => [WORK_STEPS[step], kilograms(hours), 'h']),
      [],
      ...Object.entries(totals).map(([name, value]): Cell[] => [name, money(value)]),
      ['1 sd of the cost', money(scatter.cost)],
      ['1 sd of the hours', money(scatter.hours)],
      ...cost.unpriced.map((what): Cell[] => ['Not in it', plain(what)]),
    ],
  };
}

function buoyancySheet(boat: Boat, masses: readonly Mass[]): Sheet {
  const { lifts, lifted, weighs, foamWanted, state } = swamped(boat, masses, { openable: false, foamDensity: 35 });
  return {
    name: 'Full of water',
    rows: [
      ['What lifts her', 'Volume (m3)', 'Lifts (kg)', 'Not counted'],
      ...lifts.map((one): Cell[] => [
        plain(one.name),
        Number(one.volume.toFixed(4)),
        one.leftOut === null ? kilograms(one.lifts) : 0,
        plain(one.leftOut ?? ''),
      ]),
      ['All of it', '', kilograms(lifted)],
      ['She weighs, in full load', '', kilograms(weighs)],
      ['Foam of 35 kg/m3 that is wanting (m3)', Number(foamWanted.toFixed(4))],
      ...('reason' in state
        ? [['At rest', plain(state.reason)]]
        : [
            ['Trim, bow up (deg)', metres(state.trimDeg)],
            ['Heel, to starboard (deg)', metres(state.heelDeg)],
            ['Deck edge over water where it is lowest (m)', metres(state.least.height)],
            ['Upright', upright(state)],
          ]),
      [CAUTION],
    ],
  };
}

/** Weights, loading conditions, cost and hours, buoyancy, and the soundings of every tank, as tables. */
export function weightSheets(boat: Boat, { rates, offers }: { rates: Rates; offers: readonly Offer[] }): Sheet[] {
  const evaluations = makeEvaluator()(boat);
  const details = evaluateDetails(boat);
  const masses = massesOf(boat, evaluations, details);
  const shape = shapeOf(boat);
  const problems = details.flatMap(({ detail, problem }) => (problem ? [{ name: detail.name, problem }] : []));
  const missing = notCounted(boat, masses, evaluations, problems);
  const tanks = boat.spaces.flatMap((space): Sheet[] => {
    if (space.kind !== 'tank' || !shape) return [];
    const table = soundings(bodyOfSpace(shape, space), 20);
    return [
      {
        name: `Soundings ${space.name}`,
        rows: [
          ['Sounding (mm)', 'Volume (L)', 'Mass (kg)', 'Full (%)'],
          ...table.map(({ sounding, volume, share }): Cell[] => [
            Number((1000 * sounding).toFixed(0)),
            Number((1000 * volume).toFixed(1)),
            kilograms(volume * space.density),
            Number((100 * share).toFixed(1)),
          ]),
        ],
      },
    ];
  });
  return [
    massSheet(masses),
    ...(missing.length > 0
      ? [{ name: 'Not counted', rows: [['Not counted'], ...missing.map(({ what }): Cell[] => [plain(what)])] }]
      : []),
    conditionSheet(boat, masses),
    costSheet(boatCost(boat, evaluations, details, { rates, offers })),
    buoyancySheet(boat, masses),
    ...tanks,
  ];
}
