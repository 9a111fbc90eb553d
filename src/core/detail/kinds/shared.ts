import type { Scene } from './scene';
import { box, millimetres as M, type At, type Mark } from './marks';

/** Section through the zone's own laminate at a place, left to right (mm): skins and core as bands, outer face down. */
export function laminateSection(scene: Scene, x: number, width: number, from = 0): { marks: Mark[]; top: number } {
  let y = from;
  const marks = scene.laid
    .filter(({ thickness }) => thickness > 0)
    .map(({ material, thickness }) => {
      const band = box([x, y], [width, M(thickness)], material.kind === 'core' ? 'core' : 'laminate');
      y += M(thickness);
      return band;
    });
  return { marks, top: y };
}
export const line = (
  points: readonly At[],
  style: Extract<Mark, { as: 'line' }>['style'],
  fill?: Extract<Mark, { as: 'line' }>['fill'],
  closed = false,
): Mark => ({
  as: 'line',
  points,
  style,
  closed,
  ...(fill && { fill }),
});
export const directionOf = ({ inPlane }: Scene) => (Math.atan2(inPlane[1], inPlane[0]) * 180) / Math.PI;
