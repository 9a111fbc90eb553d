import { bare } from '../table';
import type { FabricForm } from '../material';
import { TRADE_WORDS, without } from './tradeWords';

/** What the trade's words say of a fabric: its form, its directions where they are said, and whether mat backs it. */
export interface TradeForm {
  form: FabricForm;
  /** Of a mat-backed combination, what the mat backs. */
  base: FabricForm;
  /** Degrees, in stitching order; null where nothing says. */
  directions: readonly number[] | null;
}

interface Entry {
  form: string;
  words: readonly string[];
  directions?: readonly number[];
}
/** Longest words first, so that a "chopped strand mat" is not taken for some other mat. */
const ENTRIES = (TRADE_WORDS.forms as readonly Entry[])
  .flatMap(({ form, words, directions }) =>
    words.map((word) => ({ form: form as FabricForm, word, directions: directions ?? null })),
  )
  .sort((a, b) => b.word.length - a.word.length);

const PLUS_MINUS = /(?:±|\+\s*\/\s*[-−]|\+\/-)\s*(\d{1,2})/g;
/** '0/90', '0/+45/-45', '+45/−45', '0, 45, 90, −45'. */
const LISTED = /(?<![\d.])[+−-]?\d{1,2}\s*°?(?:\s*[/,]\s*[+−-]?\d{1,2}\s*°?(?![\d.])){1,3}(?!\d)/g;
const LAID = new Set([0, 30, 45, 60, 90]);

/**
 * Directions that are written in a text, in degrees: '±45', '0/90', '0/±45', '0/+45/90/−45'.
 * @returns null where none are written.
 * @example directionsIn('Triax 90/±45, 900') // [90, 45, −45]
 */
export function directionsIn(text: string): number[] | null {
  const spread = text.replace(PLUS_MINUS, (_, angle: string) => `+${angle}/-${angle}`);
  for (const [found] of spread.matchAll(LISTED)) {
    const angles = found.split(/[/,]/).map((piece) => Number(piece.replace('−', '-').replace(/[°\s+]/g, '')));
    if (angles.every((angle) => LAID.has(Math.abs(angle))) && new Set(angles).size > 1) return angles;
  }
  return null;
}

/**
 * What form of fabric a text speaks of.
 * @returns null where no word of it is known.
 * @example formOf('Biaxial ±45 with mat') // { form: 'combination', base: 'biaxial', directions: [45, −45] }
 */
export function formOf(text: string): TradeForm | null {
  let rest = bare(text.replace(/±|\+\/-/g, ' '));
  const found: { form: FabricForm; directions: readonly number[] | null }[] = [];
  for (const { form, word, directions } of ENTRIES) {
    const left = without(rest, word);
    if (left === null) continue;
    rest = left;
    found.push({ form, directions });
  }
  const mat = found.some(({ form }) => form === 'mat' || form === 'combination');
  const base = found.find(({ form }) => form !== 'mat' && form !== 'combination');
  if (!mat && !base) return null;
  const combined = found.some(({ form }) => form === 'combination') || (mat && base !== undefined);
  const directions = directionsIn(text) ?? base?.directions ?? null;
  if (combined) return { form: 'combination', base: base?.form ?? 'combination', directions };
  return { form: base?.form ?? 'mat', base: base?.form ?? 'mat', directions };
}
