import { useMemo } from 'react';
import { USUAL_RATES } from '@/core/cost';
import type { CutInput, Cutting, Piece, StockLine } from '@/core/kit';
import { fabricArealWeight, type Fabric } from '@/core/material';
import { useDesign } from '../shared/boat';
import { useYard } from '../shared/useYard';
import { clothIn } from './clothInStore';
import { shortMark } from '../shared/shortMark';
import type { CutFor } from './cuttables';

/** Places looked at for the nested way: about ten seconds, and a minute. */
export const LOOKS = { quick: 2_000_000, long: 12_000_000 };

export interface CutQuestion {
  fabric: Fabric;
  pieces: readonly Piece[];
  cutting: Cutting;
  cutFor: CutFor;
}

/** Under which the ways of a fabric are known, and of what they are. */
export const cutKey = (boatId: string, { kitId }: CutFor, fabricId: string) => `${boatId}.${kitId ?? ''}.${fabricId}`;
export const cutMark = (cutting: Cutting, pieces: readonly Piece[]) =>
  shortMark(JSON.stringify([cutting, pieces.map(({ id, count, outline, cuts }) => [id, count, outline, cuts])]));

/** What is asked of the nesting for a fabric, by the store and the yard's rates. */
export function useCutInput() {
  const yard = useYard();
  const { labour, overhead, currency } = yard?.rates ?? USUAL_RATES;
  const ask = (
    { fabric, pieces, cutting }: Pick<CutQuestion, 'fabric' | 'pieces' | 'cutting'>,
    stock: readonly StockLine[],
    looks: number,
  ): CutInput => ({
    material: fabric,
    pieces,
    cutting,
    cloth: clothIn(stock),
    looks,
    seed: 1,
    clothPrice: fabric.price ? fabric.price.value * fabricArealWeight(fabric) : null,
    labour: labour * (1 + overhead),
  });
  return { ask, currency };
}

/** The key and the mark of one fabric's ways. */
export function useCutKey({ fabric, pieces, cutting, cutFor }: CutQuestion) {
  const { id: boatId } = useDesign();
  const mark = useMemo(() => cutMark(cutting, pieces), [cutting, pieces]);
  return { key: cutKey(boatId, cutFor, fabric.id), mark };
}
