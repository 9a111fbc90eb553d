/** A sheet of a file as it was read: its cells as text, row by row; a CSV file has one. */
export interface Sheet {
  name: string;
  rows: string[][];
}

/** A table in a sheet: its heads, and the rows of figures below them. */
export interface Table {
  heads: string[];
  rows: string[][];
  /** Number of each row in the sheet, counted from 1 as a spreadsheet does. */
  numbers: number[];
  /** The title that stands alone in a row somewhere above each row; empty where there is none. */
  titles: string[];
}
