import { PALETTE } from '../shared/palette';
import { useLayoutEffect } from 'react';
import { directionsOf, hasMat, type LayerMaterial } from '@/core/material';

/** Class of a covered cell by its layer's look: 'lay core', 'lay coating', 'lay mat d45 dm45', 'lay wood d0'. */
export function lookClass(material: LayerMaterial, angleDeg: number): string {
  if (material.kind === 'core' || material.kind === 'coating') return `lay ${material.kind}`;
  const directions = directionsOf(material, angleDeg).map((direction) =>
    `d${direction}`.replace('-', 'm').replace('.', '_'),
  );
  if (material.kind === 'wood') return ['lay', 'wood', ...directions].join(' ');
  return ['lay', ...(hasMat(material) ? ['mat'] : []), ...directions].join(' ');
}

/** One fibre direction as an image for a cell: lines truly at their angle (forward to the right). */
function lines(direction: number): string {
  const svg = [
    '<svg xmlns="http://www.w3.org/2000/svg" width="240" height="22">',
    `<pattern id="p" width="6" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(${-direction})">`,
    `<path d="M0 2H6" stroke="${PALETTE.grey}" stroke-width=".9"/></pattern>`,
    '<rect width="240" height="22" fill="url(#p)"/></svg>',
  ].join('');
  return `url("data:image/svg+xml,${encodeURIComponent(svg)}")`;
}
const DOTS = `url("data:image/svg+xml,${encodeURIComponent(
  `<svg xmlns="http://www.w3.org/2000/svg" width="6" height="6" fill="${PALETTE.soft}">` +
    '<circle cx="1.5" cy="1.5" r=".8"/><circle cx="4.5" cy="4.5" r=".8"/></svg>',
)}")`;
const CELLS = `url("data:image/svg+xml,${encodeURIComponent(
  `<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9" fill="none" stroke="${PALETTE.sand}">` +
    '<circle cx="3" cy="3" r="1.6"/><circle cx="7.5" cy="7.5" r="1.1"/></svg>',
)}")`;

const GRAIN = `url("data:image/svg+xml,${encodeURIComponent(
  `<svg xmlns="http://www.w3.org/2000/svg" width="18" height="8" fill="none" stroke="${PALETTE.sand}">` +
    '<path d="M0 4q4.5-3 9 0t9 0"/></svg>',
)}")`;

/** Looks without a direction; what remains names the direction of its lines. */
const PLAIN: Readonly<Record<string, string[]>> = { core: [CELLS], mat: [DOTS], wood: [GRAIN], coating: [] };

const ruleOf = (look: string): string => {
  const [, ...parts] = look.split(' ');
  const images = parts.flatMap(
    (part) => PLAIN[part] ?? [lines(Number(part.slice(1).replace('m', '-').replace('_', '.')))],
  );
  return images.length === 0 ? '' : `.${look.replaceAll(' ', '.')}{background-image:${images.join(',')}}`;
};

let sheet: CSSStyleSheet | undefined;
const known = new Set<string>();

/**
 * Hatches the covered cells of the grid. As rules of a constructed style sheet they cost far less than an inline
 * drawing per cell, and the content policy allows them. A look with more classes is the more specific rule, so a subset
 * of it never wins.
 *
 * @param looks classes from {@link lookClass}, parted by commas.
 */
export function useHatchSheet(looks: string): void {
  useLayoutEffect(() => {
    if (!sheet) {
      sheet = new CSSStyleSheet();
      document.adoptedStyleSheets.push(sheet);
    }
    for (const look of looks.split(',')) {
      const rule = known.has(look) ? '' : ruleOf(look);
      known.add(look);
      if (rule) sheet.insertRule(rule);
    }
  }, [looks]);
}
