/**
 * Words of a head or cell for comparing: small letters, digits and single spaces, accents dropped.
 * @example bare('Dry  Weight [g/m²]') // 'dry weight g m2'
 */
export const bare = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
