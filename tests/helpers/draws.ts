import fc from 'fast-check';

/**
 * Properties are tried on the same draws in every run, so that a failure is the doing of what was changed. `DRAWS=7`
 * tries others. A property that fails ends at once, with the draw; `SHRINK=1` looks for the smallest that fails.
 */
fc.configureGlobal({ seed: Number(process.env.DRAWS ?? 84), endOnFailure: !process.env.SHRINK });
