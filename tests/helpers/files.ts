export const MERROW_FILE = 'data/demo/merrow-84.json';
