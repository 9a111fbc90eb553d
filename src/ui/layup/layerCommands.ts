import { nanoid } from 'nanoid';
import { hasDirection, type LayerMaterial } from '@/core/material';
import {
  coverCells,
  duplicateLayers,
  flipLayers,
  groupLayers,
  keepAsLaminate,
  layAs,
  makeSymmetric,
  mirrorLayers,
  mirrorPart,
  repeatGroup,
  repeatOf,
  shiftLayers,
  takeIntoLaminate,
  turnLayers,
  ungroup,
  usesOf,
  usualGroup,
  type Edit,
} from '@/core/edit';
import { GROUP_KINDS, LAYER_ROLES, type Boat, type GroupKind, type LayerRole, type Part } from '@/core/document';
import { KeramosError } from '@/core/error';
import type { Question } from './AskBar';
import type { Command } from './commands';

export interface CommandContext {
  boat: Boat;
  part: Part;
  /** Rows in laying order; at least the one of the cursor, unless nothing is laid. */
  ids: readonly string[];
  row: number;
  /** Zones selected, or the one shown when the cursor stands before them. */
  zoneIds: readonly string[];
  inZones: boolean;
  act: (label: string | null, ...edits: Edit[]) => string | undefined;
  say: (text: string | undefined) => void;
  ask: (question: Question) => void;
  moveRow: (by: number) => void;
  pick: (how: 'replace' | 'add') => void;
  view: (to: 'grid' | 'section' | 'book') => void;
  selectRows: (from: number, to: number) => void;
  step: (which: 'lightest' | 'strongest') => void;
  tryFirst: boolean;
  setTryFirst: (on: boolean) => void;
  trial: boolean;
  keep: () => void;
  drop: () => void;
  palette: () => void;
  cut: () => void;
  partSettings: () => void;
  showPart: (id: string) => void;
}

const count = (n: number) => (n === 1 ? 'the layer' : `${n} layers`);
const laid = (n: number) => `${n} ${n === 1 ? 'layer' : 'layers'}`;

