import Link from 'next/link';
import type { Boat } from '@/core/document';
import { DETAIL_KINDS, detailWorking, type DetailEvaluation } from '@/core/detail/kinds';
import { targetOf } from '@/core/evaluate';
import { formatReserve } from '@/core/quantity';
import { DataTable, type DataColumn } from '../shared/DataTable';
import type { WorkingRequest } from '../shared/WorkingPanel';
import { ReserveButton } from './ReserveButton';
import { Said } from '../shared/Said';

/** The details of the boat by the weakest link of each. */
export function DetailSheet({
  boatId,
  boat,
  details,
  onWorking,
}: {
  boatId: string;
  boat: Boat;
  details: readonly DetailEvaluation[];
  onWorking: (request: WorkingRequest) => void;
}) {
  const columns: DataColumn<DetailEvaluation>[] = [
    {
      id: 'detail',
      head: 'Detail',
      by: ({ detail }) => detail.name,
      cell: ({ detail }) => (
        <Link prefetch={false} href={`/boats/${boatId}/details?detail=${detail.id}`}>
          {detail.name}
        </Link>
      ),
    },
    {
      id: 'kind',
      head: 'Kind',
      className: 'small',
      by: ({ detail }) => DETAIL_KINDS[detail.kind],
      cell: ({ detail }) => DETAIL_KINDS[detail.kind],
    },
    {
      id: 'weakest',
      head: 'Weakest link',
      by: ({ governing }) => governing?.name ?? null,
      cell: ({ governing }) => governing?.name,
    },
    {
      id: 'reserve',
      head: 'Reserve',
      numeric: true,
      by: ({ governing }) => governing?.reserveFactor ?? null,
      cell: ({ detail, governing }) =>
        governing && (
          <ReserveButton
            reserveFactor={governing.reserveFactor}
            target={targetOf(boat)}
            title="Opens the working"
            working={{
              title: `${detail.name}: working`,
              record: () => [{ title: detail.name, steps: detailWorking(boat, detail) }],
            }}
            onWorking={onWorking}
          />
        ),
    },
    {
      id: 'others',
      head: 'Other checks',
      className: 'small soft',
      cell: ({ checks, governing }) =>
        checks
          .filter((check) => check !== governing && Number.isFinite(check.reserveFactor))
          .map(({ name, reserveFactor }) => `${name} ${formatReserve(reserveFactor)}`)
          .join(', '),
    },
  ];
  return (
    <DataTable
      label="Details by checks"
      className="table-sm mb-0"
      rows={details}
      rowId={({ detail }) => detail.id}
      columns={columns}
      wide={({ problem }) =>
        problem
          ? {
              at: 'weakest',
              columns: 3,
              cell: (
                <span className="verdict fails text-wrap">
                  ✕ Refused: <Said text={problem} />
                </span>
              ),
            }
          : null
      }
      empty="No detail fails or is thin."
    />
  );
}
