import { invalid } from '../error';
import {
  checkAsSpecified,
  checkPanel,
  checkYardRule,
  isHead,
  packLimits,
  panelPressure,
  type Check,
  type PackFindings,
  type PanelCheckResult,
  type Sheet,
  type SmallCraftPack,
  type SpecifiedLayer,
  type StandardPack,
  type Trace,
} from '../standard';
import { said } from '../quantity';
import { put } from '../working';
import { craftOf, panelsToCheck, tanksOn, type Boat, type CheckedPanel, type Zone } from '../document';
import { analysisFactorOf } from './analysisFactor';
import { heldOnTrust, panelsNotChecked } from './heldBy';
import { layReference, sheetsOf, type Book, type LaidLayer } from './book';

/** A check, the pack that asks for it, and the panel of the zone where it is nearest its limit ('' for a typed one). */
export type ZoneCheck = Check & { pack: string; panel: string };

/** What sets a check, and at which panel of its zone, in words. */
export const whereGoverns = ({ governs, panel }: Pick<ZoneCheck, 'governs' | 'panel'>): string =>
  panel === '' ? governs : `${governs}, panel ${panel}`;

/** What a panel of a zone is checked with by the small-craft method. */
function methodInput({ boat, zone, book, panel, sheets, sheetsAlong }: Checked) {
  return {
    craft: craftOf(boat.brief),
    location: zone.location,
    geometry: panel.geometry,
    typed: zone.designPressure,
    overflow: zone.overflow,
    sheets,
    sheetsAlong,
    ...(panel.pressures && {
      known: panel.pressures[sheets.some(({ role }) => role === 'core') ? 'sandwich' : 'single'],
    }),
    quality: book.pack.qualityFactor[boat.brief.quality],
  };
}

/** The direction a panel bends in, across its shorter side. */
export const spanAngleOf = ({ panelBreadth, panelLength }: Zone['geometry']) => (panelBreadth <= panelLength ? 90 : 0);

/** Every panel of a zone with the stack as sheets of the pack across its span. */
export function methodPanels(boat: Boat, zone: Zone, book: Book, laid: readonly LaidLayer[]): MethodPanel[] {
  // One array each way for all panels: what follows from the stack alone is then worked out once.
  const ways = new Map<number, Sheet[]>();
  const at = (angle: number) => {
    const known = ways.get(angle) ?? sheetsOf(book, laid, angle);
    ways.set(angle, known);
    return known;
  };
  return panelsToCheck(boat, zone).map((panel) => {
    const angle = spanAngleOf(panel.geometry);
    return { panel, sheets: at(angle), sheetsAlong: at(90 - angle) };
  });
}
/** A panel, and what lies in it: by its properties across the panel, and along it. */
export interface MethodPanel {
  panel: CheckedPanel;
  sheets: readonly Sheet[];
  sheetsAlong: readonly Sheet[];
}
/** Checks of one panel by the method alone. */
export const checkByMethod = (boat: Boat, zone: Zone, book: Book, of: MethodPanel): PanelCheckResult =>
  checkPanel(methodInput({ boat, zone, book, laid: [], ...of }), undefined, book.pack);

/** Layers as a specification reads them. */
function specifiedLayers(laid: readonly LaidLayer[]): SpecifiedLayer[] {
  return laid.flatMap(({ layer, material, components, fibreMass, coreMass, woodMass }): SpecifiedLayer[] => {
    if (material.kind === 'coating' || layer.role !== 'structure') return [];
    if (material.kind === 'core')
      return [{ name: material.code, family: `core ${material.family}`, angleDeg: 0, weight: coreMass }];
    if (material.kind === 'wood')
      return [{ name: material.code, family: `wood ${material.family}`, angleDeg: layer.angleDeg, weight: woodMass }];
    const [first] = components;
    return [
      {
        name: material.code,
        family: components.map(({ fibre, form }) => `${fibre.family} ${form}`).join('+') || first!.form,
        angleDeg: layer.angleDeg,
        weight: fibreMass,
      },
    ];
  });
}

