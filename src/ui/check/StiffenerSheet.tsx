import Link from 'next/link';
import type { Boat } from '@/core/document';
import { stiffenerWorking, targetOf, type StiffenerCheck, type StiffenerEvaluation } from '@/core/evaluate';
import { DataTable, type DataColumn } from '../shared/DataTable';
import type { WorkingRequest } from '../shared/WorkingPanel';
import { ReserveButton } from './ReserveButton';
import { Said } from '../shared/Said';

/** The checks of a stiffener by what they look at, in the order of the columns. */
const COLUMNS: Record<StiffenerCheck['id'], string> = {
  platingTension: 'Plating',
  platingCompression: 'Plating',
  platingCore: 'Core under it',
  bond: 'Bond and flanges',
  flangeAlong: 'Bond and flanges',
  flangeWidth: 'Bond and flanges',
  flangeThickness: 'Bond and flanges',
  web: 'Webs',
  webAlong: 'Webs',
  webBuckling: 'Webs',
  crownCompression: 'Crown',
  crownTension: 'Crown',
  crownBuckling: 'Crown',
  stiffness: 'Stiffness',
};
/** Of the checks of one column the one nearest its limit. */
const leastIn = ({ checks }: StiffenerEvaluation, column: string) =>
  checks
    .filter(({ id }) => COLUMNS[id] === column)
    .reduce<(typeof checks)[number] | null>(
      (low, one) => (low === null || one.reserveFactor < low.reserveFactor ? one : low),
      null,
    );

/** The stiffeners of the boat by what is checked of them, each on the span where it is worst. */
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
  // What one of them has and another has not still is a column.
  const heads = [...new Set(Object.values(COLUMNS))].filter((head) => stiffeners.some((one) => leastIn(one, head)));
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
    ...heads.map((head): DataColumn<StiffenerEvaluation> => ({
      id: head,
      head,
      headClass: 'text-wrap small fw-semibold',
      numeric: true,
      by: (one) => leastIn(one, head)?.reserveFactor ?? null,
      cell: (stiffener) => {
        const check = leastIn(stiffener, head);
        if (!check) return <span className="soft">·</span>;
        return (
          <ReserveButton
            reserveFactor={check.reserveFactor}
            target={targetOf(boat)}
            title={`${check.name}. Opens the working`}
            working={{
              title: `${stiffener.support.name}: ${check.name}`,
              record: () => [{ title: 'Stiffener', steps: stiffenerWorking(boat, stiffener, check.on) }],
            }}
            onWorking={onWorking}
          />
        );
      },
    })),
  ];
  const [first] = heads;
  return (
    <DataTable
      label="Stiffeners by checks"
      className="table-sm mb-0"
      rows={stiffeners}
      rowId={({ support }) => support.id}
      columns={columns}
      wide={({ worst, problem }) =>
        !worst && first
          ? { at: first, columns: heads.length, cell: <Said text={`Not checked: ${problem ?? 'it has no span'}`} /> }
          : null
      }
      empty="No stiffener fails or is thin."
    />
  );
}
