import { format } from 'date-fns';
import { pastLots } from '@/core/build';
import { day } from '../shared/dates';
import { useFloor } from './useFloor';

/** Lots that were typed and whose last day is over, by the store: said before they are used; who decides, decides. */
export function PastLots({ typed }: { typed: string }) {
  const { build } = useFloor();
  const found = pastLots(typed, build.dated, format(new Date(), 'yyyy-MM-dd'));
  if (found.length === 0) return null;
  return (
    <ul className="list-unstyled mb-0 mt-1" role="alert">
      {found.map(({ lot, material, expires }) => (
        <li key={`${lot} ${material} ${expires}`}>
          <span className="verdict fails">✕</span> Lot {lot}, {material}, is past its day, {day(expires)}: put it aside,
          and ask before any of it is used.
        </li>
      ))}
    </ul>
  );
}
