/** Long computations as generators of progress, and answers that are worked out once. */
export { runInSlices, runToEnd, type Job, type Progress, type SliceOptions } from './job';
export { remembered } from './remembered';
