import type { FlowNetwork } from './network';

/** Nodes of a kind that hang together through neighbours of that kind: each such place once. */
export function hangingTogether(
  { starts, neighbours }: Pick<FlowNetwork, 'starts' | 'neighbours'>,
  isOne: (node: number) => boolean,
): number[][] {
  const seen = new Uint8Array(starts.length - 1);
  const places: number[][] = [];
  for (let i = 0; i < seen.length; i++) {
    if (seen[i] || !isOne(i)) continue;
    const nodes = [i];
    seen[i] = 1;
    // The list grows while it is walked.
    for (const own of nodes)
      for (let k = starts[own]!; k < starts[own + 1]!; k++) {
        const j = neighbours[k]!;
        if (seen[j] || !isOne(j)) continue;
        seen[j] = 1;
        nodes.push(j);
      }
    places.push(nodes);
  }
  return places;
}
