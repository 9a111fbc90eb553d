/** Units, parsing what people type, formatting what they read. */
export { displayUnit, QUANTITIES, type DisplayUnit, type QuantityKind, type UnitSystem } from './units';
export { parseQuantity, type ParsedQuantity } from './parse';
export { sayRange, takeInRange } from './range';
export { said, saidExactly, saidLength, wordsIn } from './words';
export {
  formatDifference,
  formatForEntry,
  formatNumber,
  formatSigned,
  formatMargin,
  formatQuantity,
  formatReserve,
  reaches,
  shownReserve,
  formatWithUnit,
  formatWorkingValue,
  inUnit,
} from './format';
