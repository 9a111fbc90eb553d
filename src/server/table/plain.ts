/** Text that a spreadsheet would take for a formula is made plain; numbers stay numbers. */
export const plain = <T extends string | number>(cell: T): T | string =>
  typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell;
