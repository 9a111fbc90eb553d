/** Why a row of a table of materials cannot be taken: the column it lies in, and the words. */
export class RowRefusal extends Error {
  constructor(
    readonly column: string,
    message: string,
  ) {
    super(message);
  }
}
