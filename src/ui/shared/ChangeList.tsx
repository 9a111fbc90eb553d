import type { Change } from '@/core/edit';
import { useUnits } from './units';

const MARKS: Record<Change['kind'], string> = {
  added: '+ added',
  removed: '− removed',
  changed: '≠ changed',
  moved: '↕ moved',
};

/** A difference, line by line. */
export function ChangeList({ changes, empty }: { changes: readonly Change[]; empty: string }) {
  const { words } = useUnits();
  if (changes.length === 0) return <p className="soft mb-0">{empty}</p>;
  return (
    <div className="table-responsive">
      <table className="table table-sm">
        <thead>
          <tr>
            <th>Where</th>
            <th>Change</th>
            <th>What</th>
            <th>Was → is</th>
          </tr>
        </thead>
        <tbody>
          {changes.map((change, index) => (
            <tr key={index}>
              <td>{change.place}</td>
              <td className="text-nowrap">{MARKS[change.kind]}</td>
              <td>{change.subject}</td>
              <td>{words(change.details.join('; '))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
