import type { Additions } from '../kind';

/** A plate as broad as the bracket, knees as long as the board is high. */
export const transomAdditions: Additions<'transom'> = {
  plate: ({ clampBreadth, bracketHeight }) => ({ length: clampBreadth, breadth: bracketHeight }),
  knees: ({ height }) => ({ length: height, overlap: 0.08, preparation: 'peelAbrade', thickness: 0.018 }),
};
