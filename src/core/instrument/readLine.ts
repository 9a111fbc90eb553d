import { MEASURED, toSi, type MeasuredQuantity } from './quantities';

/** What an instrument said of itself with a figure. */
export type Flag = 'stable' | 'moving' | 'over' | 'under' | 'error';
const FLAGS: readonly Flag[] = ['stable', 'moving', 'over', 'under', 'error'];

/** Most characters of a line; what is longer is no line of this protocol. */
export const LINE_LIMIT = 200;

export type ReadLine =
  | { kind: 'hello'; id: string; name: string }
  | { kind: 'value'; id: string; quantity: MeasuredQuantity; value: number; flag: Flag | null }
  | { kind: 'refused'; id: string | null; why: string };

const ID = /^[A-Za-z0-9][\w.-]{0,39}$/;

/**
 * One line of an instrument: `id quantity value unit [flag]`, or `hello id name of the instrument`.
 *
 * @returns the figure in SI (°C, %), or why it is refused: nothing that does not read is guessed at.
 * @example readLine('scale-1 mass 12.35 kg stable') // { kind: 'value', value: 12.35, flag: 'stable', … }
 */
export function readLine(line: string): ReadLine {
  const text = line.trim();
  const refused = (why: string, id: string | null = null): ReadLine => ({ kind: 'refused', id, why });
  if (text.length > LINE_LIMIT) return refused('longer than a line may be');
  const [id = '', quantity = '', figure = '', unit = '', flag] = text.split(/\s+/);
  if (id === 'hello') {
    const name = text.split(/\s+/).slice(2).join(' ').slice(0, 60);
    return ID.test(quantity) ? { kind: 'hello', id: quantity, name } : refused('a hello without a name');
  }
  if (!ID.test(id)) return refused('no name of an instrument at its beginning');
  if (!Object.hasOwn(MEASURED, quantity)) return refused(`it reads no “${quantity.slice(0, 20)}”`, id);
  const known = quantity as MeasuredQuantity;
  if (!/^[+-]?\d{1,12}(\.\d{1,9})?(e[+-]?\d{1,2})?$/i.test(figure))
    return refused(`“${figure.slice(0, 20)}” is no figure`, id);
  if (!Object.hasOwn(MEASURED[known].units, unit))
    return refused(`“${unit.slice(0, 20)}” is no unit of ${MEASURED[known].name}`, id);
  if (flag !== undefined && !FLAGS.includes(flag as Flag)) return refused(`“${flag.slice(0, 20)}” is no state`, id);
  const value = toSi(known, Number(figure), unit);
  return { kind: 'value', id, quantity: known, value, flag: (flag as Flag | undefined) ?? null };
}
