import { STAGES } from '@/core/document';
import { massBand, rollUpMasses, type Mass } from '@/core/weight';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { useUnits } from '../shared/units';

const AXES = ['Along', 'To starboard', 'Above baseline'] as const;

/** Everything that weighs, by what it belongs to, with its centre in three axes and its scatter. */
export function MassTable({ masses, onItem }: { masses: readonly Mass[]; onItem: (itemId: string) => void }) {
  const { show, unit } = useUnits();
  const head = (name: string, kind: 'mass' | 'length') => (
    <>
      {name} <span className="unit">{unit(kind)}</span>
    </>
  );
  const columns: DataColumn<Mass>[] = [
    {
      id: 'name',
      head: 'What',
      className: 'ps-4',
      by: ({ name }) => name,
      cell: ({ id, name, of }) =>
        of === 'item' ? (
          <button type="button" className="plain-button opens text-start" onClick={() => onItem(id)}>
            {name}
          </button>
        ) : (
          name
        ),
    },
    {
      id: 'mass',
      head: head('Mass', 'mass'),
      numeric: true,
      by: ({ mass }) => mass,
      cell: ({ mass }) => show(mass, 'mass'),
    },
    {
      id: 'scatter',
      head: head('±', 'mass'),
      numeric: true,
      className: 'soft',
      by: (mass) => massBand([mass]).standardDeviation,
      cell: (mass) => show(massBand([mass]).standardDeviation, 'mass'),
    },
    ...AXES.map((name, k): DataColumn<Mass> => ({
      id: name,
      head: head(name, 'length'),
      numeric: true,
      by: ({ centre }) => centre[k]!,
      cell: ({ centre }) => show(centre[k]!, 'length'),
    })),
    {
      id: 'stage',
      head: 'Aboard from',
      className: 'soft',
      by: ({ stage }) => stage,
      cell: ({ stage }) => STAGES[stage].toLowerCase(),
    },
  ];
  const groups = new Map(masses.map(({ group, groupName }) => [group, groupName]));
  const sums = (some: readonly Mass[]) => {
    const { mass, centre } = rollUpMasses(some);
    return (
      <>
        <td className="num">{show(mass, 'mass')}</td>
        <td className="num soft">{show(massBand(some).standardDeviation, 'mass')}</td>
        {[0, 1, 2].map((k) => (
          <td key={k} className="num">
            {show(centre?.[k] ?? null, 'length')}
          </td>
        ))}
        <td />
      </>
    );
  };
  return (
    <DataTable
      label="Everything that weighs"
      className="mb-0"
      rows={masses}
      rowId={({ id, group }) => `${group}/${id}`}
      columns={columns}
      group={{
        of: ({ group }) => group,
        head: (group) => (
          <>
            <td>{groups.get(group)}</td>
            {sums(masses.filter((mass) => mass.group === group))}
          </>
        ),
      }}
      empty="Nothing weighs yet."
      foot={
        <tr className="fw-bold">
          <td>With everything aboard</td>
          {sums(masses)}
        </tr>
      }
    />
  );
}
