/** A lot of the store that has a last day. */
export interface DatedLot {
  /** As it stands on the roll or can. */
  lot: string;
  /** What it is of, in words. */
  material: string;
  /** The last day on which it is used, yyyy-mm-dd. */
  expires: string;
}

const plain = (text: string) => text.toLowerCase().replace(/\s+/g, ' ').trim();
const isPartOfName = (character: string | undefined) => character !== undefined && /[\p{L}\p{N}]/u.test(character);

/** Whether a lot is named in a text: as a whole, not as a part of a longer number. */
function names(text: string, lot: string): boolean {
  for (let at = text.indexOf(lot); at >= 0; at = text.indexOf(lot, at + 1))
    if (!isPartOfName(text[at - 1]) && !isPartOfName(text[at + lot.length])) return true;
  return false;
}

/**
 * Lots that a text names and whose last day is over.
 *
 * @param text lots as somebody typed them, one or several, parted as they like.
 * @param today yyyy-mm-dd, as the yard's calendar has it.
 * @returns each once, the one that is longest past first.
 * @example pastLots('R-12, K7', [{ lot: 'R-12', material: 'Polyester', expires: '2026-10-31' }], '2026-12-01')
 */
export function pastLots(text: string, dated: readonly DatedLot[], today: string): DatedLot[] {
  const typed = plain(text);
  const found = dated.filter(({ lot, expires }) => plain(lot) !== '' && expires < today && names(typed, plain(lot)));
  return [...found].sort((a, b) => (a.expires < b.expires ? -1 : Number(a.expires > b.expires)));
}
