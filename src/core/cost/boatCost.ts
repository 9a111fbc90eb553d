import type { DetailEvaluation } from '../detail/kinds';
import type { Boat, ItemKindName } from '../document';
import type { ZoneEvaluation } from '../evaluate';
import type { Material } from '../material';
import { materialList, unlisted } from '../weight';
import { workHours, WORK_STEPS, type WorkHours, type WorkStep } from './hours';
import { breakPrice, unitsOf, type Need, type Offer } from './offers';
import type { Rates } from './rates';

/** A material as it is bought for one boat. */
export interface BoughtMaterial {
  material: Material;
  thickness: number | null;
  /** As laid: m², kg. */
  area: number | null;
  mass: number;
  /** Cut away or lost (share). */
  waste: number;
  offer: Offer | null;
  /** In the unit of its price; null where the offer does not tell how much that is. */
  units: number | null;
  /** Of one unit, in the yard's money. */
  price: number | null;
  /** null where it has no price, or one in money the yard has no rate for. */
  cost: number | null;
  /** One standard deviation of the cost. */
  scatter: number;
  why: string | null;
}

export interface ConsumableUse {
  name: string;
  unit: string;
  quantity: number;
  cost: number;
}

/** What a boat costs and how long it takes. Money in the yard's currency, hours. */
export interface BoatCost {
  currency: string;
  materials: BoughtMaterial[];
  consumables: ConsumableUse[];
  hours: WorkHours[];
  totals: {
    materials: number;
    consumables: number;
    items: number;
    moulds: number;
    hours: number;
    labour: number;
    overhead: number;
    cost: number;
  };
  /** One standard deviation of the whole cost, and of the hours. */
  scatter: { cost: number; hours: number };
  /** What has no price: the total leaves it out. */
  unpriced: string[];
}

const kindWaste = (material: Material, rates: Rates, resinWaste: number): number => {
  switch (material.kind) {
    case 'fabric':
      return rates.wasteFabric;
    case 'coating':
    case 'adhesive':
      return rates.wasteCoating;
    case 'metal':
      return 0;
    case 'resin':
      return resinWaste;
    default:
      return rates.wasteCore;
  }
};

/** A price in the yard's own money; null where the yard has no rate for its currency. */
function inOwnMoney(price: number, currency: string, rates: Rates): number | null {
  if (currency === rates.currency || currency === '') return price;
  const rate = rates.exchange.find((one) => one.currency === currency)?.rate;
  return rate === undefined ? null : price * rate;
}

/** An offer of this day may still move a little. */
const OFFER_SCATTER = 0.03;

function buy(use: Need, boat: Boat, rates: Rates, offers: ReadonlyMap<string, Offer>): BoughtMaterial {
  const { material, thickness, area, mass } = use;
  const own = rates.processes[boat.brief.process];
  const offer = offers.get(material.id) ?? null;
  const onRoll = material.kind === 'fabric' && material.rollLength ? rates.rollEnd / material.rollLength.value : 0;
  const waste = (offer?.waste ?? kindWaste(material, rates, own.resinWaste)) + onRoll;
  const need: Need = { ...use, area: area === null ? null : area * (1 + waste), mass: mass * (1 + waste) };
  const common = { material, thickness, area, mass, waste, offer };
  if (offer) {
    const units = unitsOf(offer, need);
    if (units === null) {
      const why = 'its price is by roll, sheet or length, and how large that is stands nowhere';
      return { ...common, units, price: null, cost: null, scatter: 0, why };
    }
    const asked = breakPrice(offer, units * boat.brief.series);
    const price = inOwnMoney(asked, offer.currency, rates);
    if (price === null) {
      const why = `its price is in ${offer.currency}, for which the rates have no worth`;
      return { ...common, units, price: null, cost: null, scatter: 0, why };
    }
    return { ...common, units, price, cost: units * price, scatter: OFFER_SCATTER * units * price, why: null };
  }
  const generic = 'price' in material ? material.price : null;
  if (!generic) return { ...common, units: null, price: null, cost: null, scatter: 0, why: 'it has no price' };
  const units = material.kind === 'core' ? unitsOf({ by: 'volume', width: null, length: null }, need) : need.mass;
  // A core that is taken by mass alone: what fills a stiffener.
  const volume = units ?? need.mass / ('density' in material ? (material.density as { value: number }).value : 1);
  const cost = volume * generic.value;
  const scatter = (generic.origin === 'generic' ? rates.scatterGeneric : OFFER_SCATTER) * cost;
  return { ...common, units: volume, price: generic.value, cost, scatter, why: null };
}

