import type { BoatWeight, PartMass, ZoneMass } from '@/core/weight';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { useUnits } from '../shared/units';

const MATTERS = ['fibre', 'resin', 'core', 'coating'] as const;

interface MassRow {
  part: PartMass;
  zone: ZoneMass;
}

/** Everything that is laid, by part and zone, with its centre; each mass opens how it comes about. */
export function LaminateTable({
  weight,
  onZone,
  onBoat,
}: {
  weight: BoatWeight;
  onZone: (part: PartMass, zone: ZoneMass) => void;
  onBoat: () => void;
}) {
  const { show, unit } = useUnits();
  const withUnit = (head: string, kind: 'mass' | 'length') => (
    <>
      {head} <span className="unit">{unit(kind)}</span>
    </>
  );
  const columns: DataColumn<MassRow>[] = [
    { id: 'zone', head: 'Part, zone', className: 'ps-4', by: ({ zone }) => zone.name, cell: ({ zone }) => zone.name },
    ...MATTERS.map((matter): DataColumn<MassRow> => ({
      id: matter,
      head: withUnit(matter[0]!.toUpperCase() + matter.slice(1), 'mass'),
      numeric: true,
      by: ({ zone }) => zone[matter],
      cell: ({ zone }) => show(zone[matter], 'mass'),
    })),
    {
      id: 'mass',
      head: withUnit('Mass', 'mass'),
      numeric: true,
      by: ({ zone }) => zone.mass,
      cell: ({ part, zone }) => (
        <button
          type="button"
          className="plain-button opens"
          onClick={() => onZone(part, zone)}
          title={`How the mass of ${zone.name} comes about`}
        >
          {show(zone.mass, 'mass')}
        </button>
      ),
    },
    {
      id: 'along',
      head: withUnit('Along', 'length'),
      numeric: true,
      className: 'soft',
      by: ({ zone }) => zone.centreX,
      cell: ({ zone }) => show(zone.centreX, 'length'),
    },
    {
      id: 'above',
      head: withUnit('Above baseline', 'length'),
      numeric: true,
      className: 'soft',
      by: ({ zone }) => zone.centreZ,
      cell: ({ zone }) => show(zone.centreZ, 'length'),
    },
  ];
  const parts = new Map(weight.parts.map((part) => [part.partId, part]));
  return (
    <DataTable
      label="Weights by part and zone"
      className="mb-0"
      rows={weight.parts.flatMap((part) => part.zones.map((zone) => ({ part, zone })))}
      rowId={({ part, zone }) => `${part.partId}/${zone.zoneId}`}
      columns={columns}
      group={{
        of: ({ part }) => part.partId,
        head: (partId) => {
          const { name, mass, centreX, centreZ } = parts.get(partId)!;
          return (
            <>
              <td>{name}</td>
              <td colSpan={MATTERS.length} />
              <td className="num">{show(mass, 'mass')}</td>
              <td className="num">{show(centreX, 'length')}</td>
              <td className="num">{show(centreZ, 'length')}</td>
            </>
          );
        },
      }}
      empty="Nothing is laid yet."
      foot={
        <tr className="fw-bold">
          <td>Boat</td>
          <td colSpan={MATTERS.length} />
          <td className="num">
            <button
              type="button"
              className="plain-button opens fw-bold"
              data-testid="total-mass"
              onClick={onBoat}
              title="How the total and its centre come about"
            >
              {show(weight.mass, 'mass')}
            </button>
          </td>
          <td className="num">{show(weight.centreX, 'length')}</td>
          <td className="num">{show(weight.centreZ, 'length')}</td>
        </tr>
      }
    />
  );
}
