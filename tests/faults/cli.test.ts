import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { bundled } from '../helpers/bundled';
import { MERROW_FILE } from '../helpers/files';

const data = mkdtempSync(path.join(tmpdir(), 'keramos-cli-'));
const PROGRAM = [bundled('src/cli/main.ts')];
function keramos(args: string[], input = '', program = PROGRAM) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [...program, ...args], {
    input,
    encoding: 'utf8',
    env: { ...process.env, KERAMOS_DATA: data },
  });
  return { status, stdout, stderr };
}
const glass = { fibreDensity: 2560, resinDensity: 1200, fibreWeightFraction: 0.3 };

describe('the keramos command', () => {
  it('lists, describes and runs calculations', () => {
    expect(keramos(['calc', '--list']).stdout.split('\n')).toContain('smallCraft.pressure');
    expect(JSON.parse(keramos(['calc', 'ply.fractions', '--schema']).stdout)).toMatchObject({
      input: { type: 'object' },
    });
    // Once as the README starts it.
    const one = keramos(['calc', 'ply.fractions'], JSON.stringify(glass), ['--import', 'tsx', 'src/cli/main.ts']);
    expect(one.status).toBe(0);
    expect((JSON.parse(one.stdout) as { fibreVolumeFraction: number }).fibreVolumeFraction).toBeCloseTo(0.1673, 4);
    expect(JSON.parse(keramos(['calc', 'ply.fractions'], JSON.stringify([glass, {}])).stdout)).toMatchObject([
      { fibreWeightFraction: 0.3 },
      { error: { code: 'invalid' } },
    ]);
  });
  it.each([
    [['calc', 'ply.fractions'], JSON.stringify({ ...glass, fibreWeightFraction: 5 }), 'invalid', 'fibreWeightFraction'],
    [['calc', 'ply.fractions'], '{nonsense', 'malformed', ''],
    [['calc', 'ply.fractions'], '', 'malformed', ''],
    [['calc', 'nothing.here'], '{}', 'notFound', 'name'],
    [['import', 'no-such-file.json'], '', 'notFound', 'file'],
    [['export', 'no-such-boat'], '', 'notFound', 'boatId'],
    [['sing'], '', 'malformed', 'command'],
  ] as [string[], string, string, string][])(
    'refuses %j %s with exit 2 and words, never a stack trace',
    (args, input, code, at) => {
      const { status, stdout, stderr } = keramos(args, input);
      expect(status).toBe(2);
      expect(JSON.parse(stdout)).toMatchObject({
        error: { code, path: at, message: expect.stringMatching(/\w{4}/) as string },
      });
      expect(stderr).not.toMatch(/^\s+at /m);
    },
  );
  it('imports a boat and exports it byte for byte; a broken file changes nothing', () => {
    const id = keramos(['import', MERROW_FILE]).stdout.trim();
    expect(keramos(['export', id]).stdout).toBe(readFileSync(MERROW_FILE, 'utf8'));
    const broken = path.join(data, 'broken.json');
    writeFileSync(broken, readFileSync(MERROW_FILE, 'utf8').replace('"kind": "motor"', '"kind": "steam"'));
    expect(keramos(['import', broken])).toMatchObject({
      status: 2,
      stdout: expect.stringContaining('Propulsion must be one of: motor, sail') as string,
    });
    expect(keramos(['demo']).stdout).toContain('has boats already');
    const copy = path.join(data, 'backup.db');
    expect(keramos(['backup', copy]).status).toBe(0);
    expect(keramos(['backup', copy])).toMatchObject({
      status: 2,
      stdout: expect.stringContaining('never overwrites') as string,
    });
    const second = keramos(['import', MERROW_FILE]).stdout.trim();
    const restored = keramos(['restore', copy]);
    expect(restored.status, restored.stdout).toBe(0);
    expect(JSON.parse(restored.stdout)).toMatchObject({ boats: expect.any(Number) as number, unreadable: [] });
    expect(keramos(['export', id]).stdout).toBe(readFileSync(MERROW_FILE, 'utf8'));
    expect(JSON.parse(keramos(['export', second]).stdout)).toMatchObject({ error: { code: 'notFound' } });
    // What was put aside comes back as well, the boat that came after the copy with it.
    const { aside } = JSON.parse(restored.stdout) as { aside: string };
    expect(keramos(['restore', aside]).status).toBe(0);
    expect(keramos(['export', second]).status).toBe(0);
  });
  it('refuses wrong folders and files as errors, not as empty successes', () => {
    expect(keramos(['restore', path.join(data, 'nowhere.db')])).toMatchObject({
      status: 2,
      stdout: expect.stringContaining('notFound') as string,
    });
    const text = path.join(data, 'text.db');
    writeFileSync(text, 'no database');
    expect(keramos(['restore', text])).toMatchObject({
      status: 2,
      stdout: expect.stringContaining('malformed') as string,
    });
  });
});
