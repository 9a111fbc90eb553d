import type { Coating, Resin } from '../../material';
import { batchesOf } from './batches';
import type { Hardener, Mixing } from './mixing';
import type { DrawnBesides, MixedBatch, MixStage, Wetted } from './mixingPlan';
import { GUESS, potLifeAt, potLifeFrom25, TOLD } from './potLife';

/** Resin and coating of a layer (kg), and where it lies. */
export interface ResinOfLayer {
  /** From the mould, from 1. */
  layerNumber: number;
  resin: number;
  coating: number;
  coat: Coating | null;
  zones: readonly string[];
}

/** What is laid in one go. */
export interface Shot {
  kind: MixStage['kind'];
  name: string;
  of: readonly ResinOfLayer[];
  drawn?: DrawnBesides | undefined;
}

/** Batches of what is laid in one go, with the hardener that needs the fewest, of those the quickest. */
export function stageOf(
  {
    part,
    copy,
    shot: { kind, name, of, drawn },
  }: { part: { id: string | null; name: string }; copy: number; shot: Shot },
  {
    resin,
    coat,
    hardeners,
    mixing,
  }: { resin: Resin; coat: Coating | null; hardeners: readonly Hardener[]; mixing: Mixing },
): MixStage {
  const density = (coat ?? resin).density.value;
  const { temperature, people, wetOut, draw, workingShare, waste } = mixing;
  const stays = of.reduce((sum, one) => sum + one.resin, 0);
  const besides = drawn?.mass ?? 0;
  const mixed = (stays + besides) * (1 + (drawn?.waste ?? waste));
  const rate = kind === 'fill' ? draw : people * wetOut;
  const tried = hardeners.map((hardener) => {
    const pot = coat ? potLifeFrom25(60 * mixing.coatPotLife, resin, temperature) : potLifeAt(resin, temperature);
    const workingMinutes = (pot * hardener.potLife * workingShare) / 60;
    const found = batchesOf({
      // What stays is resin with its hardener.
      resinMass: mixed / (1 + hardener.share),
      maximumBatch: hardener.largest,
      workingMinutes,
      wetOutRate: rate,
      hardenerShare: hardener.share,
    });
    return { hardener, workingMinutes, ...found };
  });
  const best = tried.reduce((a, b) => {
    const fewer = b.batches.length - a.batches.length;
    return fewer < 0 || (fewer === 0 && b.workingMinutes < a.workingMinutes) ? b : a;
  });
  const { hardener, workingMinutes } = best;
  let from = 0;
  const batches = best.batches.map((batch, i): MixedBatch => {
    const to = stays * ((i + 1) / best.batches.length);
    const wets = wettedOf(of, from, to);
    from = to;
    return {
      ...batch,
      resinVolume: (1000 * batch.resin) / density,
      hardenerVolume: (1000 * batch.hardener) / hardener.density,
      usedUp: batch.startMinute + (batch.resin + batch.hardener) / rate,
      wets,
    };
  });
  const cautions: string[] = [...(drawn?.notes ?? [])];
  if (coat)
    cautions.push(
      `a pot life of ${mixing.coatPotLife} min at 25 °C by the yard: what ${coat.name} says itself goes before it`,
    );
  if (temperature < GUESS.low || temperature > GUESS.high)
    cautions.push(`at ${temperature} °C the pot life is a guess: it is told at ${TOLD.low} and ${TOLD.high} °C`);
  if (batches.some((batch) => batch.resin > 0.8 * hardener.largest))
    cautions.push('a full pot heats itself up: keep it shallow, spread it at once, never leave it');
  return {
    part: part.name,
    partId: part.id,
    copy,
    kind,
    name,
    layers: of.flatMap(({ layerNumber }) => (layerNumber > 0 ? [layerNumber] : [])),
    hardener,
    stays,
    besides,
    mixed,
    workingMinutes,
    batches,
    byVolume: (hardener.share * density) / hardener.density,
    cautions,
  };
}

/** What of the layers lies between two masses of resin, in the order in which they are laid. */
function wettedOf(of: readonly ResinOfLayer[], from: number, to: number): Wetted[] {
  let at = 0;
  return of.flatMap(({ layerNumber, resin, zones }) => {
    const start = at;
    at += resin;
    const share = resin > 0 ? (Math.min(to, at) - Math.max(from, start)) / resin : 0;
    return layerNumber > 0 && share > 1e-9 ? [{ layerNumber, share, zones: [...zones] }] : [];
  });
}
