import { Row } from 'react-bootstrap';
import { OFFSET_UNITS, type OffsetUnit } from '@/core/geometry';
import { FileButton } from '../../shared/FileButton';
import { Choice } from './Choice';
import type { OffsetColumn, OffsetsTable } from './offsetsTable';

const LAYOUTS = [
  ['points', 'One point a row'],
  ['grid', 'Stations across, lines down'],
] as const;
const DIRECTIONS = [
  ['fromAft', 'forward from aft'],
  ['fromBow', 'aft from the bow'],
] as const;
const UNITS = Object.entries(OFFSET_UNITS) as [OffsetUnit, string][];

/** A table of offsets from a file, and what its columns are. */
export function OffsetsSource({
  table,
  onFile,
  onChange,
}: {
  table: OffsetsTable | null;
  onFile: (file: File) => void;
  onChange: (table: OffsetsTable) => void;
}) {
  return (
    <>
      <div className="d-flex gap-2 align-items-center mb-2">
        <FileButton label="Table of offsets" accept=".csv,.txt,.xlsx,text/csv" primary={!table} onFile={onFile}>
          {table ? 'Another file' : 'Choose a CSV or XLSX file'}
        </FileButton>
        <span className="soft small">
          {table
            ? `${table.name}: ${table.rows.length} rows`
            : 'One point a row (station, half-breadth, height), or half-breadths with stations across.'}
        </span>
      </div>
      {table && <Mapping table={table} onChange={onChange} />}
    </>
  );
}

function Mapping({ table, onChange }: { table: OffsetsTable; onChange: (table: OffsetsTable) => void }) {
  const set = (patch: Partial<OffsetsTable>) => onChange({ ...table, ...patch });
  const heads = table.heads.map((head, i): [number, string] => [i, head]);
  const column = (label: string, key: OffsetColumn, options = heads) => (
    <Choice
      id={`offset-${key}`}
      label={label}
      value={table.columns[key]}
      options={options}
      onChoose={(place) => set({ columns: { ...table.columns, [key]: place } })}
    />
  );
  return (
    <Row className="g-2 mb-2" xs={2} md={4}>
      <Choice
        id="offset-layout"
        label="Layout"
        value={table.layout}
        options={LAYOUTS}
        onChoose={(layout) => set({ layout })}
      />
      <Choice
        id="offset-unit"
        label="Unit of the table"
        value={table.unit}
        options={UNITS}
        onChoose={(unit) => set({ unit })}
      />
      <Choice
        id="offset-direction"
        label="Stations count"
        value={table.direction}
        options={DIRECTIONS}
        onChoose={(direction) => set({ direction })}
      />
      {table.layout === 'points' ? (
        <>
          {column('Station', 'station')}
          {column('Half-breadth', 'halfBreadth')}
          {column('Height', 'height')}
          {column('Line (names the chine)', 'line', [[-1, 'not in the file'], ...heads])}
        </>
      ) : (
        column('Line or height', 'label')
      )}
    </Row>
  );
}
