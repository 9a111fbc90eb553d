import type { FailureStrain } from '../../laminate';
import { failureStrains, type ComponentForm, type FibreFamily } from '../../material';
import type { SmallCraftPack } from './pack';

/**
 * Limiting strains by the pack of a ply of a fibre and form. A weave breaks earlier than straight fibres: of the pack's
 * figures and those of weaves the lesser stands.
 *
 * @returns undefined for a mat, which the pack rates by law, and for a fibre that it has no figures for.
 * @example limitingStrains('carbon', 'woven', pack)!.e1t // 0.0105, where straight fibres have 0.012
 */
export function limitingStrains(
  family: FibreFamily,
  form: ComponentForm,
  pack: SmallCraftPack,
): FailureStrain | undefined {
  const limits = pack.failureStrain[family as keyof typeof pack.failureStrain];
  if (form === 'randomMat' || limits === undefined) return undefined;
  if (form !== 'woven') return limits;
  const woven = failureStrains(family, form);
  return {
    e1t: Math.min(limits.e1t, woven.e1t),
    e1c: Math.min(limits.e1c, woven.e1c),
    e2t: Math.min(limits.e2t, woven.e2t),
    e2c: Math.min(limits.e2c, woven.e2c),
    g12: Math.min(limits.g12, woven.g12),
  };
}
