/** Build-standard packs: pressures, requirements, checks. */
export * from './smallCraft';
export {
  coefficientLabel,
  coefficientsOf,
  PACK_KINDS,
  packDifference,
  type PackChange,
  packFromJson,
  packSchema,
  packStatus,
  packToJson,
  SHIPPED_PACKS,
  withCoefficient,
  type AsSpecified,
  type StandardPack,
  type WorkboatUplift,
  type YardRule,
} from './packs';
export { packLimits, type PackLimit } from './limits';
export { checkAsSpecified, checkYardRule, type SpecifiedLayer } from './houseChecks';
export { caseOf, FORMULAS, meantBy, type CoefficientMeaning, type FormulaGroup } from './formulas';
