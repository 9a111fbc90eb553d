import { Verdict } from '../shared/Verdict';
import type { WorkingRequest } from '../shared/WorkingPanel';

/** A reserve with its verdict, that opens how it comes about. */
export function ReserveButton({
  reserveFactor,
  target,
  title,
  working,
  onWorking,
}: {
  reserveFactor: number;
  target: number;
  title: string;
  working: WorkingRequest;
  onWorking: (request: WorkingRequest) => void;
}) {
  return (
    <button type="button" className="plain-button" title={title} onClick={() => onWorking(working)}>
      <Verdict reserveFactor={reserveFactor} target={target} words={false} />
    </button>
  );
}
