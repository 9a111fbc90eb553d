import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { brant, merrow } from '../../../../tests/helpers/merrow';
import { checkBoat, type Boat, type Part } from '@/core/document';
import { applyEdits, describeEdits, type Edit } from '@/core/edit';
import { KeramosError } from '@/core/error';
import { layerCommands, shownKey, type Command, type CommandContext } from './index';

type Question = Parameters<CommandContext['ask']>[0];

/** A boat under the commands: what they act on, what they ask, what they say. */
class Desk {
  boat: Boat;
  part: Part;
  ids: string[];
  zoneIds: string[] = [];
  said: string[] = [];
  asked: Question[] = [];
  undo: Edit[][] = [];
  readonly other = {
    pick: vi.fn(),
    view: vi.fn(),
    step: vi.fn(),
    keep: vi.fn(),
    drop: vi.fn(),
    palette: vi.fn(),
    cut: vi.fn(),
    partSettings: vi.fn(),
    swap: vi.fn(),
    setTryFirst: vi.fn(),
  };
  trial = false;

  constructor(boat: Boat, partName: string, rows: readonly number[] = [0]) {
    this.boat = boat;
    this.part = boat.parts.find(({ name }) => name === partName)!;
    this.ids = rows.flatMap((row) => this.part.layers[row]?.id ?? []);
  }

  act = (_label: string | null, ...edits: Edit[]): string | undefined => {
    try {
      const before = this.boat;
      const { boat, inverse } = applyEdits(before, edits);
      expect(describeEdits(before, edits)).not.toBe('');
      this.undo.push(inverse);
      this.boat = boat;
      this.part = boat.parts.find(({ id }) => id === this.part.id)!;
      this.ids = this.ids.filter((id) => this.part.layers.some((layer) => layer.id === id));
      return undefined;
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return error.message;
    }
  };

  commands(): Command[] {
    return layerCommands({
      boat: this.boat,
      part: this.part,
      ids: this.ids,
      zoneIds: this.zoneIds,
      inZones: this.zoneIds.length > 0,
      act: this.act,
      say: (text) => text && this.said.push(text),
      ask: (question) => this.asked.push(question),
      moveRow: () => undefined,
      selectRows: (from, to) => {
        this.ids = this.part.layers.slice(from, to + 1).map(({ id }) => id);
      },
      showPart: () => undefined,
      tryFirst: false,
      trial: this.trial,
      ...this.other,
    });
  }

  command(id: string): Command {
    return this.commands().find((one) => one.id === id)!;
  }

  /** Do what a command does where it can be done; answer what it asks as it proposes. */
  run(id: string, answer?: string): string | undefined {
    const command = this.command(id);
    if (command.off) return command.off;
    const before = this.asked.length;
    command.run();
    const question = this.asked[before];
    return question?.answer(answer ?? question.value, question.option ?? '');
  }
}

const hull = (...rows: number[]) => new Desk(merrow(), 'Hull', rows);
const row = (desk: Desk, at: number) => desk.part.layers[at]!;

