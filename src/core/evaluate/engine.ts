/**
 * Version of what computes: goes up whenever a figure of an unchanged boat changes. A revision keeps the one it was
 * issued with, and a test holds the figures of the demo boats to it.
 */
export const ENGINE = '2026.12.4';
