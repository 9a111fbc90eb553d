'use client';
import Link from 'next/link';
import { useMemo } from 'react';
import { evaluateDetails } from '@/core/detail/kinds';
import { targetOf } from '@/core/evaluate';
import type { Boat } from '@/core/document';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';

const WORDS = { danger: '✕ danger', warning: '△ warning', advice: '· advice' } as const;

/** What the details on a zone say: how they fare, and their cautions. */
export function DetailCautions({ boat, zoneId }: { boat: Boat; zoneId: string }) {
  const { id } = useDesign();
  const { words } = useUnits();
  const details = useMemo(() => evaluateDetails(boat, ({ zone }) => zone === zoneId), [boat, zoneId]);
  return details.map(({ detail, governing, problem, cautions }) => (
    <div key={detail.id} className="caution small">
      <Link prefetch={false} href={`/boats/${id}/details?detail=${detail.id}`} className="fw-semibold">
        {detail.name}
      </Link>{' '}
      {problem ? (
        <span className="verdict fails">✕ refused</span>
      ) : (
        governing && <Verdict reserveFactor={governing.reserveFactor} target={targetOf(boat)} words={false} />
      )}
      {problem && <div>{words(problem)}</div>}
      {cautions.map(({ severity, title, text }) => (
        <div key={title}>
          <strong>
            {WORDS[severity]}: {title}.
          </strong>{' '}
          {words(text)}
        </div>
      ))}
    </div>
  ));
}
