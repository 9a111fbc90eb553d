import { invalid } from '../error';
import type { Ply } from '../laminate';
import { coreAsDesigned, knockDownChain, woodFactor, type Core, type Fabric } from '../material';
import type { Boat, Part, Zone } from '../document';
import { bookOf, layAll, pliesOf, remembered, type Book, type LaidLayer } from './book';

const knockedDown = (ply: Ply, factor: number): Ply => {
  const { Xt, Xc, Yt, Yc, S } = ply.strength!;
  return { ...ply, strength: { Xt: Xt * factor, Xc: Xc * factor, Yt: Yt * factor, Yc: Yc * factor, S: S * factor } };
};

/** The plies with design strengths: mean strengths through the boat's chain of knock-downs. */
function designPlies(boat: Boat, book: Book, laid: readonly LaidLayer[]): Ply[][] {
  const { knockDowns } = boat.brief;
  const key = JSON.stringify(knockDowns);
  return laid.map((one) => {
    if (one.material.kind === 'wood')
      return pliesOf(book, [one]).map((ply) => knockedDown(ply, woodFactor(knockDowns)));
    if (one.material.kind !== 'fabric') return pliesOf(book, [one]);
    const fabric: Fabric = one.material;
    return remembered(book.design, `${fabric.id}|${one.layer.angleDeg}|${key}`, () =>
      one.components.flatMap((component, i) => {
        const { factor } = knockDownChain(
          fabric.components[i]!,
          { fibre: component.fibre, resin: book.resin, process: book.process },
          knockDowns,
        );
        return component.plies.map((ply) =>
          knockedDown({ ...ply, angleDeg: ply.angleDeg + one.layer.angleDeg }, factor),
        );
      }),
    );
  });
}

/** Coatings, sacrificial layers and what comes off again carry nothing. */
const carries = ({ material, layer }: LaidLayer) => material.kind !== 'coating' && layer.role === 'structure';

/**
 * A zone's plies with design strengths, the layer each belongs to, and its cores with what the boat's heat and repeated
 * load leave of them.
 * @throws KeramosError `invalid` that names the layer for an empty zone, a core alone, a core without a skin.
 */
export function designStack(boat: Boat, part: Part, zone: Zone): { plies: Ply[]; layerOf: number[]; cores: Core[] } {
  const book = bookOf(boat, 0);
  const laid = layAll(book, part, zone).filter(carries);
  if (laid.length === 0) throw invalid('layers', `No layer covers ${zone.name} yet: cover it with at least one fabric`);
  const isCore = ({ material }: LaidLayer) => material.kind === 'core';
  const core = laid.find(isCore);
  if (core && isCore(laid[0]!))
    throw invalid(
      'layers',
      `Layer ${core.index + 1} (${core.material.code}) is a core with no skin on the mould side of ${zone.name}`,
    );
  const lastCore = laid.findLast(isCore);
  if (lastCore && isCore(laid.at(-1)!))
    throw invalid(
      'layers',
      `Layer ${lastCore.index + 1} (${lastCore.material.code}) is a core with no inner skin in ${zone.name}`,
    );
  const perLayer = designPlies(boat, book, laid);
  return {
    plies: perLayer.flat(),
    layerOf: perLayer.flatMap((some, i) => some.map(() => laid[i]!.index)),
    cores: laid.flatMap(({ material }) =>
      material.kind === 'core' ? [coreAsDesigned(material, boat.brief.knockDowns)] : [],
    ),
  };
}

/** Plies of any laid layers with the boat's design strengths. */
export const designPliesOf = (boat: Boat, book: Book, laid: readonly LaidLayer[]): Ply[] =>
  designPlies(boat, book, laid.filter(carries)).flat();
