/** An id made from a name: small letters, digits, hyphens. @example slug('Estuary ±45, 610') // 'estuary-45-610' */
export function slug(name: string): string {
  const own = name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 50);
  return own.length < 2 ? `material${own && `-${own}`}` : own;
}
