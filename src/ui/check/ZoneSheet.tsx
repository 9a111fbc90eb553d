import Link from 'next/link';
import { formatNumber, formatReserve } from '@/core/quantity';
import type { Boat, Part, Zone } from '@/core/document';
import { targetOf, whereGoverns, zoneWorking, type ZoneEvaluation, type ZoneProof } from '@/core/evaluate';
import { CHECKS } from '@/core/standard';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import type { WorkingRequest } from '../shared/WorkingPanel';
import { checkColumns, checkIn, type CheckColumn } from './checkColumns';
import { ReserveButton } from './ReserveButton';

/** A zone with what is known of it. */
export interface ZoneRow {
  part: Part;
  zone: Zone;
  evaluation: ZoneEvaluation;
  /** Undefined until it is computed. */
  proof: ZoneProof | undefined;
}

export interface ZoneSheetProps {
  boatId: string;
  boat: Boat;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  rows: readonly ZoneRow[];
  /** Reserve that the analysis is asked for. */
  asked: number;
  onWorking: (request: WorkingRequest) => void;
}

/** What is asked of the analysis of a zone: a deflection is measured against its own limit. */
export const askedOf = ({ proof }: ZoneRow, asked: number): number =>
  proof?.analysis?.id === 'deflection' ? 1 : asked;

/** Straight to the layer whose plies fail first, once the analysis is there. */
const layerLink = (boatId: string, zone: Zone, layer: number | null) =>
  `/boats/${boatId}/layup?zone=${zone.id}${layer === null ? '' : `&layer=${layer + 1}`}`;

/** What stands in a cell while a proof is on its way, and where there is none. */
const pending = (proof: ZoneProof | undefined) => (proof ? '–' : '…');

/** Every zone against every check of every pack, by analysis, by match, and with its band. */
export function ZoneSheet(props: ZoneSheetProps) {
  const { boat, evaluations, rows } = props;
  const { show, unit, words } = useUnits();
  const checks = checkColumns(boat, evaluations);
  const matched = boat.parts.some((part) => part.zones.some(({ match }) => match !== null));
  const columns: DataColumn<ZoneRow>[] = [
    {
      id: 'zone',
      head: 'Zone',
      by: ({ zone }) => zone.name,
      cell: (row) => <ZoneCell boatId={props.boatId} row={row} words={words} />,
    },
    {
      id: 'pressure',
      head: (
        <>
          Pressure <span className="unit">{unit('pressure')}</span>
        </>
      ),
      headClass: 'text-wrap',
      numeric: true,
      by: ({ evaluation }) => evaluation.pressure?.pressure ?? null,
      cell: ({ evaluation }) => show(evaluation.pressure?.pressure, 'pressure'),
    },
    ...checks.map((column) => checkColumn(column, props, words)),
    {
      id: 'analysis',
      head: 'By analysis',
      headClass: 'text-wrap small fw-semibold',
      numeric: true,
      by: ({ proof }) => proof?.analysis?.reserveFactor ?? null,
      cell: (row) => <AnalysisCell row={row} {...props} />,
    },
    ...(matched ? [MATCH] : []),
    {
      id: 'band',
      head: 'Band 5–95 %',
      headClass: 'text-wrap small fw-semibold',
      className: 'small',
      numeric: true,
      by: ({ proof }) => proof?.band?.p05 ?? null,
      cell: ({ proof }) => <BandCell proof={proof} />,
    },
  ];
  return (
    <DataTable
      label="Zones by checks"
      className="check-matrix mb-0"
      rows={rows}
      rowId={({ zone }) => zone.id}
      columns={columns}
      wide={({ evaluation }) =>
        evaluation.problem !== null && checks[0]
          ? {
              at: checks[0].key,
              columns: checks.length,
              cell: <span className="verdict ample text-wrap">Not checked: {words(evaluation.problem)}</span>,
            }
          : null
      }
      empty={boat.parts.length ? 'No zone fails or is thin.' : 'No zones yet.'}
    />
  );
}

