import type { Boat } from '@/core/document';
import { KeramosError, parseOrThrow } from '@/core/error';
import { standingFacts, type KeptYardFact } from '@/core/shop';
import {
  nextTrials,
  predictTrial,
  readTrial,
  recommend,
  trialSchema,
  type NextTrial,
  type TrialBoat,
  type TrialPrediction,
  type TrialSeries,
} from '@/core/trial';
import { z } from 'zod';
import type { StoreContext } from '../context';
import { readBoat } from '../stores/boats';
import { listYardFacts } from '../stores/yardFacts';

type TrialFact = Extract<KeptYardFact, { kind: 'trial' }>;

/** A boat as it is now, remembered; null where it is gone. */
export async function boatIfThere(
  context: StoreContext,
  id: string,
  known: Map<string, Boat | null>,
): Promise<Boat | null> {
  if (!known.has(id)) {
    const boat = await readBoat(context, id).catch((error: unknown) => {
      if (error instanceof KeramosError && error.code === 'notFound') return null;
      throw error;
    });
    known.set(id, boat?.boat ?? null);
  }
  return known.get(id)!;
}
function attempt<T>(work: () => T): T | null {
  try {
    return work();
  } catch (error) {
    if (error instanceof KeramosError) return null;
    throw error;
  }
}

/** Every series of the yard, the newest first, each sample with what it was thought to do by the boat of today. */
export async function readTrials(context: StoreContext): Promise<TrialSeries[]> {
  const facts = standingFacts(await listYardFacts(context, ['trial'])) as TrialFact[];
  const boats = new Map<string, Boat | null>();
  const series = new Map<string, TrialSeries>();
  for (const { id, body, author } of facts) {
    const boat = await boatIfThere(context, body.boat, boats);
    const prediction = boat && attempt(() => predictTrial(boat, body));
    const own = series.get(body.series) ?? {
      series: body.series,
      boat: body.boat,
      samples: [],
      recommendation: recommend([]),
    };
    own.samples.push({ id, trial: body, prediction, result: readTrial(body), author, on: body.on });
    series.set(body.series, own);
  }
  return [...series.values()].reverse().map((one) => ({ ...one, recommendation: recommend(one.samples) }));
}

const asked = z.strictObject({
  boat: z.string().min(1).max(60),
  layers: trialSchema.shape.layers,
  test: trialSchema.shape.test,
  span: trialSchema.shape.span,
  width: trialSchema.shape.width,
});

/** What a sample should do, and those that differ from it by one layer. @throws KeramosError */
export async function expectTrial(
  context: StoreContext,
  raw: unknown,
): Promise<{ prediction: TrialPrediction; next: NextTrial[] }> {
  const trial = parseOrThrow(asked, raw, 'trial');
  const { boat } = await readBoat(context, trial.boat);
  return { prediction: predictTrial(boat, trial), next: nextTrials(boat, trial) };
}

/** A boat as trials see it. */
export function trialBoatOf(id: string, boat: Boat): TrialBoat {
  const materials = boat.materials.flatMap((one) =>
    one.kind === 'fabric' || one.kind === 'core'
      ? [{ id: one.id, code: one.code, name: one.name, isCore: one.kind === 'core' }]
      : [],
  );
  const known = new Set(materials.map((one) => one.id));
  const zones = boat.parts.flatMap((part) =>
    part.zones.map((zone) => ({
      id: zone.id,
      name: `${part.name}: ${zone.name}`,
      layers: part.layers
        .filter(
          ({ zones: over, material, role }) => over.includes(zone.id) && known.has(material) && role === 'structure',
        )
        .map(({ material, angleDeg, thickness }) => ({ material, angleDeg, thickness })),
    })),
  );
  return { id, name: boat.name, materials, zones: zones.filter(({ layers }) => layers.length > 0) };
}
