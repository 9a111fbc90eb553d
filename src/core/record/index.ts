/** What readings say: means and bands, limits of chance, outliers, leaks, stiffness. */
export { posterior, type Normal } from './posterior';
export { toleranceBound, toleranceFactor } from './toleranceBound';
export { control } from './control';
export { outlier } from './outlier';
export { leak } from './leak';
export { stiffness } from './stiffness';
export { sampleOf } from './sample';
export { MOST_POINTS, readCurve, sayPoint } from './readCurve';
export { welch } from './welch';
export { proofResult, type ProofResult } from './proofResult';
export { proofWords } from './proofWords';
