export const MERROW_FILE = 'data/demo/merrow-84.json';
export const BRANT_FILE = 'data/demo/brant-56.json';
