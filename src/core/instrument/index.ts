/** What instruments say, line by line: read, judged, and simulated. */
export { MEASURED, type MeasuredQuantity } from './quantities';
export { LINE_LIMIT, readLine, type Flag, type ReadLine } from './readLine';
export { judgeChannel, newChannel, STALE, takeFigure, type Channel, type ChannelState } from './channel';
export { BENCH, benchLines, FAULTS, type Fault } from './bench';
export { mixing, type MixingState } from './mixing';
export type { ChannelNow, InstrumentsNow } from './now';
