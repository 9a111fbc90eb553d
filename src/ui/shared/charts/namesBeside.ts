import type { Chart, Plugin } from 'chart.js';
import { PALETTE } from '../palette';

interface Named {
  x: number;
  y: number;
  /** Written beside the point. */
  name?: string;
  chosen?: boolean;
}
interface Box {
  x: number;
  y: number;
  width: number;
}

const LINE = 11;
const covers = (a: Box, b: Box) => Math.abs(a.y - b.y) < LINE && a.x < b.x + b.width + 2 && b.x < a.x + a.width + 2;

function drawNames(chart: Chart): void {
  const { ctx } = chart;
  const points = chart.data.datasets.flatMap((dataset, i) =>
    chart.getDatasetMeta(i).data.flatMap((element, k) => {
      const point = dataset.data[k] as Named | undefined;
      return point?.name ? [{ ...point, at: { x: element.x, y: element.y } }] : [];
    }),
  );
  if (points.length === 0) return;
  ctx.save();
  // Names sit right of their mark; one that would cover another steps down until it is free.
  const placed: Box[] = points.map(({ at }) => ({ x: at.x - 6, y: at.y, width: 12 }));
  for (const { name, at, chosen } of [...points].sort((a, b) => a.at.y - b.at.y)) {
    ctx.font = `${chosen ? '600' : '400'} 11px 'IBM Plex Sans Variable', sans-serif`;
    const box: Box = { x: at.x + 9, y: at.y, width: ctx.measureText(name!).width };
    while (placed.some((other) => covers(other, box))) box.y += 3;
    placed.push(box);
    if (box.y - at.y > 6) {
      ctx.strokeStyle = PALETTE.grey;
      ctx.lineWidth = 0.7;
      ctx.beginPath();
      ctx.moveTo(at.x, at.y);
      ctx.lineTo(box.x - 2, box.y);
      ctx.stroke();
    }
    ctx.fillStyle = chosen ? PALETTE.clay : PALETTE.ink;
    ctx.textBaseline = 'middle';
    ctx.fillText(name!, box.x, box.y);
  }
  ctx.restore();
}

/** Names of points beside them, none over another. */
export const namesBeside: Plugin = { id: 'namesBeside', afterDatasetsDraw: drawNames };
