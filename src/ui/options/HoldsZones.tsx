import { gatherNotes } from '@/core/evaluate';
import type { Part } from '@/core/document';
import type { Better, ProposedPart } from '@/core/option';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import { checkName } from './words';

interface HoldsZonesProps {
  part: Part;
  binding: ProposedPart['binding'];
  target: number;
  /** What stands behind a zone. */
  behind?: (zone: string) => React.ReactNode;
}

/** What holds each zone of a part where it is; then what no zone proves, and what of them was not checked. */
export function HoldsZones({ part, binding, target, behind }: HoldsZonesProps) {
  const { words } = useUnits();
  const names = new Map(part.zones.map(({ id, name }) => [id, name]));
  const unchecked = gatherNotes(binding.flatMap(({ notChecked }) => notChecked));
  return (
    <>
      <ul className="small mb-1 mt-2" aria-label="What holds each zone where it is">
        {binding.map(({ zone, check, reserveFactor, notProven }) => (
          <li key={zone}>
            {names.get(zone)}: {checkName(check)}{' '}
            <Verdict reserveFactor={reserveFactor} target={target} words={false} />
            {behind?.(zone)}
            {notProven.length > 0 && <span> Not proven: {notProven.map(words).join('; ')}.</span>}
          </li>
        ))}
      </ul>
      {unchecked.length > 0 && <p className="small soft mb-0">Not checked: {unchecked.map(words).join('. ')}.</p>}
    </>
  );
}

/** What a schedule asks of the rest of the boat: zones laid heavier for a detail, sections that grow. */
export function AsksMore({
  heavierFor,
  grown,
  children,
}: Pick<Better, 'heavierFor' | 'grown'> & { children: React.ReactNode }) {
  return (
    <ul className="mb-0 ps-3" aria-label="What else it asks">
      {heavierFor.map(({ zone, details }) => (
        <li key={zone}>
          {zone} is laid heavier than it needs by itself, for {details.join(', ')}.
        </li>
      ))}
      {grown.length > 0 && <li>Sections that grow until they hold: {grown.join(', ')}.</li>}
      {children}
    </ul>
  );
}
