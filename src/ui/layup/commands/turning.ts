import { mirrorLayers, turnLayers } from '@/core/edit';
import type { Command } from './command';
import { laid, type CommandTools } from './context';

/** Layers are turned and mirrored. */
export function turning(tools: CommandTools): Command[] {
  const { boat, ids, label, noTurn, part, run } = tools;
  const turn = (by: number) => run(null, () => turnLayers(boat, part, ids, by));
  return [
    { id: 'turn-15', group: 'Angle', title: 'Turn by 15°', key: ']', off: noTurn, run: () => turn(15) },
    { id: 'turn-back', group: 'Angle', title: 'Turn back by 15°', key: '[', off: noTurn, run: () => turn(-15) },
    { id: 'turn-45', group: 'Angle', title: 'Turn by 45°', key: 'T', off: noTurn, run: () => turn(45) },
    { id: 'turn-90', group: 'Angle', title: 'Turn by 90°', key: 'Shift+T', off: noTurn, run: () => turn(90) },
    {
      id: 'mirror',
      group: 'Angle',
      title: 'Mirror to the other hand: + becomes −',
      key: 'M',
      off: noTurn,
      run: () => run(label(`mirrored ${laid(ids.length)} to the other hand`), () => mirrorLayers(boat, part, ids)),
    },
  ];
}
