/** What may go wrong, why, and the way out: rules over every zone's materials and stack. */
import type { Acceptance, Boat } from '../document';
import type { ZoneEvaluation } from '../evaluate';
import { PART_RULES, type PartRule } from './partRules';
import { MATERIAL_RULES } from './materialRules';
import { PROCESS_RULES } from './processRules';
import { BOAT_RULES, type BoatRule } from './boatRules';
import { sceneOf, type CautionRule, type Scene } from './rule';
import { STACK_RULES } from './stackRules';

export { type CautionRule } from './rule';
export { groupCautions, type CautionGroup } from './group';
export { SEVERITIES, type Severity } from './severity';

export { PART_RULES, type PartRule } from './partRules';
export { BOAT_RULES, type BoatRule } from './boatRules';
export const CAUTION_RULES: readonly CautionRule[] = [...MATERIAL_RULES, ...STACK_RULES, ...PROCESS_RULES];

/** A caution about a layer, a zone, or something aboard. */
export interface Caution {
  rule: CautionRule | PartRule | BoatRule;
  /** What it is about, by its id; with the rule's id this is its identity. */
  subject: string;
  /** Of something aboard its name; null of a layer or a zone. */
  name: string | null;
  layerId: string | null;
  /** Zones in which it holds. */
  zoneIds: string[];
  detail: string;
  /** Somebody answered for it. */
  accepted: Acceptance | null;
}

const ORDER = { danger: 0, warning: 1, advice: 2 } as const;

/** What the rules found in a zone does not change while its evaluation stands. */
const found = new WeakMap<
  ZoneEvaluation,
  {
    brief: Boat['brief'];
    details: Boat['details'];
    findings: { rule: CautionRule; layerId?: string; detail: string }[];
  }
>();
function findingsOf(scene: Scene) {
  const known = found.get(scene.evaluation);
  const { brief, details } = scene.boat;
  if (known?.brief === brief && known.details === details) return known.findings;
  const findings = CAUTION_RULES.flatMap((rule) => rule.find(scene).map((finding) => ({ rule, ...finding })));
  found.set(scene.evaluation, { brief, details, findings });
  return findings;
}

/**
 * All cautions of a boat, the gravest first, each once per layer, zone or thing aboard, with its acceptance if somebody
 * signed for it.
 *
 * @param evaluations of every zone by id.
 * @example cautionsOf(boat, evaluations).filter((c) => c.zoneIds.includes(zone.id))
 */
export function cautionsOf(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): Caution[] {
  const cautions = new Map<string, Caution>();
  const answered = (rule: Caution['rule'], subject: string) =>
    boat.acceptances.find((one) => one.rule === rule.id && one.subject === subject) ?? null;
  const add = (rule: Caution['rule'], layerId: string | null, zoneIds: readonly string[], detail: string) => {
    const subject = layerId ?? zoneIds[0]!;
    const key = `${rule.id}|${subject}`;
    const known = cautions.get(key);
    if (known) known.zoneIds.push(...zoneIds.filter((id) => !known.zoneIds.includes(id)));
    else {
      const accepted = answered(rule, subject);
      cautions.set(key, { rule, subject, name: null, layerId, zoneIds: [...zoneIds], detail, accepted });
    }
  };
  for (const part of boat.parts) {
    for (const rule of PART_RULES)
      for (const { layerId, zoneIds, detail } of rule.find(boat, part, evaluations))
        add(rule, layerId, zoneIds, detail);
    for (const zone of part.zones)
      for (const { rule, layerId, detail } of findingsOf(sceneOf(boat, part, zone, evaluations.get(zone.id)!)))
        add(rule, layerId ?? null, [zone.id], detail);
  }
  for (const rule of BOAT_RULES)
    for (const { subject, name, detail } of rule.find(boat)) {
      const own = { rule, subject, name, layerId: null, zoneIds: [], detail, accepted: answered(rule, subject) };
      cautions.set(`${rule.id}|${subject}`, own);
    }
  return [...cautions.values()].sort((a, b) => ORDER[a.rule.severity] - ORDER[b.rule.severity]);
}