/** What comes off again weighs nothing in the boat, and is bought all the same (kg). */
const bareMass = ({ material, area }: Need): number => {
  if (area === null || material.kind !== 'coating') return 0;
  return area * material.thickness.value * material.density.value;
};

/** People and what is used up come with their owner. */
const isBought = (kind: ItemKindName) => !['people', 'contents', 'stores'].includes(kind);

/**
 * What a boat costs and how long it takes, from its layers: materials with what is cut away and roll ends, consumables
 * of the process by the area moulded, items, moulds spread over their boats, hours by step at the yard's rate, and
 * overhead.
 *
 * What has no price is named and left out of the total. Prices scatter each on its own; hours are off alike.
 *
 * @param offers of the yard by material; a material without has its price on the Shelf.
 */
export function boatCost(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  details: readonly DetailEvaluation[],
  { rates, offers }: { rates: Rates; offers: readonly Offer[] },
): BoatCost {
  const own = rates.processes[boat.brief.process];
  const byMaterial = new Map(offers.map((offer) => [offer.material, offer]));
  const uses = materialList(boat, evaluations, details).map((use) => {
    return { ...use, mass: use.mass > 0 ? use.mass : bareMass(use) };
  });
  const materials = uses.map((use) => buy(use, boat, rates, byMaterial));
  const moulded = boat.parts.reduce((sum, { zones, number }) => {
    const laid = zones.filter(({ id }) => evaluations.get(id)!.layers.length > 0);
    return sum + number * laid.reduce((total, { geometry }) => total + geometry.area, 0);
  }, 0);
  const consumables = own.consumables.map(({ name, unit, perArea, price }) => {
    const quantity = perArea * moulded;
    return { name, unit, quantity, cost: quantity * price };
  });
  const hours = workHours(boat, evaluations, details, rates);
  const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
  const whole = sum(hours.map((one) => one.hours));
  const labour = whole * rates.labour;
  const items = sum(boat.items.map(({ price, number }) => (price ?? 0) * number));
  const moulds = sum(boat.parts.map(({ mould }) => (mould ? mould.price / mould.boats : 0)));
  const parts = {
    materials: sum(materials.map(({ cost }) => cost ?? 0)),
    consumables: sum(consumables.map(({ cost }) => cost)),
    items,
    moulds,
    labour,
    overhead: labour * rates.overhead,
  };
  const labourScatter = rates.scatterHours * labour * (1 + rates.overhead);
  const scatter = Math.hypot(
    ...materials.map((one) => one.scatter),
    rates.scatterGeneric * parts.consumables,
    ...boat.items.map(({ price, number, state }) => (price ?? 0) * number * (state === 'estimated' ? 0.2 : 0.05)),
    labourScatter,
  );
  const unpriced = [
    ...materials.flatMap(({ material, cost, why }) => (cost === null ? [`${material.name}: ${why}`] : [])),
    ...unlisted(boat, details).map(({ name }) => `${name}: the cloth in the place of its core`),
    ...boat.items.filter(({ price, kind }) => price === null && isBought(kind)).map(({ name }) => `${name}: no price`),
    ...boat.parts.flatMap(({ name, mould, zones }) => (mould === null && zones.length > 0 ? [`Mould of ${name}`] : [])),
  ];
  return {
    currency: rates.currency,
    materials,
    consumables,
    hours,
    totals: { ...parts, hours: whole, cost: sum(Object.values(parts)) },
    scatter: { cost: scatter, hours: rates.scatterHours * whole },
    unpriced,
  };
}

/** Hours of every step, all parts together, in the order of the work. */
export const hoursByStep = (hours: readonly WorkHours[]): { step: WorkStep; hours: number }[] =>
  (Object.keys(WORK_STEPS) as WorkStep[]).flatMap((step) => {
    const sum = hours.reduce((total, one) => total + (one.step === step ? one.hours : 0), 0);
    return sum > 0 ? [{ step, hours: sum }] : [];
  });

/**
 * A figure to no finer place than it is known: to a tenth of its scatter, or two digits of it where that is finer.
 * @example asKnown(34217, 2500) // 34200
 */
export function asKnown(value: number, scatter: number): number {
  if (!(Math.abs(value) > 0)) return 0;
  const finest = Math.max(scatter / 10, Math.abs(value) / 1000);
  const place = 10 ** Math.floor(Math.log10(finest));
  return Math.round(value / place) * place;
}
