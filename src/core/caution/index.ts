/** What may go wrong, why, and the way out: rules over every zone's materials and stack. */
import type { Acceptance, Boat } from '../document';
import type { ZoneEvaluation } from '../evaluate';
import { PART_RULES, type PartRule } from './partRules';
import { MATERIAL_RULES } from './materialRules';
import { PROCESS_RULES } from './processRules';
import { sceneOf, type CautionRule, type Scene } from './rule';
import { STACK_RULES } from './stackRules';

export { type CautionRule } from './rule';
export { SEVERITIES, type Severity } from './severity';

export { PART_RULES, type PartRule } from './partRules';
export const CAUTION_RULES: readonly CautionRule[] = [...MATERIAL_RULES, ...STACK_RULES, ...PROCESS_RULES];

/** A caution about a layer or a zone. */
export interface Caution {
  rule: CautionRule | PartRule;
  /** Layer or zone it is about; with the rule's id this is its identity. */
  subject: string;
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
  { boat: Boat['brief']; findings: { rule: CautionRule; layerId?: string; detail: string }[] }
>();
function findingsOf(scene: Scene) {
  const known = found.get(scene.evaluation);
  if (known?.boat === scene.boat.brief) return known.findings;
  const findings = CAUTION_RULES.flatMap((rule) => rule.find(scene).map((finding) => ({ rule, ...finding })));
  found.set(scene.evaluation, { boat: scene.boat.brief, findings });
  return findings;
}

/**
 * All cautions of a boat, the gravest first, each once per layer or zone, with its acceptance if somebody signed for
 * it.
 *
 * @param evaluations of every zone by id.
 * @example cautionsOf(boat, evaluations).filter((c) => c.zoneIds.includes(zone.id))
 */
export function cautionsOf(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): Caution[] {
  const cautions = new Map<string, Caution>();
  const acceptedOf = (rule: string, subject: string) =>
    boat.acceptances.find((acceptance) => acceptance.rule === rule && acceptance.subject === subject) ?? null;
  for (const part of boat.parts) {
    for (const rule of PART_RULES)
      for (const { layerId, zoneIds, detail } of rule.find(boat, part, evaluations)) {
        const subject = layerId ?? zoneIds[0]!;
        const key = `${rule.id}|${subject}`;
        const known = cautions.get(key);
        if (known) known.zoneIds.push(...zoneIds.filter((id) => !known.zoneIds.includes(id)));
        else cautions.set(key, { rule, subject, layerId, zoneIds, detail, accepted: acceptedOf(rule.id, subject) });
      }
    for (const zone of part.zones)
      for (const { rule, layerId, detail } of findingsOf(sceneOf(boat, part, zone, evaluations.get(zone.id)!))) {
        const subject = layerId ?? zone.id;
        const key = `${rule.id}|${subject}`;
        const known = cautions.get(key);
        if (known) known.zoneIds.push(zone.id);
        else {
          cautions.set(key, {
            rule,
            subject,
            layerId: layerId ?? null,
            zoneIds: [zone.id],
            detail,
            accepted: acceptedOf(rule.id, subject),
          });
        }
      }
  }
  return [...cautions.values()].sort((a, b) => ORDER[a.rule.severity] - ORDER[b.rule.severity]);
}
