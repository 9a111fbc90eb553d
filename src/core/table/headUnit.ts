/** Signs and words that part a head from the unit at its end. */
const ENCLOSED = /[([{]\s*([^)\]}]{1,24}?)\s*[)\]}]\s*$/;
const AFTER_COMMA = /[,;:]\s*([^,;:\s][^,;:]{0,20})$/;
const LAST_WORD = /\s(?:in\s+)?([^\s]{1,14})$/;

/**
 * What may be a unit at the end of a head, the likeliest first; the caller knows which of them are units.
 * @example headUnits('Areal weight (oz/yd²)') // ['oz/yd²', …]
 */
export const headUnits = (head: string): string[] =>
  [ENCLOSED, AFTER_COMMA, LAST_WORD].flatMap((pattern) => {
    const found = pattern.exec(head.trim())?.[1];
    return found ? [found.trim()] : [];
  });

/** A head without the unit that stands in brackets behind it. @example headWords('Width (mm)') // 'Width' */
export const headWords = (head: string): string => head.replace(/[([{][^)\]}]*[)\]}]/g, ' ').trim();
