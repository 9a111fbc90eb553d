/** The shop around the builds: moulds, hands, tools, what is used up, and what a series comes to. */
export { mayNotWork, shopSchema, USED_PER, USUAL_SHOP, type Consumable, type Mould, type Shop } from './shop';
export {
  MOULD_EVENTS,
  standingFacts,
  TOOL_EVENTS,
  yardFactSchema,
  type KeptYardFact,
  type YardFact,
  type YardFactKind,
} from './yardFact';
export {
  LEARNABLES,
  learnable,
  LEARNED_FORMS,
  LEARNED_RATES,
  type LearnedForm,
  type LearnedProperty,
  type LearnedRate,
  type LearnedUse,
} from './learnable';
export { mouldStates, type MouldState } from './mouldStates';
export { mouldTurn, type MouldTurn, type Week } from './turn';
export { seriesRate, type SeriesRate } from './seriesRate';
export { toolLives, type ToolLife } from './toolLives';
export { consumption, type ConsumableState } from './consumption';
export { messyWork, type MessyWork } from './messyWork';
export { shopState, type Series, type ShopState } from './shopState';
