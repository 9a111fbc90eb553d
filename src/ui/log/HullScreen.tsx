'use client';
import type { ChartConfiguration } from 'chart.js';
import Link from 'next/link';
import { Card } from 'react-bootstrap';
import { READINGS } from '@/core/build';
import type { LogOfBuild, PartLog, ReadZone } from '@/core/log';
import { ReadingMarks, useReadingWords } from '../floor/ReadingsView';
import { SkinMap } from '../floor/SkinMap';
import { Chart } from '../shared/charts/Chart';
import { Frame } from '../shared/Frame';
import { useInstruments } from '../shared/instruments';
import { PALETTE } from '../shared/palette';
import { HouseUnitsProvider, useUnits } from '../shared/units';
import { TracesCard } from './TracesCard';

const signed = (share: number) => `${share >= 0 ? '+' : '−'}${Math.abs(100 * share).toFixed(1)} %`;

/** One hull: everything that was read of it beside what was planned, part by part. */
export function HullScreen({ hull }: { hull: LogOfBuild }) {
  return (
    <HouseUnitsProvider units={hull.units}>
      <Inside hull={hull} />
    </HouseUnitsProvider>
  );
}

function Inside({ hull }: { hull: LogOfBuild }) {
  const channels = useInstruments()?.channels ?? [];
  const weighed = hull.log.parts.filter(({ mass }) => mass.weighed !== null);
  return (
    <Frame
      head={
        <>
          <h1>
            {hull.boat}, hull {hull.hull}
          </h1>
          <Link href="/log">All hulls</Link>
          <Link href={`/floor/${hull.id}`}>On the floor</Link>
        </>
      }
    >
      <p className="question">What really happened? Beside revision {hull.revision}.</p>
      <Card body className="mb-3">
        <h2>The boat’s book</h2>
        <p className="mb-0">
          For owner, surveyor and the next repair: <a href={`/api/log/${hull.id}/book?edition=short`}>short</a>,{' '}
          <a href={`/api/log/${hull.id}/book?edition=full`}>full</a>, or{' '}
          <a href={`/api/log/${hull.id}/book?format=json`}>as JSON with its photographs</a>.
        </p>
      </Card>
      {weighed.length > 0 && <MassCard hull={hull} weighed={weighed} />}
      {hull.log.parts.map((part) => (
        <PartCard key={part.partId} part={part} hull={hull} />
      ))}
      <TracesCard
        channels={channels}
        build={hull.id}
        parts={hull.log.parts.map(({ partId, name }) => ({ id: partId, name }))}
      />
      {hull.log.elsewhere.length > 0 && (
        <p className="soft">{hull.log.elsewhere.length} readings lie beside the zones of the revision.</p>
      )}
    </Frame>
  );
}

