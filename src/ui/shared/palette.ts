/**
 * The colours of the product, once. Drawings name them as `var(--ink)`; charts and hatches, which are drawn on a canvas
 * or into an image, take them from here. A test holds the style sheet to this list.
 */
export const PALETTE = {
  ink: '#2b2622',
  soft: '#5f574d',
  paper: '#faf6ee',
  card: '#fffdf8',
  clay: '#9a4527',
  'clay-deep': '#7c3519',
  line: '#d9cfbf',
  faint: '#e5dccd',
  grey: '#8a8278',
  blush: '#f6d9cc',
  straw: '#f7efdc',
  sand: '#b79f66',
  water: '#1b5e6f',
  fails: '#9b1c31',
  thin: '#7a5200',
  meets: '#1b5e6f',
  ample: '#47565a',
  over: '#e6c9a6',
  'in-hand': '#bcd6db',
  fibre: '#6b6156',
  resin: '#c9a27c',
  core: '#efe1c3',
  coating: '#ffffff',
  steel: '#8b989b',
  'steel-pale': '#dfe3e5',
} as const;
export type Colour = keyof typeof PALETTE;
