/** A water plane over the boat: z = height + trim·x + heel·y (m; slopes as rise over run). */
export interface WaterPlane {
  height: number;
  trim: number;
  heel: number;
}

/** A section of a body at x with what it counts for along the boat (m); outlines closed by themselves. */
export interface Slice {
  x: number;
  weight: number;
  outlines: readonly (readonly (readonly [y: number, z: number])[])[];
}

/** Volume under a plane, its first moments about the origin, and the plane's cut, projected on the baseline plane. */
export interface Immersed {
  volume: number;
  /** ∫ x, y, z dV. */
  moments: [number, number, number];
  /** ∫ 1, x, y, x², y², xy dA of the cut. */
  cut: { area: number; x: number; y: number; xx: number; yy: number; xy: number };
}

export const nothingImmersed = (): Immersed => ({
  volume: 0,
  moments: [0, 0, 0],
  cut: { area: 0, x: 0, y: 0, xx: 0, yy: 0, xy: 0 },
});

/** Adds `share` of what `from` has to `to`. */
export function addImmersed(to: Immersed, from: Immersed, share = 1): void {
  to.volume += share * from.volume;
  for (const axis of [0, 1, 2] as const) to.moments[axis] += share * from.moments[axis];
  for (const key of ['area', 'x', 'y', 'xx', 'yy', 'xy'] as const) to.cut[key] += share * from.cut[key];
}

/**
 * What of a sliced body lies under a plane: exact in every slice, for outlines of any shape.
 *
 * Source: area and first moments of a polygon by Green's theorem; slices are weighted along the boat.
 */
export function immersed(slices: readonly Slice[], { height, trim, heel }: WaterPlane): Immersed {
  const sum = nothingImmersed();
  const { moments, cut } = sum;
  for (const { x, weight, outlines } of slices) {
    const level = height + trim * x;
    for (const outline of outlines) {
      let [area, my, mz] = [0, 0, 0];
      const crossings: number[] = [];
      let [fromY, fromZ] = [0, 0];
      let [firstY, firstZ, some] = [0, 0, false];
      const to = (y: number, z: number) => {
        if (some) {
          const cross = fromY * z - y * fromZ;
          area += cross / 2;
          my += (cross * (fromY + y)) / 6;
          mz += (cross * (fromZ + z)) / 6;
        } else [firstY, firstZ, some] = [y, z, true];
        [fromY, fromZ] = [y, z];
      };
      let [y0, z0] = outline[outline.length - 1]!;
      let below0 = level + heel * y0 - z0;
      for (const [y1, z1] of outline) {
        const below1 = level + heel * y1 - z1;
        if (below0 > 0 !== below1 > 0) {
          const t = below0 / (below0 - below1);
          const y = y0 + t * (y1 - y0);
          crossings.push(y);
          to(y, z0 + t * (z1 - z0));
        }
        if (below1 > 0) to(y1, z1);
        [y0, z0, below0] = [y1, z1, below1];
      }
      if (!some) continue;
      to(firstY, firstZ);
      // Whichever way round the outline goes.
      const sign = area < 0 ? -1 : 1;
      sum.volume += weight * sign * area;
      moments[0] += weight * sign * area * x;
      moments[1] += weight * sign * my;
      moments[2] += weight * sign * mz;
      crossings.sort((a, b) => a - b);
      for (let i = 1; i < crossings.length; i += 2) {
        const [a, b] = [crossings[i - 1]!, crossings[i]!];
        const [length, first, second] = [b - a, (b * b - a * a) / 2, (b ** 3 - a ** 3) / 3];
        cut.area += weight * length;
        cut.x += weight * length * x;
        cut.y += weight * first;
        cut.xx += weight * length * x * x;
        cut.yy += weight * second;
        cut.xy += weight * first * x;
      }
    }
  }
  return sum;
}

/** A small piece of something solid: where it is, what water it displaces (m³) and how high it stands (m). */
export interface Lump {
  at: readonly [number, number, number];
  volume: number;
  size: number;
}

/** What of small pieces lies under a plane; each goes under evenly over its height. */
export function immersedLumps(lumps: readonly Lump[], { height, trim, heel }: WaterPlane): Immersed {
  const sum = nothingImmersed();
  for (const { at, volume, size } of lumps) {
    const [x, y, z] = at;
    const share = Math.min(1, Math.max(0, (height + trim * x + heel * y - z) / size + 0.5));
    if (share === 0) continue;
    const under = share * volume;
    const area = share < 1 ? volume / size : 0;
    addImmersed(sum, {
      volume: under,
      moments: [under * x, under * y, under * (z - ((1 - share) * size) / 2)],
      cut: { area, x: area * x, y: area * y, xx: area * x * x, yy: area * y * y, xy: area * x * y },
    });
  }
  return sum;
}
