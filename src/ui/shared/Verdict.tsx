import { formatReserve } from '@/core/quantity';
import { verdictOf, type Verdict as VerdictName } from '@/core/evaluate';

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
