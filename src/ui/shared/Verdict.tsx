import { formatReserve } from '@/core/quantity';
import { verdictOf, zoneVerdict, type Verdict as VerdictName, type ZoneEvaluation } from '@/core/evaluate';
import { useUnits } from './units';

const MARKS: Record<VerdictName, { mark: string; word: string }> = {
  fails: { mark: '✕', word: 'fails' },
  thin: { mark: '△', word: 'thin' },
  meets: { mark: '✓', word: 'meets' },
  ample: { mark: '✓✓', word: 'ample' },
};

/** A reserve factor with its mark, colour and word. */
export function Verdict({
  reserveFactor,
  target,
  words = true,
}: {
  reserveFactor: number;
  target: number;
  words?: boolean;
}) {
  const verdict = verdictOf(reserveFactor, target);
  const { mark, word } = MARKS[verdict];
  return (
    <span className={`verdict ${verdict}`}>
      <span aria-hidden="true">{mark}</span>
      <span>{formatReserve(reserveFactor)}</span>
      {words ? <span>{word}</span> : <span className="visually-hidden">{word}</span>}
    </span>
  );
}

/** A verdict by itself, as mark and word. */
export function VerdictWord({ verdict }: { verdict: VerdictName | 'notProven' }) {
  if (verdict === 'notProven') return <span className="verdict thin">△ not proven</span>;
  const { mark, word } = MARKS[verdict];
  return (
    <span className={`verdict ${verdict}`}>
      {mark} {word}
    </span>
  );
}

/** What a zone comes to: its least reserve, or that it is not proven and what is missing. */
export function ZoneVerdict({
  evaluation,
  target,
  words = true,
}: {
  evaluation: ZoneEvaluation;
  target: number;
  words?: boolean;
}) {
  const { words: inUnits } = useUnits();
  if (zoneVerdict(evaluation, target) === 'notProven')
    return (
      <span className="verdict unproven" title={evaluation.unproven.map(inUnits).join('. ')}>
        <span aria-hidden="true">?</span>
        <span>not proven</span>
      </span>
    );
  return evaluation.governing ? (
    <Verdict reserveFactor={evaluation.governing.reserveFactor} target={target} words={words} />
  ) : null;
}