describe('the commands of the grid', () => {
  it('have a name, a key and a place each of its own', () => {
    const commands = hull(3).commands();
    const keys = commands.map(({ key }) => key).filter(Boolean);
    expect(new Set(commands.map(({ id }) => id)).size).toBe(commands.length);
    expect(new Set(keys).size).toBe(keys.length);
    for (const { title, key } of commands) {
      expect(title.length).toBeGreaterThan(3);
      expect(shownKey(key)).not.toMatch(/Arrow/);
    }
  });

  it('say why they cannot be done, and do nothing then', () => {
    const desk = new Desk({ ...merrow(), parts: merrow().parts.map((part) => ({ ...part, layers: [] })) }, 'Hull');
    const before = desk.boat;
    for (const command of desk.commands().filter(({ off }) => off)) expect(String(command.off)).toMatch(/\w{4}/);
    for (const id of ['duplicate', 'remove', 'turn-45', 'fill', 'group', 'ungroup', 'keep'])
      expect(desk.run(id), id).toBeTypeOf('string');
    expect(desk.boat).toBe(before);
  });

  it('turn what has a direction, and only that', () => {
    const desk = hull(3);
    desk.run('turn-45');
    expect(row(desk, 3).angleDeg).toBe(45);
    desk.run('turn-back');
    expect(row(desk, 3).angleDeg).toBe(30);
    desk.run('mirror');
    expect(row(desk, 3).angleDeg).toBe(-30);
    expect(hull(1).command('turn-45').off).toBe('it has no direction');
  });

  it('duplicate, move and remove layers where they lie', () => {
    const desk = hull(3, 4);
    const names = () => desk.part.layers.slice(3, 7).map(({ material }) => material);
    const [first, second] = names();
    desk.run('duplicate');
    expect(names()).toEqual([first, second, first, second]);
    desk.run('down');
    expect(names()).toEqual([first, first, second, second]);
    desk.run('remove');
    expect(desk.part.layers).toHaveLength(28);
  });

  it('cover and uncover what is selected', () => {
    const desk = hull(3);
    const zone = desk.part.zones[3]!.id;
    desk.zoneIds = [zone];
    expect(row(desk, 3).zones).not.toContain(zone);
    desk.run('cover');
    expect(row(desk, 3).zones).toContain(zone);
    desk.run('cover');
    expect(row(desk, 3).zones).not.toContain(zone);
    desk.run('fill');
    expect(row(desk, 3).zones).toHaveLength(desk.part.zones.length);
    desk.zoneIds = [];
    expect(desk.command('cover').off).toBe('stand on a zone');
  });

  it('group, repeat, keep as a laminate, follow it and leave it', () => {
    const desk = hull(3, 4);
    expect(desk.run('group', 'Patch')).toBeUndefined();
    expect(desk.part.groups.some(({ name }) => name === 'Patch')).toBe(true);
    expect(desk.run('repeat', 'many')).toBe('Repeat a group 1 to 40 times');
    expect(desk.run('repeat', '2')).toBeUndefined();
    desk.run('select-group');
    expect(desk.ids).toHaveLength(4);
    expect(desk.run('rename-group', '')).toBe('Give the group a name');
    expect(desk.run('keep-laminate', 'Patch laminate')).toBeUndefined();
    expect(desk.command('keep-laminate').off).toBe('it follows “Patch laminate”');
    expect(desk.command('into-laminate').off).toBe('it does not differ');
    desk.ids = desk.ids.slice(0, 1);
    desk.run('turn-45');
    expect(desk.command('into-laminate').off).toBeFalsy();
    desk.run('back-to-laminate');
    expect(desk.command('into-laminate').off).toBe('it does not differ');
    desk.run('leave-laminate');
    expect(desk.command('leave-laminate').off).toBe('it follows no laminate');
    desk.run('ungroup');
    expect(desk.part.groups.some(({ name }) => name === 'Patch')).toBe(false);
  });

  it('make the other hand of a part as a part of its own', () => {
    const desk = new Desk(brant(), brant().parts[0]!.name);
    const question = () => desk.asked.at(-1)!;
    desk.command('mirror-part').run();
    expect(question().value).toMatch(/, other hand$|port|starboard/);
    const parts = desk.boat.parts.length;
    expect(question().answer('Twin', '')).toBeUndefined();
    expect(desk.boat.parts).toHaveLength(parts + 1);
  });

  it('change roles, and say so where nothing would change', () => {
    const desk = hull(5);
    expect(desk.command('role-structure').off).toBe('it is so already');
    desk.run('role-sacrificial');
    expect(row(desk, 5).role).toBe('sacrificial');
    expect(desk.command('role-sacrificial').off).toBe('it is so already');
  });

  it('look, step and try without touching the boat', () => {
    const desk = hull(3);
    const before = desk.boat;
    for (const id of [
      'palette',
      'view-grid',
      'view-section',
      'view-book',
      'part-settings',
      'lightest',
      'strongest',
      'per-kilogram',
    ])
      desk.run(id);
    desk.run('try-first');
    expect(desk.command('keep').off).toBe('nothing is on trial');
    desk.trial = true;
    desk.run('keep');
    desk.run('drop');
    expect(desk.other.view.mock.calls.flat()).toEqual(['grid', 'section', 'book']);
    expect(desk.other.step.mock.calls.flat()).toEqual(['lightest', 'strongest', 'perKilogram']);
    expect(desk.other.setTryFirst).toHaveBeenCalledWith(true);
    expect(desk.other.keep).toHaveBeenCalledOnce();
    expect(desk.other.drop).toHaveBeenCalledOnce();
    expect(desk.boat).toBe(before);
  });

  it('leave a boat that holds together, whatever is done in whatever order, and all of it can be undone', () => {
    const ids = hull(0)
      .commands()
      .map(({ id }) => id);
    const step = fc.record({
      id: fc.constantFrom(...ids),
      rows: fc.uniqueArray(fc.nat(40), { minLength: 1, maxLength: 4 }),
      zones: fc.uniqueArray(fc.nat(5), { maxLength: 3 }),
    });
    fc.assert(
      fc.property(fc.array(step, { minLength: 3, maxLength: 14 }), (steps) => {
        const start = merrow();
        const desk = new Desk(start, 'Hull');
        for (const { id, rows, zones } of steps) {
          desk.ids = rows.flatMap((at) => desk.part.layers[at]?.id ?? []);
          desk.zoneIds = zones.flatMap((at) => desk.part.zones[at]?.id ?? []);
          desk.run(id);
          expect(() => checkBoat(desk.boat)).not.toThrow();
        }
        const back = desk.undo.reduceRight((boat, inverse) => applyEdits(boat, inverse).boat, desk.boat);
        expect(back).toEqual(start);
      }),
      { numRuns: 60 },
    );
  });
});
