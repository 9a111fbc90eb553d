/** A kind of rectangle in whole micrometres: across, along, and how many of it. */
export interface Kind {
  across: number;
  along: number;
  count: number;
}

/** A kind as it may lie: as it is, or turned by a right angle. */
export interface Way {
  kind: number;
  across: number;
  along: number;
  turned: boolean;
}

/** A strip partly laid: its skyline from left to right, and what is left of each kind. */
export interface Laid {
  x: readonly number[];
  wide: readonly number[];
  high: readonly number[];
  left: Uint16Array;
  pieces: number;
  /** Area lost under the skyline (µm²). */
  lost: number;
}

/** How well a piece fits a notch: its width and a wall, its width, a wall with another to fill the rest, or less. */
export const FIT = { all: 6, width: 5, pairWall: 4, wall: 3, pair: 2, none: 1 };

/** A hash of whole numbers onto slots of a table that is a power of two long. */
const SPREAD = 0x9e3779b1;

/**
 * Lays rectangles into the lowest notch of a skyline; all sizes are whole micrometres, so that equal is equal.
 *
 * It holds one strip at a time: `load` a strip, change it, `save` it.
 * Source: best fit on a skyline (Burke, Kendall & Whitwell 2004); fitness of notches (Leung, Zhang & Sim 2011).
 */
export class Skyline {
  readonly ways: readonly Way[];
  private readonly widthsOf: number[][];
  private readonly across: Int32Array;
  private readonly along: Int32Array;
  private readonly kindOf: Int32Array;
  private readonly list: Int32Array;
  private readonly left: Int32Array;
  /** How many are left that can lie so wide. */
  private readonly soWide: Int32Array;
  private readonly slots: Int32Array;
  private readonly idAt: Int32Array;
  private readonly shift: number;
  private readonly x: Float64Array;
  private readonly wide: Float64Array;
  private readonly high: Float64Array;
  private stretches = 0;
  /** Walls left and right of the notch that is looked at (µm above it); none at the edge of the strip. */
  private before = Infinity;
  private behind = Infinity;
  private pieces = 0;
  private lost = 0;

  constructor(
    readonly kinds: readonly Kind[],
    turns: boolean,
  ) {
    this.ways = kinds.flatMap(({ across, along }, kind) => [
      { kind, across, along, turned: false },
      ...(turns && across !== along ? [{ kind, across: along, along: across, turned: true }] : []),
    ]);
    const all = kinds.reduce((sum, { count }) => sum + count, 0);
    const widths = [...new Set(this.ways.map(({ across }) => across))];
    const bits = Math.ceil(Math.log2(4 * widths.length + 4));
    this.shift = 32 - bits;
    this.slots = new Int32Array(2 ** bits).fill(-1);
    this.idAt = new Int32Array(2 ** bits);
    widths.forEach((width, id) => {
      const slot = this.slotOf(width);
      this.slots[slot] = width;
      this.idAt[slot] = id;
    });
    this.widthsOf = kinds.map((_, kind) =>
      this.ways.filter((way) => way.kind === kind).map(({ across }) => widths.indexOf(across)),
    );
    this.across = Int32Array.from(this.ways, ({ across }) => across);
    this.along = Int32Array.from(this.ways, ({ along }) => along);
    this.kindOf = Int32Array.from(this.ways, ({ kind }) => kind);
    this.list = new Int32Array(this.ways.length);
    this.left = new Int32Array(kinds.length);
    this.soWide = new Int32Array(widths.length);
    this.x = new Float64Array(all + 4);
    this.wide = new Float64Array(all + 4);
    this.high = new Float64Array(all + 4);
  }

  load(from: Laid): void {
    this.stretches = from.x.length;
    for (let k = 0; k < this.stretches; k++) {
      this.x[k] = from.x[k]!;
      this.wide[k] = from.wide[k]!;
      this.high[k] = from.high[k]!;
    }
    this.left.set(from.left);
    this.pieces = from.pieces;
    this.lost = from.lost;
  }

  save(): Laid {
    const n = this.stretches;
    return {
      x: Array.from(this.x.subarray(0, n)),
      wide: Array.from(this.wide.subarray(0, n)),
      high: Array.from(this.high.subarray(0, n)),
      left: Uint16Array.from(this.left),
      pieces: this.pieces,
      lost: this.lost,
    };
  }

  /** The ways that fit the lowest notch, in an order, each with how well; and where that notch is. */
  candidates(order: readonly number[]): { low: number; fits: { way: number; fit: number }[] } {
    const low = this.lowest();
    this.look(low);
    this.countWidths();
    const fits: { way: number; fit: number }[] = [];
    for (const way of order)
      if (this.left[this.kindOf[way]!]! > 0 && this.across[way]! <= this.wide[low]!)
        fits.push({ way, fit: this.fitOf(way, this.wide[low]!, 0) });
    return { low, fits };
  }

  /** Raise a notch that nothing fits to its lower wall. */
  raise(low: number): void {
    this.look(low);
    const up = Math.min(this.before, this.behind);
    this.lost += up * this.wide[low]!;
    this.high[low]! += up;
    this.mergeAt(low);
  }

