import { PALETTE } from '../palette';

export type Matter = 'fibre' | 'resin' | 'core' | 'coating';

const SIZE = 8;
/** How each matter is drawn over its ground, so that a print without colour reads the same. */
const STROKES: Record<Matter, (context: CanvasRenderingContext2D) => void> = {
  fibre: (context) => {
    context.moveTo(0, SIZE);
    context.lineTo(SIZE, 0);
  },
  resin: () => {},
  core: (context) => {
    context.moveTo(SIZE / 2 + 1, SIZE / 2);
    context.arc(SIZE / 2, SIZE / 2, 1, 0, 2 * Math.PI);
  },
  coating: (context) => {
    context.moveTo(0, SIZE / 2);
    context.lineTo(SIZE, SIZE / 2);
  },
};

/** Fill of a matter: its colour with its own hatch. The plain colour where there is no canvas. */
export function matterFill(matter: Matter): CanvasPattern | string {
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = SIZE;
  const context = canvas.getContext('2d');
  if (!context) return PALETTE[matter];
  context.fillStyle = PALETTE[matter];
  context.fillRect(0, 0, SIZE, SIZE);
  context.strokeStyle = matter === 'fibre' ? PALETTE.card : PALETTE.soft;
  context.lineWidth = 1;
  context.beginPath();
  STROKES[matter](context);
  context.stroke();
  return context.createPattern(canvas, 'repeat') ?? PALETTE[matter];
}
