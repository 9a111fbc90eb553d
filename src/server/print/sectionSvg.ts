import type { ZoneEvaluation } from '@/core/evaluate';

const escapeXml = (text: string) => text.replace(/[<>&"']/g, (character) => `&#${character.charCodeAt(0)};`);

/** Fills of a section in print; fabrics take turns. */
const FABRIC_FILLS = ['#d8d2c6', '#b9b2a6'] as const;
const FILLS = { core: '#efe4cc', coating: '#ffffff', wood: '#e0cfa8' } as const;

/**
 * A zone's stack to scale as SVG text for the print: mould face at the foot, layer numbers beside it.
 * @param scale points per metre, common to all sections of a part.
 */
export function sectionSvg(evaluation: ZoneEvaluation, scale: number, width = 96): string {
  const height = evaluation.thickness * scale;
  let y = height;
  let lastLabel = Infinity;
  const bars = evaluation.layers.map(({ material, thickness, index }) => {
    const tall = thickness * scale;
    y -= tall;
    const fill = material.kind === 'fabric' ? FABRIC_FILLS[index % 2]! : FILLS[material.kind];
    const middle = y + tall / 2;
    const label =
      lastLabel - middle >= 6
        ? `<text x="${width - 32}" y="${middle + 2}" font-size="6" ` +
          `fill="#2b2622">${index + 1} ${escapeXml(material.code)}</text>`
        : '';
    if (label) lastLabel = middle;
    return (
      `<rect x="0" y="${y}" width="${width - 36}" height="${tall}" ` +
      `fill="${fill}" stroke="#2b2622" stroke-width="0.25"/>${label}`
    );
  });
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height + 4}" ` +
    `viewBox="0 -2 ${width} ${height + 4}">${bars.join('')}<line x1="0" x2="${width - 36}" ` +
    `y1="${height}" y2="${height}" stroke="#a6492b" stroke-width="1.2"/></svg>`
  );
}