function checkColumn(column: CheckColumn, props: ZoneSheetProps, words: (text: string) => string): DataColumn<ZoneRow> {
  const { boat, onWorking } = props;
  // What no pack asks for has none.
  const [first, ...others] = boat.packs;
  const pack = others.find(({ id }) => id === column.pack && id !== first!.id);
  return {
    id: column.key,
    head: (
      <>
        {column.head}
        {pack && <div className="unit">{pack.title}</div>}
      </>
    ),
    headClass: 'text-wrap small fw-semibold',
    numeric: true,
    by: ({ evaluation }) => checkIn(evaluation, column)?.reserveFactor ?? null,
    cell: ({ part, zone, evaluation }) => {
      const check = checkIn(evaluation, column);
      if (!check)
        return (
          <span className="soft" title="Does not apply to this construction">
            ·
          </span>
        );
      return (
        <ReserveButton
          reserveFactor={check.reserveFactor}
          target={targetOf(boat)}
          title={`${CHECKS[check.id]}: ${words(whereGoverns(check))}. Opens the working.`}
          working={{
            title: `${zone.name}: ${CHECKS[check.id]}`,
            record: () => zoneWorking(boat, part, zone, { check: check.id, packId: column.pack }),
          }}
          onWorking={onWorking}
        />
      );
    },
  };
}

const MATCH: DataColumn<ZoneRow> = {
  id: 'match',
  head: 'By match',
  headClass: 'text-wrap small fw-semibold',
  numeric: true,
  by: ({ proof }) => proof?.match?.ratio ?? null,
  cell: ({ proof }) =>
    proof?.match ? (
      <Verdict reserveFactor={proof.match.ratio} target={1} words={false} />
    ) : (
      <span className="soft">·</span>
    ),
};

function ZoneCell({ boatId, row, words }: { boatId: string; row: ZoneRow; words: (text: string) => string }) {
  const { part, zone, evaluation, proof } = row;
  const governs = evaluation.governing ? words(whereGoverns(evaluation.governing)) : undefined;
  return (
    <>
      <Link
        prefetch={false}
        href={layerLink(boatId, zone, proof?.layer ?? null)}
        title="Open the layer that matters in the Lay-up"
      >
        {zone.name}
      </Link>{' '}
      <span className="small soft">{part.name}</span>
      {evaluation.unproven.length > 0 && (
        <div className="small">
          <span className="verdict unproven">? not proven</span> {evaluation.unproven.map(words).join('. ')}
        </div>
      )}
      <div className="small soft text-truncate governs" title={governs}>
        {governs && `by ${governs}`}
      </div>
    </>
  );
}

/** A reserve that says no more than that it is ample. */
const MOST_SHOWN = 99;

function AnalysisCell({ row, asked, onWorking }: { row: ZoneRow } & ZoneSheetProps) {
  const { words } = useUnits();
  const { zone, proof } = row;
  if (!proof?.analysis)
    return (
      <span className="soft" title={words(proof?.problem ?? 'being computed')}>
        {pending(proof)}
      </span>
    );
  const { name, governs, where, reserveFactor } = proof.analysis;
  return (
    <ReserveButton
      reserveFactor={Math.min(MOST_SHOWN, reserveFactor)}
      target={askedOf(row, asked)}
      title={`${name}: ${governs}, ${where}. Opens the working.`}
      working={{
        title: `${zone.name}: panel by analysis`,
        record: () => [{ title: 'Plate', steps: proof.working }],
      }}
      onWorking={onWorking}
    />
  );
}

function BandCell({ proof }: { proof: ZoneProof | undefined }) {
  if (!proof?.band) return <span className="soft">{pending(proof)}</span>;
  const { failing, draws, governs, p05, p95 } = proof.band;
  return (
    <span title={`${formatNumber(failing * 100, 1)} % of ${draws} draws fail; governed most often by ${governs}`}>
      {formatReserve(p05)}–{formatReserve(p95)}
    </span>
  );
}