  /** Lay a piece into a notch, against the wall that it is as high as, else the higher one. @returns its corner. */
  lay(low: number, way: number): { x: number; y: number } {
    this.look(low);
    const { before, behind } = this;
    const along = this.along[way]!;
    const across = this.across[way]!;
    const rest = this.wide[low]! - across;
    const atRight = along !== before && (along === behind || behind > before);
    const y = this.high[low]!;
    this.left[this.kindOf[way]!]! -= 1;
    this.pieces -= 1;
    if (rest === 0) {
      const x = this.x[low]!;
      this.high[low] = y + along;
      this.mergeAt(low);
      return { x, y };
    }
    this.open(low);
    const [at, other] = atRight ? [low + 1, low] : [low, low + 1];
    const from = this.x[low]!;
    this.x[low] = from;
    this.wide[at] = across;
    this.wide[other] = rest;
    this.high[at] = y + along;
    this.high[other] = y;
    this.x[low + 1] = from + this.wide[low]!;
    const x = this.x[at]!;
    this.mergeAt(at);
    return { x, y };
  }

  /** Lay all that is left, the best fit first, ties by the order. @returns the length (µm) and the area lost (µm²). */
  fill(order: readonly number[], seen?: (way: number, x: number, y: number) => void): { length: number; lost: number } {
    const { list, left, kindOf } = this;
    this.countWidths();
    let size = 0;
    for (const way of order) if (left[kindOf[way]!]! > 0) list[size++] = way;
    while (this.pieces > 0) {
      const low = this.lowest();
      this.look(low);
      const wide = this.wide[low]!;
      let best = 0;
      let chosen = -1;
      let gone = 0;
      for (let i = 0; i < size && best < FIT.all; i++) {
        const way = list[i]!;
        if (left[kindOf[way]!] === 0) gone += 1;
        else if (this.across[way]! <= wide) {
          const fit = this.fitOf(way, wide, best);
          if (fit > best) [best, chosen] = [fit, way];
        }
      }
      if (gone > 4) {
        let kept = 0;
        for (let i = 0; i < size; i++) if (left[kindOf[list[i]!]!]! > 0) list[kept++] = list[i]!;
        size = kept;
      }
      if (chosen < 0) this.raise(low);
      else {
        for (const id of this.widthsOf[kindOf[chosen]!]!) this.soWide[id]! -= 1;
        const { x, y } = this.lay(low, chosen);
        seen?.(chosen, x, y);
      }
    }
    let length = 0;
    for (let k = 0; k < this.stretches; k++) length = Math.max(length, this.high[k]!);
    let { lost } = this;
    for (let k = 0; k < this.stretches; k++) lost += (length - this.high[k]!) * this.wide[k]!;
    return { length, lost };
  }

  /** How well a way fits; what cannot be better than the best so far is not looked into. */
  private fitOf(way: number, wide: number, best: number): number {
    const across = this.across[way]!;
    const along = this.along[way]!;
    const wall = along === this.before || along === this.behind;
    if (across === wide) return wall ? FIT.all : FIT.width;
    if (best >= (wall ? FIT.pairWall : FIT.pair)) return 0;
    const pair = this.hasOther(wide - across, this.kindOf[way]!);
    if (wall) return pair ? FIT.pairWall : FIT.wall;
    return pair ? FIT.pair : FIT.none;
  }

  /** Whether another piece than one of this kind is just so wide. */
  private hasOther(width: number, kind: number): boolean {
    const slot = this.slotOf(width);
    if (this.slots[slot] !== width) return false;
    const id = this.idAt[slot]!;
    let others = this.soWide[id]!;
    if (others > 0) for (const own of this.widthsOf[kind]!) if (own === id) others -= 1;
    return others > 0;
  }

  private slotOf(width: number): number {
    let slot = Math.imul(width, SPREAD) >>> this.shift;
    while (this.slots[slot] !== -1 && this.slots[slot] !== width) slot = (slot + 1) & (this.slots.length - 1);
    return slot;
  }

  private countWidths(): void {
    this.soWide.fill(0);
    this.widthsOf.forEach((ids, kind) => {
      for (const id of ids) this.soWide[id]! += this.left[kind]!;
    });
  }

  private lowest(): number {
    let low = 0;
    for (let k = 1; k < this.stretches; k++) if (this.high[k]! < this.high[low]!) low = k;
    return low;
  }

  private look(low: number): void {
    const y = this.high[low]!;
    this.before = low > 0 ? this.high[low - 1]! - y : Infinity;
    this.behind = low < this.stretches - 1 ? this.high[low + 1]! - y : Infinity;
  }

  /** Join a stretch with its neighbours of the same height. */
  private mergeAt(at: number): void {
    for (const k of [at, at - 1])
      if (k >= 0 && k < this.stretches - 1 && this.high[k] === this.high[k + 1]) {
        this.wide[k]! += this.wide[k + 1]!;
        for (const one of [this.x, this.wide, this.high]) one.copyWithin(k + 1, k + 2, this.stretches);
        this.stretches -= 1;
      }
  }

  /** Make two of one stretch. */
  private open(at: number): void {
    for (const one of [this.x, this.wide, this.high]) one.copyWithin(at + 1, at, this.stretches);
    this.stretches += 1;
  }
}
