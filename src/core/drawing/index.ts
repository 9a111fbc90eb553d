export { lineThrough, ringThrough } from './lineThrough';
export { boatDrawingModel, LABEL, labelsOf, WIDTH, type Area, type BoatDrawingModel } from './boatDrawingModel';
export { boatDrawingSvg } from './boatDrawingSvg';
export { zoneLimits } from './zoneLimits';
