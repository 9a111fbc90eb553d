import { GENERIC_MATERIALS } from '../material';

type Raw = Record<string, unknown>;

/** What boats of the first schema did not have: which knock-downs count. All that are on by default. */
const KNOCK_DOWNS = { characteristic: true, wet: true, hot: false, fatigue: false, process: true };

/** The generic material that an early one is most like: the same, or one of its kind and family. */
const likenessOf = (material: Raw) =>
  (GENERIC_MATERIALS.find(({ id }) => id === material['id']) ??
    GENERIC_MATERIALS.find(
      (one) => one.kind === material['kind'] && 'family' in one && one.family === material['family'],
    ) ??
    GENERIC_MATERIALS.find(({ kind }) => kind === material['kind'])) as Raw | undefined;

const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value);
/** Each entry of a list that is an object changed; what is none is left for the schema to refuse. */
const eachRaw = (items: unknown, change: (item: Raw) => Raw): unknown =>
  Array.isArray(items) ? items.map((item: unknown) => (isRaw(item) ? change(item) : item)) : items;

/** A material with the figures that came later, from its likeness; what it has stays. Prices are not guessed. */
function filledMaterial(material: Raw): Raw {
  const generic = likenessOf(material);
  if (generic === undefined) return material;
  const components = eachRaw(material['components'], (one) => ({ measured: [], ...one }));
  const price = 'price' in generic ? { price: null } : {};
  return { ...generic, ...price, ...material, ...(components === undefined ? {} : { components }) };
}

/**
 * A raw boat of the first schemas with what every boat has had since: knock-downs in the brief, accepted cautions,
 * loads of zones, and the figures of materials that came with failure and trade. Nothing that is there is touched.
 */
export function fillEarly(boat: Raw): Raw {
  const { brief, materials, parts, acceptances = [] } = boat;
  return {
    ...boat,
    brief: isRaw(brief) ? { knockDowns: KNOCK_DOWNS, ...brief } : brief,
    materials: eachRaw(materials, filledMaterial),
    parts: eachRaw(parts, (part) => ({ ...part, zones: eachRaw(part['zones'], (zone) => ({ load: null, ...zone })) })),
    acceptances,
  };
}
