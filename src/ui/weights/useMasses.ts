import { useMemo } from 'react';
import { evaluateDetails } from '@/core/detail/kinds';
import { massesOf, type Mass } from '@/core/weight';
import { useDesign } from '../shared/boat';

/** Everything that weighs in the boat as it stands, with what its details come to. */
export function useMasses() {
  const { boat, evaluations } = useDesign();
  return useMemo(() => {
    const details = evaluateDetails(boat);
    const masses: Mass[] = massesOf(boat, evaluations, details);
    return { boat, evaluations, details, masses };
  }, [boat, evaluations]);
}
