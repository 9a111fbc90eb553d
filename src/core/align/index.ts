/** How straight a part stands, by what is measured to port and starboard. */
export {
  alignmentSurveySchema,
  diagonalPairSchema,
  measuredPairSchema,
  type AlignmentSurvey,
  type MeasuredPair,
} from './survey';
export { fitLine, type FittedLine } from './fitLine';
export { lineUp, type LinedUp } from './lineUp';
export { fittingAngle, type RiseOverRun } from './fittingAngle';