/** One check of a house pack as a step of working. */
const traceHouse = (trace: Trace | undefined, pack: StandardPack, check: Check, unit: string) =>
  trace?.(
    'result',
    {
      quantity: `Reserve factor: ${check.governs}`,
      symbol: 'RF',
      formula: '\\frac{\\text{there}}{\\text{asked}}',
      inputs: [put('\\text{there}', check.capacity, unit), put('\\text{asked}', check.demand, unit)],
      value: check.reserveFactor,
      unit: '',
      source: pack.title,
    },
    check.id,
  );

/** A panel of a zone with what is laid in it, as a pack looks at it. */
interface Checked {
  boat: Boat;
  zone: Zone;
  book: Book;
  panel: CheckedPanel;
  laid: readonly LaidLayer[];
  sheets: readonly Sheet[];
  sheetsAlong: readonly Sheet[];
}

/** Checks of one pack. The method's own result carries pressure and construction. */
export function checkPack(
  checked: Checked,
  pack: StandardPack,
  trace?: Trace,
): PackFindings & Partial<PanelCheckResult> {
  const { boat, zone, book, laid } = checked;
  switch (pack.kind) {
    case 'smallCraft':
      return checkPanel(methodInput(checked), trace, pack);
    case 'workboatUplift':
      return checkPanel(
        {
          ...methodInput(checked),
          uplift: { pressure: pack.pressureFactor, minimum: pack.minimumFactor },
        },
        trace,
        book.pack,
      );
    case 'yardRule': {
      const carrying = laid.filter(({ layer }) => layer.role === 'structure');
      if (carrying.some(({ material }) => material.kind === 'wood'))
        return { checks: [], notChecked: [`${pack.title}: it asks for fibre, and the zone is of wood`], unproven: [] };
      const plies = carrying.filter(({ material }) => material.kind === 'fabric');
      const checks = checkYardRule(pack, zone.location, {
        fibreMass: plies.reduce((sum, l) => sum + l.fibreMass, 0),
        thickness: plies.reduce((sum, l) => sum + l.thickness, 0),
      });
      checks.forEach((check) => traceHouse(trace, pack, check, check.id === 'yardFibre' ? 'kg/m²' : 'm'));
      return { checks, notChecked: [], unproven: [] };
    }
    case 'asSpecified': {
      const reference = boat.references.find(({ id }) => id === zone.specified);
      if (!reference)
        return { checks: [], notChecked: ['As specified: no schedule is given for the zone'], unproven: [] };
      const check = checkAsSpecified(pack, specifiedLayers(layReference(book, reference)), specifiedLayers(laid));
      traceHouse(trace, pack, check, '');
      return { checks: [check], notChecked: [], unproven: [] };
    }
  }
}

const refusals = new WeakMap<Boat['brief'], WeakMap<SmallCraftPack, string | null>>();
/** Why the method does not cover the boat at all; null when it does. */
function refusalOf(boat: Boat, pack: SmallCraftPack): string | null {
  const known = refusals.get(boat.brief) ?? new WeakMap<SmallCraftPack, string | null>();
  refusals.set(boat.brief, known);
  let refusal = known.get(pack);
  if (refusal === undefined) {
    refusal = packLimits(pack, craftOf(boat.brief)).find(({ severity }) => severity === 'refuse')?.text ?? null;
    known.set(pack, refusal);
  }
  return refusal;
}

/** Checks of one more panel: each kept where it is nearer its limit than on the panels before. */
function leastOf(checks: ZoneCheck[], others: readonly Check[], pack: string, panel: string): void {
  for (const check of others) {
    const other = check as ZoneCheck;
    const at = checks.findIndex((one) => one.id === other.id && one.pack === pack);
    if (at >= 0 && !(other.reserveFactor < checks[at]!.reserveFactor * (1 - 1e-9))) continue;
    other.pack = pack;
    other.panel = panel;
    if (at < 0) checks.push(other);
    else checks[at] = other;
  }
}

