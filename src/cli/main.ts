import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { CALCULATIONS, calculate, calculationSchema, errorBody, toolsFor } from '@/core/calc';
import { KeramosError, refuseBrokenText } from '@/core/error';
import { boatFromFile, boatToJson } from '@/core/document';

const USAGE = `keramos: the desk's command line
  calc --list                    names of the calculations
  calc NAME < input.json         run one; an array of inputs gives an array of answers
  calc NAME --schema             JSON Schema of its input and output
  export BOAT_ID [REVISION]      the boat document on standard output
  import FILE                    take in a boat document; prints its id
  backup FILE                    copy of the database into a new file, checked
  restore FILE                   put a copy in the place of the database; what stood there is put aside
  account NAME LOGIN ROLES       make an account, its password on standard input; ROLES by commas
  demo                           put the demo boats into an empty database
  bench [PORT] [ID=FAULT,…]      a simulated shop that speaks to the server as instruments do, until stopped`;

const print = (value: unknown): void =>
  void process.stdout.write(`${typeof value === 'string' ? value : JSON.stringify(value, null, 1)}\n`);

async function standardInput(): Promise<string> {
  const chunks: Buffer[] = [];
  for await (const chunk of process.stdin) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks).toString('utf8');
}
function readJson(text: string): unknown {
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch {
    throw new KeramosError(
      'malformed',
      text.trim() === '' ? 'Standard input is empty; give the input as JSON' : 'Standard input is not JSON',
    );
  }
  refuseBrokenText(input);
  return input;
}
function needed(value: string | undefined, what: string): string {
  if (value === undefined) throw new KeramosError('malformed', `${what} is missing. ${USAGE}`);
  return value;
}

/** The database is loaded only by the commands that need it; calculations start without. */
const openStores = async () => {
  const [{ openDatabase }, { contextOf }, boats, revisions] = await Promise.all([
    import('@/server/database/open'),
    import('@/server/context'),
    import('@/server/stores/boats'),
    import('@/server/stores/revisions'),
  ]);
  return { context: contextOf(await openDatabase(), 'command line'), ...boats, ...revisions };
};

/** Whether a program holds the database; one that does not even open is held by nobody. */
function heldOrDamaged(file: string, isHeld: (file: string) => boolean): boolean {
  try {
    return isHeld(file);
  } catch {
    return false;
  }
}

const COMMANDS: Record<string, (args: string[]) => Promise<void>> = {
  async calc(args) {
    if (args.includes('--list')) return print(CALCULATIONS.map(({ name }) => name).join('\n'));
    const name = needed(
      args.find((arg) => !arg.startsWith('--')),
      'The name of the calculation',
    );
    if (args.includes('--schema')) return print(calculationSchema(name));
    print(calculate(name, readJson(await standardInput()), await toolsFor(name)));
  },
  async export([id, label]) {
    const { context, readBoat, readRevision } = await openStores();
    const { boat } =
      label === undefined
        ? await readBoat(context, needed(id, 'The id of the boat'))
        : await readRevision(context, needed(id, 'The id of the boat'), label);
    process.stdout.write(boatToJson(boat));
  },
  async import([file]) {
    const name = needed(file, 'The file');
    if (!existsSync(name)) throw new KeramosError('notFound', `There is no file "${name}"`, 'file');
    const boat = boatFromFile(readFileSync(name, 'utf8'));
    const { context, createBoat } = await openStores();
    print((await createBoat(context, boat)).id);
  },
  async backup([file]) {
    const target = path.resolve(needed(file, 'The file'));
    const { dataFolder } = await import('@/server/database/open');
    // A folder without a database is no empty yard: the wrong folder is an error.
    if (!existsSync(path.join(dataFolder(), 'keramos.db')))
      throw new KeramosError('notFound', `There is no database in "${dataFolder()}"`, 'KERAMOS_DATA');
    const { context } = await openStores();
    const { backupTo } = await import('@/server/database/backup');
    print({ file: target, ...(await backupTo(context.db, target)) });
  },
  async restore([file]) {
    const source = path.resolve(needed(file, 'The file'));
    const { dataFolder } = await import('@/server/database/open');
    const { isHeld, restoreFrom } = await import('@/server/database/backup');
    const own = path.join(dataFolder(), 'keramos.db');
    if (existsSync(own) && heldOrDamaged(own, isHeld))
      throw new KeramosError(
        'conflict',
        'A server runs on this database: stop it first, or restore from its page Safekeeping',
        'KERAMOS_DATA',
      );
    print(await restoreFrom(source, new Date().toISOString()));
  },
  async account([name, login, roles]) {
    const { context } = await openStores();
    const { createPerson } = await import('@/server/stores/people');
    const password = (await standardInput()).replace(/\r?\n$/, '');
    const asked = { name: needed(name, 'The name'), login: needed(login, 'The login'), password };
    const made = await createPerson(context, { ...asked, roles: needed(roles, 'The roles').split(',') });
    print(`${made.name} signs in as ${made.login}: ${made.roles.join(', ')}`);
  },
  async bench(args) {
    const { bench, faultsOf } = await import('./bench');
    const port = args.find((arg) => /^\d+$/.test(arg)) ?? '7331';
    await bench(Number(port), faultsOf(args.filter((arg) => arg.includes('='))));
  },
  async demo() {
    const { context } = await openStores();
    const { seedDemo } = await import('@/server/demo');
    print((await seedDemo(context)) ? 'Demo boats added.' : 'The database has boats already; nothing was changed.');
  },
};

/** Bad input ends with code 2 and the error as JSON on standard output; nothing else is printed there. */
async function main([command = '', ...args]: string[]): Promise<number> {
  const run = COMMANDS[command];
  if (!run) {
    if (command === '--help') {
      print(USAGE);
      return 0;
    }
    print(
      errorBody(
        new KeramosError(
          'malformed',
          `${command === '' ? 'A command is missing' : `No command "${command}"`}. ${USAGE}`,
          'command',
        ),
      ),
    );
    return 2;
  }
  try {
    await run(args);
    return 0;
  } catch (error) {
    if (error instanceof KeramosError) {
      print(errorBody(error));
      return 2;
    }
    throw error;
  }
}

process.exitCode = await main(process.argv.slice(2));
