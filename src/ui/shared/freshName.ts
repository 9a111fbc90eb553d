/** A name that no other has: 'Box', 'Box 2', … */
export function freshName(name: string, taken: readonly { name: string }[]): string {
  const names = new Set(taken.map((one) => one.name));
  for (let n = 1; ; n++) {
    const own = n === 1 ? name : `${name} ${n}`;
    if (!names.has(own)) return own;
  }
}
