'use client';
import { DEFECT_KINDS, DISPOSITIONS, PREPARATIONS, type BuildRecord, type BuildState } from '@/core/build';
import { Moment } from '../shared/Moment';
import { useUnits } from '../shared/units';
import { useFloor } from './useFloor';

const SHOWN = 200;

/** What a record says, in words. */
function useSaying(state: BuildState) {
  const { full } = useUnits();
  const stepName = (id: string) => state.steps.get(id)?.step.name ?? id;
  return (record: BuildRecord): string => {
    switch (record.kind) {
      case 'begun':
        return `began “${stepName(record.body.step)}”`;
      case 'done':
        return `ended “${stepName(record.body.step)}”${record.body.note && `: ${record.body.note}`}`;
      case 'signed':
        return `signed “${stepName(record.body.step)}”${record.body.note && `: ${record.body.note}`}`;
      case 'coat':
        return 'put a coat on';
      case 'piece': {
        const piece = state.pieces.get(record.body.code);
        const how = record.body.how === 'scanned' ? 'label read' : 'ticked';
        return `laid ${piece?.name ?? record.body.code} (${how}${record.body.lot && `, lot ${record.body.lot}`})`;
      }
      case 'batch':
        return `mixed ${full(record.body.resin + record.body.hardener, 'mass')}, ${record.body.life} min in the pot`;
      case 'potEmpty':
        return record.body.how === 'used' ? 'emptied a pot' : 'threw a pot away';
      case 'air':
        return `read ${full(record.body.celsius, 'temperature')}, ${record.body.humidity} %`;
      case 'drop':
        return `tested the bag: ${full(record.body.start, 'pressure')} to ${full(record.body.end, 'pressure')}`;
      case 'clamp':
        return `opened ${record.body.name}`;
      case 'prepared':
        return `prepared the bond: ${PREPARATIONS[record.body.how]}`;
      case 'caution':
        return `read the caution of “${stepName(record.body.step)}”`;
      case 'released':
        return `let “${stepName(record.body.step)}” go on: ${record.body.reason}`;
      case 'defect':
        return `found ${DEFECT_KINDS[record.body.kind]}, ${full(record.body.size, 'shortLength')}`;
      case 'disposed':
        return `decided: ${DISPOSITIONS[record.body.what]}, ${record.body.reason}`;
      case 'repaired':
        return 'signed a repair';
      case 'lesson':
        return `learned: ${record.body.text}`;
      case 'alignment':
        return `measured how “${record.body.name}” stands`;
      case 'undone':
        return `took a record back: ${record.body.reason}`;
    }
  };
}

/** Everything that was recorded, the newest first; what clashes stands above, with why. */
export function RecordsView() {
  const { state, records } = useFloor();
  const { words } = useUnits();
  const say = useSaying(state);
  const replaced = new Set(records.map(({ record }) => record.corrects).filter((id) => id !== null));
  const shown = [...records].sort((a, b) => b.record.at.localeCompare(a.record.at)).slice(0, SHOWN);
  return (
    <section aria-label="Records">
      {state.clashes.length > 0 && (
        <>
          <h2>△ To be looked at</h2>
          <ul className="record-list">
            {state.clashes.map(({ record, why }) => (
              <li key={record.id}>
                {record.person} {say(record)}. <strong>{words(why)}</strong>
              </li>
            ))}
          </ul>
        </>
      )}
      <h2>
        {records.length} {records.length === 1 ? 'record' : 'records'}
        {records.length > SHOWN && `, the last ${SHOWN}`}
      </h2>
      <ul className="record-list">
        {shown.map(({ record, sent }) => (
          <li key={record.id} className={replaced.has(record.id) ? 'replaced' : ''}>
            <Moment iso={record.at} /> <strong>{record.person}</strong> {say(record)}
            {replaced.has(record.id) && ' (taken back)'}
            {!sent && ' △ kept here'}
          </li>
        ))}
      </ul>
    </section>
  );
}
