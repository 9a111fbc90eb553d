import { coverCells } from '@/core/edit';
import type { Command } from './command';
import type { CommandTools } from './context';

/** Layers cover zones. */
export function covering(tools: CommandTools): Command[] {
  const { chosen, ids, run, inZones, none, part, zoneIds } = tools;
  const cover = (zones: readonly string[]) => {
    const covered = !chosen.every((layer) => zones.every((zone) => layer.zones.includes(zone)));
    run(null, () => coverCells(part, ids, zones, covered));
  };
  return [
    {
      id: 'cover',
      group: 'Cover',
      title: 'Cover or uncover the selected cells',
      key: 'Space',
      off: none || (!inZones && 'stand on a zone'),
      run: () => cover(zoneIds),
    },
    {
      id: 'fill',
      group: 'Cover',
      title: 'Fill across every zone, or take out of every zone',
      key: 'F',
      off: none,
      run: () => cover(part.zones.map(({ id }) => id)),
    },
  ];
}
