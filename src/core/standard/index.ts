/** Build-standard packs: pressures, requirements, checks. */
export * from './smallCraft';