function MassCard({ hull, weighed }: { hull: LogOfBuild; weighed: PartLog[] }) {
  const { full, show, unit } = useUnits();
  const config: ChartConfiguration<'bar'> = {
    type: 'bar',
    data: {
      labels: weighed.map(({ name }) => name),
      datasets: [
        {
          label: 'planned',
          data: weighed.map(({ mass }) => Number(show(mass.planned, 'mass').replace(/[^\d.−-]/g, ''))),
          backgroundColor: PALETTE.line,
          borderColor: PALETTE.ink,
          borderWidth: 1,
        },
        {
          label: 'weighed',
          data: weighed.map(({ mass }) => Number(show(mass.weighed!.mass, 'mass').replace(/[^\d.−-]/g, ''))),
          backgroundColor: PALETTE.clay,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      scales: { y: { ticks: { autoSkip: false } }, x: { title: { display: true, text: unit('mass') } } },
    },
  };
  return (
    <Card body className="mb-3">
      <h2>On the scales</h2>
      <Chart size="chart-mid" config={config} label="Weighed beside planned">
        {weighed.map(({ name, mass }) => (
          <span key={name}>
            {name}: {full(mass.weighed!.mass, 'mass')} of {full(mass.planned, 'mass')} planned.{' '}
          </span>
        ))}
      </Chart>
      {hull.causes.map(({ partId, found }) => {
        const part = hull.log.parts.find((one) => one.partId === partId)!;
        return (
          <div key={partId}>
            <p className="mb-1">
              <strong>{part.name}</strong>: {full(part.mass.weighed!.mass, 'mass')}, {part.mass.weighed!.stage}, against
              {` ${full(part.mass.planned, 'mass')} planned, ${signed(found.share)}.`}
              {found.causes.length === 0 && ' Nothing that was read explains it: drill a plug or read its thickness.'}
            </p>
            {found.causes.length > 0 && (
              <ul>
                {found.causes.map(({ mass, says }) => (
                  <li key={says}>
                    {mass >= 0 ? '+' : '−'}
                    {full(Math.abs(mass), 'mass')}: {says}
                  </li>
                ))}
                <li className="soft">
                  {found.unexplained >= 0 ? '+' : '−'}
                  {full(Math.abs(found.unexplained), 'mass')} that nothing read explains
                </li>
              </ul>
            )}
          </div>
        );
      })}
    </Card>
  );
}

const hoursSaid = ({ read, planned }: PartLog['hours']) =>
  `Hours: ${read === null ? 'none written down' : `${read.toFixed(1)} h`}, ${planned.toFixed(0)} h planned`;

function PartCard({ part, hull }: { part: PartLog; hull: LogOfBuild }) {
  const { full } = useUnits();
  const { resin, drop, hours } = part;
  const skins = hull.skins.find(({ partId }) => partId === part.partId)?.skins ?? [];
  return (
    <Card body className="mb-3">
      <h2>{part.name}</h2>
      <ul className="mb-2">
        {part.mass.weighed === null && <li className="soft">Not weighed yet</li>}
        <li>
          Resin: {resin.mixed > 0 ? `${full(resin.mixed, 'mass')} of mix` : 'none mixed yet'},{' '}
          {full(resin.planned, 'mass')} planned in the laminate
          {resin.thrown > 0 && `; ${full(resin.thrown, 'mass')} thrown away`}
        </li>
        {drop && (
          <li>
            Bag: {full(drop.start, 'pressure')} to {full(drop.end, 'pressure')} in {drop.minutes} min,{' '}
            <span className={`verdict ${drop.passed ? 'meets' : 'fails'}`}>
              {drop.passed ? '✓ held' : '✕ lost too much'}
            </span>
          </li>
        )}
        <li>{hoursSaid(hours)}</li>
        {part.defects > 0 && (
          <li>
            {part.defects} {part.defects === 1 ? 'defect' : 'defects'}
          </li>
        )}
      </ul>
      {part.zones.length > 0 && <ZoneTable zones={part.zones} />}
      {[...new Set(part.zones.map(({ what }) => what))].map((what) => {
        const own = part.zones.filter((one) => one.what === what);
        const doubtful = new Set(
          own.flatMap(({ readings, outlier }) => (outlier === null ? [] : [readings[outlier]!.id])),
        );
        const readings = own.flatMap((one) => one.readings);
        return skins
          .filter((skin) => readings.some(({ body }) => body.skin === skin.id && body.at !== null))
          .map((skin) => (
            <figure key={skin.id + what} className="mb-2">
              <figcaption className="small soft">
                {skin.name}: {READINGS[what].name} where it was read
              </figcaption>
              <SkinMap skin={skin} label={`${skin.name}: ${READINGS[what].name} where it was read`}>
                {(size) => (
                  <ReadingMarks
                    readings={readings.filter(({ body }) => body.skin === skin.id)}
                    size={size}
                    doubtful={doubtful}
                  />
                )}
              </SkinMap>
            </figure>
          ));
      })}
    </Card>
  );
}

/** Within what something should read. */
function sayLimits([low, high]: ReadZone['limits'], say: (value: number) => string): string {
  if (low !== null && high !== null) return `${say(low)} to ${say(high)}`;
  if (low !== null) return `at least ${say(low)}`;
  return high === null ? '' : `at most ${say(high)}`;
}

function ZoneTable({ zones }: { zones: ReadZone[] }) {
  const say = useReadingWords();
  return (
    <table className="table table-sm" aria-label="Readings by zone">
      <thead>
        <tr>
          <th scope="col">Zone</th>
          <th scope="col">What</th>
          {['Readings', 'Mean', 'Scatter', 'Planned, and within', 'Off by'].map((head) => (
            <th key={head} scope="col" className="num">
              {head}
            </th>
          ))}
          <th scope="col" />
        </tr>
      </thead>
      <tbody>
        {zones.map(({ zone, what, readings, mean, standardDeviation, planned, limits, outside, outlier }) => (
          <tr key={zone.id + what}>
            <th scope="row" className="fw-normal">
              {zone.name}
            </th>
            <td>{READINGS[what].name}</td>
            <td className="num">{readings.length}</td>
            <td className="num">{say(what, mean)}</td>
            <td className="num">{standardDeviation === null ? '–' : say(what, standardDeviation)}</td>
            <td className="num">
              {planned === null ? '–' : say(what, planned)}
              <div className="soft small">{sayLimits(limits, (value) => say(what, value))}</div>
            </td>
            <td className="num">{planned === null ? '–' : signed(mean / planned - 1)}</td>
            <td>
              {outside > 0 && (
                <div className="verdict thin">
                  △ {outside} of {readings.length} beyond
                </div>
              )}
              {outlier !== null && (
                <span className="verdict thin" title="Grubbs’ test, 5 %; it stays in the mean">
                  △ {say(what, readings[outlier]!.body.value)} stands out
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
