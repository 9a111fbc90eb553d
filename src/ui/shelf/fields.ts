/** '0:50 45:25 -45:25' for directions with their shares in percent. */
export function writeDirections(sublayers: readonly { angleDeg: number; share: number }[]): string {
  return sublayers.map(({ angleDeg, share }) => `${angleDeg}:${Number((share * 100).toFixed(2))}`).join(' ');
}

/** The reverse; a message when it cannot be read. */
export function readDirections(text: string): { angleDeg: number; share: number }[] | string {
  const items = text
    .trim()
    .split(/[\s;]+/)
    .filter(Boolean)
    .map((item) => /^([+−-]?\d+(?:\.\d+)?)(?::(\d+(?:\.\d+)?))?$/.exec(item.replace('−', '-')));
  if (items.length === 0 || items.some((item) => item === null))
    return 'Write directions with their shares in percent, such as "0:50 45:25 -45:25".';
  return items.map((item) => ({
    angleDeg: Number(item![1]),
    share: item![2] === undefined ? 1 / items.length : Number(item![2]) / 100,
  }));
}
