/** What a boat costs and how long it takes. */
export { asKnown, boatCost, hoursByStep, type BoatCost, type BoughtMaterial, type ConsumableUse } from './boatCost';
export { layerCosts, type LayerCost } from './layerCosts';
export { boatInShort, type BoatInShort } from './inShort';
export { hoursOfLayer, hoursPerArea, shapeFactor, WORK_STEPS, workHours, type WorkHours, type WorkStep } from './hours';
export {
  breakPrice,
  OFFER_LASTS,
  offerSchema,
  PRICED_BY,
  priceListSchema,
  unitsOf,
  type Need,
  type Offer,
  type PricedBy,
  type PriceList,
} from './offers';
export { processRatesSchema, ratesSchema, USUAL_RATES, type Consumable, type ProcessRates, type Rates } from './rates';
