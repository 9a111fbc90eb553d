import { Row } from 'react-bootstrap';
import { OFFSET_UNITS, type OffsetUnit } from '@/core/geometry';
import { TableSource } from '../../shared/table/TableSource';
import type { useTableFile } from '../../shared/table/useTableFile';
import { Choice } from './Choice';
import type { OffsetColumn, OffsetsReading } from './offsetsTable';

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
  source,
  reading,
  onChange,
}: {
  source: ReturnType<typeof useTableFile>;
  reading: OffsetsReading | null;
  onChange: (reading: OffsetsReading) => void;
}) {
  return (
    <>
      <TableSource
        label="Table of offsets"
        empty="One point a row (station, half-breadth, height), or half-breadths with stations across."
        source={source}
      />
      {source.table && reading && <Mapping allHeads={source.table.heads} reading={reading} onChange={onChange} />}
    </>
  );
}

function Mapping({
  allHeads,
  reading: table,
  onChange,
}: {
  allHeads: readonly string[];
  reading: OffsetsReading;
  onChange: (reading: OffsetsReading) => void;
}) {
  const set = (patch: Partial<OffsetsReading>) => onChange({ ...table, ...patch });
  const heads = allHeads.map((head, i): [number, string] => [i, head]);
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
