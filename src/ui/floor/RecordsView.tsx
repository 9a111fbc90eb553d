'use client';
import { sayRecord, type BuildRecord } from '@/core/build';
import { Moment } from '../shared/Moment';
import { useUnits } from '../shared/units';
import { useFloor } from './useFloor';

const SHOWN = 200;

/** Everything that was recorded, the newest first; what clashes stands above, with why. */
export function RecordsView() {
  const { state, records } = useFloor();
  const { words } = useUnits();
  const say = (record: BuildRecord) => words(sayRecord(state, record));
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
