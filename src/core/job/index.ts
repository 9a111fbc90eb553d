/** Long computations as generators of progress. */
export { runInSlices, runToEnd, type Job, type Progress, type SliceOptions } from './job';
