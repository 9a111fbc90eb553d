import { nanoid } from 'nanoid';
import { duplicateLayers, flipLayers, makeSymmetric, mirrorPart, shiftLayers } from '@/core/edit';
import type { Command } from './command';
import { laid, type CommandTools } from './context';

/** The name of the same part to the other hand. */
function otherHand(name: string): string {
  if (/port/i.test(name)) return name.replace(/port/i, 'starboard');
  if (/starboard/i.test(name)) return name.replace(/starboard/i, 'port');
  return `${name}, other hand`;
}

/** Layers come, go and change places. */
export function layering(tools: CommandTools): Command[] {
  const { act, ask, boat, ids, label, none, part, run } = tools;
  const counted = ids.length === 1 ? 'the layer' : laid(ids.length);
  return [
    {
      id: 'add',
      group: 'Layers',
      title: 'Add a layer after this one',
      key: 'N',
      run: () => tools.pick('add'),
    },
    {
      id: 'add-insert',
      group: 'Layers',
      title: 'Add a layer after this one',
      key: 'Insert',
      run: () => tools.pick('add'),
    },
    {
      id: 'choose',
      group: 'Layers',
      title: 'Choose its material (or type its name on the Layer column)',
      key: '',
      off: none,
      run: () => tools.pick('replace'),
    },
    {
      id: 'swap',
      group: 'Layers',
      title: 'Swap a material in layers, the part or the boat, with what it does',
      key: '',
      off: none,
      run: tools.swap,
    },
    {
      id: 'duplicate',
      group: 'Layers',
      title: `Duplicate ${counted}`,
      key: 'D',
      off: none,
      run: () => {
        run(null, () => duplicateLayers(part, ids, () => nanoid(8)));
        tools.moveRow(ids.length);
      },
    },
    {
      id: 'remove',
      group: 'Layers',
      title: `Remove ${counted}`,
      key: 'Delete',
      off: none,
      run: () => run(null, () => ids.map((layerId) => ({ type: 'layer.remove', layerId }))),
    },
    {
      id: 'cut',
      group: 'Layers',
      title: 'Cut, to paste elsewhere or in a spreadsheet',
      key: '',
      off: none,
      run: tools.cut,
    },
    {
      id: 'up',
      group: 'Layers',
      title: 'Move towards the mould face',
      key: 'Alt+ArrowUp',
      off: none,
      run: () => {
        run(ids.length > 1 ? `moved ${laid(ids.length)} of ${part.name} towards the mould face` : null, () =>
          shiftLayers(part, ids, -1),
        );
        tools.moveRow(-1);
      },
    },
    {
      id: 'down',
      group: 'Layers',
      title: 'Move away from the mould face',
      key: 'Alt+ArrowDown',
      off: none,
      run: () => {
        run(ids.length > 1 ? `moved ${laid(ids.length)} of ${part.name} away from the mould face` : null, () =>
          shiftLayers(part, ids, 1),
        );
        tools.moveRow(1);
      },
    },
    {
      id: 'symmetric',
      group: 'Layers',
      title: 'Make symmetric: lay the mirror image after them',
      key: 'S',
      off: none,
      run: () =>
        run(label(`made ${laid(ids.length)} symmetric`), () => makeSymmetric(boat, part, ids, () => nanoid(8))),
    },
    {
      id: 'flip',
      group: 'Layers',
      title: 'Flip: turn their order about',
      key: 'V',
      off: none || (ids.length < 2 && 'select two layers or more'),
      run: () => run(label(`flipped ${laid(ids.length)}`), () => flipLayers(part, ids)),
    },
    {
      id: 'select-all',
      group: 'Layers',
      title: 'Select every layer',
      key: 'Ctrl+A',
      off: none,
      run: () => tools.selectRows(0, part.layers.length - 1),
    },
    {
      id: 'mirror-part',
      group: 'Layers',
      title: `Make the other hand of ${part.name} as a part of its own`,
      key: '',
      run: () =>
        ask({
          label: 'Name of the mirrored part',
          value: otherHand(part.name),
          answer: (name) => {
            const mirrored = mirrorPart(part, name, () => nanoid(8));
            const said = act(`mirrored ${part.name} as ${name}`, {
              type: 'part.add',
              part: mirrored,
              index: boat.parts.indexOf(part) + 1,
            });
            if (!said) tools.showPart(mirrored.id);
            return said;
          },
        }),
    },
  ];
}
