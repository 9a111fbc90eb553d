/** Tables that other people made: where their heads are, what their columns mean, how their numbers are written. */
export type { Sheet, Table } from './sheet';
export { bare } from './bare';
export { findHeads, takeTable } from './takeTable';
export { guessColumns } from './guessColumns';
export { headUnits } from './headUnit';
export { decimalSign, numberText, type DecimalSign } from './numberText';
export { recall, rememberedSchema, signatureOf, type Remembered } from './remembered';
