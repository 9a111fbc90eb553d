import type { Caution } from '.';

/** Cautions of one rule: said once, with every place where it holds. */
export interface CautionGroup {
  rule: Caution['rule'];
  cautions: Caution[];
}

/** Cautions by rule, in the order in which the rules come up; within a rule the open ones first. */
export function groupCautions(cautions: readonly Caution[]): CautionGroup[] {
  const groups = new Map<string, CautionGroup>();
  for (const caution of cautions) {
    const group = groups.get(caution.rule.id) ?? { rule: caution.rule, cautions: [] };
    groups.set(caution.rule.id, group);
    group.cautions.push(caution);
  }
  return [...groups.values()].map(({ rule, cautions: own }) => ({
    rule,
    cautions: [...own.filter(({ accepted }) => !accepted), ...own.filter(({ accepted }) => accepted)],
  }));
}
