import { nanoid } from 'nanoid';
import { groupLayers, repeatGroup, repeatOf, ungroup, usualGroup } from '@/core/edit';
import { GROUP_KINDS, type GroupKind } from '@/core/document';
import type { Command } from './command';
import { laid, refusalOf, type CommandTools } from './context';

/** Layers form groups. */
export function grouping(tools: CommandTools): Command[] {
  const { act, ask, boat, group, ids, label, noGroup, none, part, run } = tools;
  const groupRows = part.layers.flatMap(({ group: id }, at) => (id !== null && id === group?.id ? [at] : []));
  return [
    {
      id: 'group',
      group: 'Groups',
      title: 'Group under a name',
      key: 'G',
      off: none,
      run: () => {
        const usual = usualGroup(boat, part, ids);
        ask({
          label: `Name of the group of ${laid(ids.length)}`,
          value: usual.name,
          option: usual.kind,
          options: GROUP_KINDS,
          answer: (name, kind) => {
            const named = name || GROUP_KINDS[kind as GroupKind];
            return act(
              label(`grouped ${laid(ids.length)} as ${named}`),
              ...groupLayers(part, ids, { id: nanoid(8), name: named, kind: kind as GroupKind, laminate: null }),
            );
          },
        });
      },
    },
    {
      id: 'rename-group',
      group: 'Groups',
      title: 'Rename the group',
      key: '',
      off: noGroup,
      run: () =>
        ask({
          label: 'Name of the group',
          value: group!.name,
          option: group!.kind,
          options: GROUP_KINDS,
          answer: (name, kind) =>
            name
              ? act(label(`named the group ${name}`), {
                  type: 'part.set',
                  partId: part.id,
                  patch: {
                    groups: part.groups.map((one) =>
                      one.id === group!.id ? { ...one, name, kind: kind as GroupKind } : one,
                    ),
                  },
                })
              : 'Give the group a name',
        }),
    },
    {
      id: 'ungroup',
      group: 'Groups',
      title: 'Dissolve the group',
      key: 'Shift+G',
      off: noGroup,
      run: () => run(label(`dissolved the group ${group!.name}`), () => ungroup(part, group!.id)),
    },
    {
      id: 'repeat',
      group: 'Groups',
      title: 'Repeat the group so many times',
      key: 'R',
      off: noGroup,
      run: () =>
        ask({
          label: `${group!.name}: how many times?`,
          value: String(repeatOf(part.layers.filter((layer) => layer.group === group!.id)).times + 1),
          answer: (text) => {
            const edits = refusalOf(() => repeatGroup(part, group!.id, Number(text), () => nanoid(8)));
            if (typeof edits === 'string') return edits;
            if (edits.length === 0) return 'It is laid so many times already';
            return act(label(`laid ${group!.name} ×${text}`), ...edits);
          },
        }),
    },
    {
      id: 'select-group',
      group: 'Groups',
      title: 'Select the layers of the group',
      key: 'A',
      off: noGroup,
      run: () => tools.selectRows(groupRows[0]!, groupRows.at(-1)!),
    },
  ];
}
