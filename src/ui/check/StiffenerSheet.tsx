import Link from 'next/link';
import type { Boat } from '@/core/document';
import { STIFFENER_CHECKS, stiffenerWorking, targetOf, type StiffenerEvaluation } from '@/core/evaluate';
import { DataTable, type DataColumn } from '../shared/DataTable';
import type { WorkingRequest } from '../shared/WorkingPanel';
import { ReserveButton } from './ReserveButton';
import { Said } from '../shared/Said';

/** The stiffeners of the boat by their checks, each on the span where it is worst. */
export function StiffenerSheet({
  boatId,
  boat,
  stiffeners,
  onWorking,
}: {
  boatId: string;
  boat: Boat;
  stiffeners: readonly StiffenerEvaluation[];
  onWorking: (request: WorkingRequest) => void;
}) {
  // A check that one of them has and another has not still is a column.
  const checks = new Map(stiffeners.flatMap((one) => one.checks).map(({ id }) => [id, STIFFENER_CHECKS[id]]));
  const columns: DataColumn<StiffenerEvaluation>[] = [
    {
      id: 'stiffener',
      head: 'Stiffener',
      by: ({ support }) => support.name,
      cell: ({ support, section }) => (
        <>
          <Link prefetch={false} href={`/boats/${boatId}/stiffeners`}>
            {support.name}
          </Link>{' '}
          <span className="small soft">{section!.name}</span>
        </>
      ),
    },
    ...[...checks].map(([id, name]): DataColumn<StiffenerEvaluation> => ({
      id,
      head: name,
      headClass: 'text-wrap small fw-semibold',
      numeric: true,
      by: (one) => one.checks.find((check) => check.id === id)?.reserveFactor ?? null,
      cell: (stiffener) => {
        const check = stiffener.checks.find((one) => one.id === id);
        if (!check) return <span className="soft">·</span>;
        return (
          <ReserveButton
            reserveFactor={check.reserveFactor}
            target={targetOf(boat)}
            title="Opens the working"
            working={{
              title: `${stiffener.support.name}: worst span`,
              record: () => [{ title: 'Stiffener', steps: stiffenerWorking(boat, stiffener, check.on) }],
            }}
            onWorking={onWorking}
          />
        );
      },
    })),
  ];
  const first = [...checks.keys()][0];
  return (
    <DataTable
      label="Stiffeners by checks"
      className="table-sm mb-0"
      rows={stiffeners}
      rowId={({ support }) => support.id}
      columns={columns}
      wide={({ worst, problem }) =>
        !worst && first
          ? { at: first, columns: checks.size, cell: <Said text={`Not checked: ${problem ?? 'it has no span'}`} /> }
          : null
      }
      empty="No stiffener fails or is thin."
    />
  );
}