/** Everything that can be done in the grid, with its key, for what is selected. */
export function layerCommands(c: CommandContext): Command[] {
  const { boat, part, ids } = c;
  const chosen = part.layers.filter(({ id }) => ids.includes(id));
  const first = chosen[0];
  const none = chosen.length === 0 && 'nothing is laid yet';
  const materialOf = (id: string) => boat.materials.find((material) => material.id === id) as LayerMaterial;
  const turns = chosen.some((layer) => hasDirection(materialOf(layer.material)));
  const noTurn = none || (!turns && 'it has no direction');
  const group = part.groups.find(({ id }) => id === first?.group);
  const groupRows = part.layers.flatMap(({ group: id }, at) => (id !== null && id === group?.id ? [at] : []));
  const laminate = boat.references.find(({ id }) => id === group?.laminate);
  const laminateDiffers =
    laminate !== undefined && usesOf(boat, laminate).some(({ groupId, differs }) => groupId === group!.id && differs);

  /** Do what may refuse while it is put together as well as when it is applied. */
  const run = (label: string | null, make: () => Edit[]) => {
    try {
      const edits = make();
      c.say(edits.length === 0 ? 'That changes nothing here.' : c.act(label, ...edits));
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      c.say(error.message);
    }
  };
  const turn = (by: number) => run(null, () => turnLayers(boat, part, ids, by));
  const cover = (zones: readonly string[]) => {
    const covered = !chosen.every((layer) => zones.every((zone) => layer.zones.includes(zone)));
    run(null, () => coverCells(part, ids, zones, covered));
  };
  const role = (to: LayerRole) =>
    run(null, () =>
      chosen
        .filter((layer) => layer.role !== to)
        .map((layer) => ({ type: 'layer.set', layerId: layer.id, patch: { role: to } })),
    );
  const label = (what: string) => `${what} in ${part.name}`;

  const commands: Command[] = [
    {
      id: 'palette',
      group: 'View',
      title: 'Show everything that can be done',
      key: 'Ctrl+K',
      run: c.palette,
      leaves: true,
    },
    {
      id: 'add',
      group: 'Layers',
      title: 'Add a layer after this one',
      key: 'N',
      run: () => c.pick('add'),
      leaves: true,
    },
    {
      id: 'add-insert',
      group: 'Layers',
      title: 'Add a layer after this one',
      key: 'Insert',
      run: () => c.pick('add'),
      leaves: true,
    },
    {
      id: 'choose',
      group: 'Layers',
      title: 'Choose its material (or type its name on the Layer column)',
      key: '',
      off: none,
      run: () => c.pick('replace'),
      leaves: true,
    },
    {
      id: 'duplicate',
      group: 'Layers',
      title: `Duplicate ${count(ids.length)}`,
      key: 'D',
      off: none,
      run: () => {
        run(null, () => duplicateLayers(part, ids, () => nanoid(8)));
        c.moveRow(ids.length);
      },
    },
    {
      id: 'remove',
      group: 'Layers',
      title: `Remove ${count(ids.length)}`,
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
      run: c.cut,
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
        c.moveRow(-1);
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
        c.moveRow(1);
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
      run: () => c.selectRows(0, part.layers.length - 1),
    },
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
    {
      id: 'cover',
      group: 'Cover',
      title: 'Cover or uncover the selected cells',
      key: 'Space',
      off: none || (!c.inZones && 'stand on a zone'),
      run: () => cover(c.zoneIds),
    },
    {
      id: 'fill',
      group: 'Cover',
      title: 'Fill across every zone, or take out of every zone',
      key: 'F',
      off: none,
      run: () => cover(part.zones.map(({ id }) => id)),
    },
    {
      id: 'group',
      group: 'Groups',
      title: 'Group under a name',
      key: 'G',
      off: none,
      leaves: true,
      run: () => {
        const usual = usualGroup(boat, part, ids);
        c.ask({
          label: `Name of the group of ${laid(ids.length)}`,
          value: usual.name,
          option: usual.kind,
          options: GROUP_KINDS,
          answer: (name, kind) => {
            const named = name || GROUP_KINDS[kind as GroupKind];
            return c.act(
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
      off: !group && 'it is in no group',
      leaves: true,
      run: () =>
        c.ask({
          label: 'Name of the group',
          value: group!.name,
          option: group!.kind,
          options: GROUP_KINDS,
          answer: (name, kind) =>
            name
              ? c.act(label(`named the group ${name}`), {
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
      off: !group && 'it is in no group',
      run: () => run(label(`dissolved the group ${group!.name}`), () => ungroup(part, group!.id)),
    },
    {
      id: 'repeat',
      group: 'Groups',
      title: 'Repeat the group so many times',
      key: 'R',
      off: !group && 'it is in no group',
      leaves: true,
      run: () =>
        c.ask({
          label: `${group!.name}: how many times?`,
          value: String(repeatOf(part.layers.filter((layer) => layer.group === group!.id)).times + 1),
          answer: (text) => {
            try {
              const edits = repeatGroup(part, group!.id, Number(text), () => nanoid(8));
              return edits.length === 0
                ? 'It is laid so many times already'
                : c.act(label(`laid ${group!.name} ×${text}`), ...edits);
            } catch (error) {
              if (!(error instanceof KeramosError)) throw error;
              return error.message;
            }
          },
        }),
    },
    {
      id: 'select-group',
      group: 'Groups',
      title: 'Select the layers of the group',
      key: 'A',
      off: !group && 'it is in no group',
      run: () => c.selectRows(groupRows[0]!, groupRows.at(-1)!),
    },
    {
      id: 'keep-laminate',
      group: 'Groups',
      title: 'Keep the group as a laminate, to use elsewhere',
      key: 'K',
      off: (!group && 'it is in no group') || (laminate && `it follows “${laminate.name}”`),
      leaves: true,
      run: () =>
        c.ask({
          label: 'Name of the laminate',
          value: `${part.name} ${group!.name.toLowerCase()}`,
          answer: (name) =>
            c.act(
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
      off: (!laminate && 'it follows no laminate') || (!laminateDiffers && 'it does not differ'),
      run: () => {
        const taken = takeIntoLaminate(boat, part, group!, () => nanoid(8))!;
        run(
          `changed laminate ${laminate!.name}, ${taken.follow} other ${taken.follow === 1 ? 'place follows' : 'places follow'}`,
          () => taken.edits,
        );
      },
    },
    {
      id: 'back-to-laminate',
      group: 'Groups',
      title: laminate ? `Lay it as “${laminate.name}” says again` : 'Lay it as its laminate says again',
      key: '',
      off: (!laminate && 'it follows no laminate') || (!laminateDiffers && 'it does not differ'),
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
    ...(Object.keys(LAYER_ROLES) as LayerRole[]).map((to): Command => ({
      id: `role-${to}`,
      group: 'Layers',
      title: {
        structure: 'Count as structure',
        sacrificial: 'Sacrificial: weighs, is ground back, carries nothing',
        comesOff: 'Comes off again, like peel ply: neither weight nor strength',
      }[to],
      key: '',
      off: none || (chosen.every((layer) => layer.role === to) && 'it is so already'),
      run: () => role(to),
    })),
    {
      id: 'lightest',
      group: 'Judge',
      title: 'Lightest next step in the zone shown, on trial',
      key: 'L',
      off: none,
      run: () => c.step('lightest'),
    },
    {
      id: 'strongest',
      group: 'Judge',
      title: 'Strongest next step in the zone shown, on trial',
      key: 'Shift+L',
      off: none,
      run: () => c.step('strongest'),
    },
    {
      id: 'try-first',
      group: 'Judge',
      title: c.tryFirst ? 'Take changes at once again' : 'Try changes first: show the difference before they are taken',
      key: 'P',
      run: () => c.setTryFirst(!c.tryFirst),
    },
    {
      id: 'keep',
      group: 'Judge',
      title: 'Keep what is shown on trial',
      key: 'Ctrl+Enter',
      off: !c.trial && 'nothing is on trial',
      run: c.keep,
    },
    {
      id: 'drop',
      group: 'Judge',
      title: 'Drop what is shown on trial',
      key: 'Escape',
      off: !c.trial && 'nothing is on trial',
      run: c.drop,
    },
    { id: 'view-grid', group: 'View', title: 'Layers by zones', key: 'Alt+1', run: () => c.view('grid') },
    {
      id: 'view-section',
      group: 'View',
      title: 'Section, lines and drop-offs',
      key: 'Alt+2',
      run: () => c.view('section'),
    },
    { id: 'view-book', group: 'View', title: 'Book of laminates', key: 'Alt+3', run: () => c.view('book') },
    {
      id: 'part-settings',
      group: 'View',
      title: 'Hands, number-off, drop-off ratio of the part',
      key: '',
      run: c.partSettings,
      leaves: true,
    },
    {
      id: 'mirror-part',
      group: 'Layers',
      title: `Make the other hand of ${part.name} as a part of its own`,
      key: '',
      leaves: true,
      run: () =>
        c.ask({
          label: 'Name of the mirrored part',
          value: /port/i.test(part.name)
            ? part.name.replace(/port/i, 'starboard')
            : /starboard/i.test(part.name)
              ? part.name.replace(/starboard/i, 'port')
              : `${part.name}, other hand`,
          answer: (name) => {
            const mirrored = mirrorPart(part, name, () => nanoid(8));
            const said = c.act(`mirrored ${part.name} as ${name}`, {
              type: 'part.add',
              part: mirrored,
              index: boat.parts.indexOf(part) + 1,
            });
            if (!said) c.showPart(mirrored.id);
            return said;
          },
        }),
    },
  ];
  return commands;
}
