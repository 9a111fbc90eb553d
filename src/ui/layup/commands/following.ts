import { nanoid } from 'nanoid';
import { keepAsLaminate, layAs, takeIntoLaminate } from '@/core/edit';
import type { Command } from './command';
import type { CommandTools } from './context';

/** A group is kept as a laminate, and follows it. */
export function following(tools: CommandTools): Command[] {
  const { act, ask, boat, group, label, laminate, noDifference, noGroup, part, run } = tools;
  return [
    {
      id: 'keep-laminate',
      group: 'Groups',
      title: 'Keep the group as a laminate, to use elsewhere',
      key: 'K',
      off: noGroup || (laminate && `it follows “${laminate.name}”`),
      run: () =>
        ask({
          label: 'Name of the laminate',
          value: `${part.name} ${group!.name.toLowerCase()}`,
          answer: (name) =>
            act(
              `kept ${group!.name} of ${part.name} as laminate ${name}`,
              ...keepAsLaminate(boat, part, group!, { id: nanoid(8), name, note: '' }),
            ),
        }),
    },
    {
      id: 'into-laminate',
      group: 'Groups',
      title: laminate
        ? `Take this change into “${laminate.name}”, wherever it is laid`
        : 'Take this change into its laminate',
      key: 'Shift+K',
      off: noDifference,
      run: () => {
        const taken = takeIntoLaminate(boat, part, group!, () => nanoid(8))!;
        const others = `${taken.follow} other ${taken.follow === 1 ? 'place follows' : 'places follow'}`;
        run(`changed laminate ${laminate!.name}, ${others}`, () => taken.edits);
      },
    },
    {
      id: 'back-to-laminate',
      group: 'Groups',
      title: laminate ? `Lay it as “${laminate.name}” says again` : 'Lay it as its laminate says again',
      key: '',
      off: noDifference,
      run: () =>
        run(label(`laid ${group!.name} as ${laminate!.name} again`), () =>
          layAs(part, group!.id, laminate!.layers, () => nanoid(8)),
        ),
    },
    {
      id: 'leave-laminate',
      group: 'Groups',
      title: 'Follow the laminate no longer',
      key: '',
      off: !laminate && 'it follows no laminate',
      run: () =>
        run(label(`parted ${group!.name} from laminate ${laminate!.name}`), () => [
          {
            type: 'part.set',
            partId: part.id,
            patch: { groups: part.groups.map((one) => (one.id === group!.id ? { ...one, laminate: null } : one)) },
          },
        ]),
    },
  ];
}
