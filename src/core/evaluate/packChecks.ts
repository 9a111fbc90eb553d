import { invalid } from '../error';
import {
  checkAsSpecified,
  checkPanel,
  checkYardRule,
  packLimits,
  type Check,
  type PanelCheckResult,
  type Sheet,
  type SmallCraftPack,
  type SpecifiedLayer,
  type StandardPack,
  type Trace,
} from '../standard';
import { put } from '../working';
import { type Boat, type Zone, craftOf } from '../document';
import { layReference, sheetsOf, type Book, type LaidLayer } from './book';

/** A check, and the pack that asks for it. */
export type ZoneCheck = Check & { pack: string };

/** What a zone's panel is checked with by the small-craft method. */
function methodInput(boat: Boat, zone: Zone, book: Book, sheets: readonly Sheet[]) {
  return {
    craft: craftOf(boat.brief),
    location: zone.location,
    geometry: zone.geometry,
    sheets,
    quality: book.pack.qualityFactor[boat.brief.quality],
  };
}

/** The direction the panel bends in, across its shorter side. */
const spanAngleOf = ({ panelBreadth, panelLength }: Zone['geometry']) => (panelBreadth <= panelLength ? 90 : 0);

/** A zone's stack as sheets of the pack across its span, and its checks by the method alone. */
export function methodSheets(zone: Zone, book: Book, laid: readonly LaidLayer[]): Sheet[] {
  return sheetsOf(book, laid, spanAngleOf(zone.geometry));
}
export const checkByMethod = (boat: Boat, zone: Zone, book: Book, sheets: readonly Sheet[]): PanelCheckResult =>
  checkPanel(methodInput(boat, zone, book, sheets), undefined, book.pack);

/** Layers as a specification reads them. */
function specifiedLayers(laid: readonly LaidLayer[]): SpecifiedLayer[] {
  return laid.flatMap(({ layer, material, components, fibreMass, coreMass }): SpecifiedLayer[] => {
    if (material.kind === 'coating' || layer.role !== 'structure') return [];
    if (material.kind === 'core')
      return [{ name: material.code, family: `core ${material.family}`, angleDeg: 0, weight: coreMass }];
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

/** A zone with what is laid in it, as a pack looks at it. */
interface Checked {
  boat: Boat;
  zone: Zone;
  book: Book;
  laid: readonly LaidLayer[];
  sheets: readonly Sheet[];
}

/** Checks of one pack. The method's own result carries pressure and construction. */
function checkPack(
  { boat, zone, book, laid, sheets }: Checked,
  pack: StandardPack,
  trace?: Trace,
): Pick<PanelCheckResult, 'checks' | 'notChecked'> & Partial<PanelCheckResult> {
  switch (pack.kind) {
    case 'smallCraft':
      return checkPanel(methodInput(boat, zone, book, sheets), trace, pack);
    case 'workboatUplift':
      return checkPanel(
        {
          ...methodInput(boat, zone, book, sheets),
          uplift: { pressure: pack.pressureFactor, minimum: pack.minimumFactor },
        },
        trace,
        book.pack,
      );
    case 'yardRule': {
      const plies = laid.filter(({ material, layer }) => material.kind === 'fabric' && layer.role === 'structure');
      const checks = checkYardRule(pack, zone.location, {
        fibreMass: plies.reduce((sum, l) => sum + l.fibreMass, 0),
        thickness: plies.reduce((sum, l) => sum + l.thickness, 0),
      });
      checks.forEach((check) => traceHouse(trace, pack, check, check.id === 'yardFibre' ? 'kg/m²' : 'm'));
      return { checks, notChecked: [] };
    }
    case 'asSpecified': {
      const reference = boat.references.find(({ id }) => id === zone.specified);
      if (!reference) return { checks: [], notChecked: ['As specified: no schedule is given for the zone'] };
      const check = checkAsSpecified(pack, specifiedLayers(layReference(book, reference)), specifiedLayers(laid));
      traceHouse(trace, pack, check, '');
      return { checks: [check], notChecked: [] };
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

/** A zone against every pack of the boat, or against one of them with its working. */
export function checkIn(
  boat: Boat,
  zone: Zone,
  { book, laid }: Pick<Checked, 'book' | 'laid'>,
  { trace, only }: { trace?: Trace; only?: string } = {},
) {
  const refusal = refusalOf(boat, book.pack);
  if (refusal !== null) throw invalid('brief', refusal);
  const sheets = sheetsOf(book, laid, spanAngleOf(zone.geometry), trace);
  let method: PanelCheckResult | null = null;
  const checks: ZoneCheck[] = [];
  const notChecked = new Set<string>();
  for (const pack of boat.packs) {
    if (only !== undefined && pack.id !== only) continue;
    const result = checkPack({ boat, zone, book, laid, sheets }, pack, trace);
    if (pack.kind === 'smallCraft') method ??= result as PanelCheckResult;
    checks.push(...result.checks.map((check) => ({ ...check, pack: pack.id })));
    result.notChecked.forEach((text) => notChecked.add(text));
  }
  return {
    construction: method?.construction ?? null,
    pressure: method?.pressure ?? null,
    checks,
    notChecked: [...notChecked],
  };
}