/**
 * Every panel of a zone against every pack of the boat: each check where it is nearest its limit, pressure and
 * construction of the panel that stands for the zone.
 */
export function checkIn(boat: Boat, zone: Zone, { book, laid }: Pick<Checked, 'book' | 'laid'>) {
  const refusal = refusalOf(boat, book.pack);
  if (refusal !== null) throw invalid('brief', refusal);
  const panels = methodPanels(boat, zone, book, laid);
  const checks: ZoneCheck[] = [];
  const typed = zone.region !== null && panels.length === 1 && panels[0]!.panel.name === '';
  const notChecked = new Set<string>(typed ? [`Panels of ${zone.name} other than the one typed in`] : []);
  if (zone.designPressure !== null) {
    notChecked.add(`The pack's own pressure: ${said(zone.designPressure, 'pressure')} are typed in its place`);
    if (!isHead(zone.location)) notChecked.add('The same from the inner face: what is typed presses from outside');
  }
  if (zone.load) notChecked.add(`Pressure on ${zone.name} together with the load that is typed for it: each by itself`);
  if (zone.load && analysisFactorOf(boat) === 1)
    notChecked.add('A factor over loads that are typed under Analysis: strength is held to them as they stand');
  if (zone.load && Math.min(zone.load.N[0], zone.load.N[1], -Math.abs(zone.load.N[2])) < 0)
    notChecked.add(`Buckling of ${zone.name} under the load that is typed for it: Analysis looks at that`);
  // A bulkhead may have been asked for the head; a tank's own zone is.
  if (zone.location !== 'tank' && !(isHead(zone.location) && zone.designPressure !== null))
    for (const { name } of tanksOn(boat, zone))
      notChecked.add(`The head of ${name}, which presses it from inside: Weights, Buoyancy and tanks, looks at that`);
  panelsNotChecked(boat, zone).forEach((text) => notChecked.add(text));
  const unproven = new Set<string>(heldOnTrust(boat, zone).unproven);
  let method: PanelCheckResult | null = null;
  for (const of of panels)
    for (const pack of boat.packs) {
      const result = checkPack({ boat, zone, book, laid, ...of }, pack);
      if (pack.kind === 'smallCraft') method ??= result as PanelCheckResult;
      leastOf(checks, result.checks, pack.id, of.panel.name);
      result.notChecked.forEach((text) => notChecked.add(text));
      result.unproven.forEach((text) => unproven.add(text));
    }
  return {
    construction: method?.construction ?? null,
    pressure: method && pressureFor(boat, zone, method.construction, book.pack),
    checks,
    notChecked: [...notChecked],
    unproven: [...unproven],
  };
}

/** The pressure on the panel that stands for a zone. */
const pressureFor = (
  boat: Boat,
  { location, geometry, designPressure: typed, overflow }: Zone,
  construction: PanelCheckResult['construction'],
  pack: SmallCraftPack,
): PanelCheckResult['pressure'] =>
  panelPressure({ craft: craftOf(boat.brief), location, geometry, construction, typed, overflow }, undefined, pack);

/**
 * The working of one pack's checks on one panel of a zone, by its name.
 */
export function traceIn(
  boat: Boat,
  zone: Zone,
  { book, laid }: Pick<Checked, 'book' | 'laid'>,
  { trace, packId, panel }: { trace: Trace; packId: string; panel: string },
): void {
  const refusal = refusalOf(boat, book.pack);
  if (refusal !== null) throw invalid('brief', refusal);
  const pack = boat.packs.find(({ id }) => id === packId);
  const panels = panelsToCheck(boat, zone);
  const one = panels.find(({ name }) => name === panel) ?? panels[0]!;
  if (!pack) return;
  const angle = spanAngleOf(one.geometry);
  const sheets = sheetsOf(book, laid, angle, trace);
  checkPack({ boat, zone, book, laid, panel: one, sheets, sheetsAlong: sheetsOf(book, laid, 90 - angle) }, pack, trace);
}
