/** A point of a drawing (mm), y upward. */
export type At = readonly [number, number];
/** What a drawing is made of; page, PDF and DXF draw the same. All in millimetres. */
export type Mark =
  | {
      as: 'line';
      points: readonly At[];
      style: 'outline' | 'thin' | 'hidden' | 'centre' | 'fibre' | 'load';
      closed?: boolean;
      fill?: 'laminate' | 'core' | 'metal' | 'bond' | 'wood';
    }
  | { as: 'circle'; at: At; radius: number; style: 'outline' | 'hidden' }
  | { as: 'dimension'; from: At; to: At; offset: number; text: string }
  | { as: 'text'; at: At; text: string; anchor?: 'start' | 'middle' | 'end'; size?: 'small' | 'normal' };

export interface DetailDrawing {
  /** Views side by side, each with its own scale. */
  views: { title: string; marks: Mark[] }[];
}

const millimetres = (metres: number) => metres * 1000;
export const mm = (value: number) => `${value < 10 ? Number(value.toFixed(1)) : Math.round(value)}`;

/** A rectangle from its lower left corner (mm). */
export const box = (
  [x, y]: At,
  [width, height]: readonly [number, number],
  fill?: Extract<Mark, { as: 'line' }>['fill'],
  style: 'outline' | 'hidden' | 'thin' = 'outline',
): Mark => ({
  as: 'line',
  points: [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ],
  closed: true,
  style,
  ...(fill && { fill }),
});
/** A dimension that says its own length (mm). */
export const dimension = (
  from: At,
  to: At,
  offset: number,
  text = mm(Math.hypot(to[0] - from[0], to[1] - from[1])),
): Mark => ({ as: 'dimension', from, to, offset, text });
export const label = (
  at: At,
  text: string,
  anchor: 'start' | 'middle' | 'end' = 'start',
  size: 'small' | 'normal' = 'normal',
): Mark => ({ as: 'text', at, text, anchor, size });
/** Text at the tip of an arrow leads away from it. */
function anchorBeside(cosine: number): 'start' | 'middle' | 'end' {
  if (cosine < -0.3) return 'end';
  return cosine > 0.3 ? 'start' : 'middle';
}
/** An arrow of a load from a point, along a direction. */
export function loadArrow(at: At, directionDeg: number, length: number, text: string): Mark[] {
  const [c, s] = [Math.cos((directionDeg * Math.PI) / 180), Math.sin((directionDeg * Math.PI) / 180)];
  const tip: At = [at[0] + c * length, at[1] + s * length];
  const wing = (turn: number): At => {
    const a = ((directionDeg + 180 + turn) * Math.PI) / 180;
    return [tip[0] + Math.cos(a) * length * 0.14, tip[1] + Math.sin(a) * length * 0.14];
  };
  return [
    { as: 'line', points: [at, tip], style: 'load' },
    { as: 'line', points: [wing(22), tip, wing(-22)], style: 'load' },
    label([tip[0] + c * length * 0.06, tip[1] + s * length * 0.06], text, anchorBeside(c)),
  ];
}
/** A strip turned about a point: from there so long and so wide, with its fibre lines. */
export function strip(
  at: At,
  directionDeg: number,
  { length, width, ends }: { length: number; width: number; ends: readonly number[] },
): Mark[] {
  const a = (directionDeg * Math.PI) / 180;
  const place = (u: number, v: number): At => [
    at[0] + u * Math.cos(a) - v * Math.sin(a),
    at[1] + u * Math.sin(a) + v * Math.cos(a),
  ];
  const fibres = [-0.3, -0.1, 0.1, 0.3].map((share): Mark => ({
    as: 'line',
    points: [place(0, share * width), place(length, share * width)],
    style: 'fibre',
  }));
  const steps = ends.map((u): Mark => ({
    as: 'line',
    points: [place(u, -width / 2), place(u, width / 2)],
    style: 'thin',
  }));
  return [
    {
      as: 'line',
      points: [place(0, -width / 2), place(length, -width / 2), place(length, width / 2), place(0, width / 2)],
      closed: true,
      style: 'outline',
      fill: 'laminate',
    },
    ...fibres,
    ...steps,
  ];
}
export { millimetres };
