'use client';
import { useMemo } from 'react';
import { Card } from 'react-bootstrap';
import { makeEvaluator } from '@/core/evaluate';
import { potLifeAt } from '@/core/kit';
import type { Resin } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import type { FillSettings } from './FillScreen';
import { minutes } from './minutes';

/** Of the resin laid, what a wet bag squeezes out goes on this share more. */
const BAG_EXTRA = 0.15;
/** Prepreg: plies between debulks, and shares of the out-life at a temperature. */
const DEBULK_EVERY = 4;
const OUT = { days: 21, celsius: 20, halving: 10 };
const FREEZER = { months: 12, celsius: -18 };

/** What hand lay-up, a wet bag and prepreg each need of this boat. */
export function HandTab({ settings }: { settings: FillSettings }) {
  const { boat } = useDesign();
  const { full, show, unit } = useUnits();
  const { mixing, filling } = settings;
  const { people, wetOut, temperature, workingShare, layersPerShot } = mixing.body;
  const resin = boat.materials.find((one): one is Resin => one.kind === 'resin' && one.id === boat.brief.resin);
  const parts = useMemo(() => {
    const evaluations = makeEvaluator()(boat);
    return boat.parts.map((part) => {
      const zones = part.zones.map((zone) => ({ zone, evaluation: evaluations.get(zone.id)! }));
      const sum = (pick: (one: (typeof zones)[number]) => number) => zones.reduce((total, one) => total + pick(one), 0);
      return {
        id: part.id,
        name: part.name,
        layers: part.layers.length,
        area: sum(({ zone }) => zone.geometry.area),
        fibre: sum(({ zone, evaluation }) => evaluation.dryArealWeight * zone.geometry.area),
        resin: sum(({ zone, evaluation }) => {
          return evaluation.layers.reduce((all, one) => all + one.resinMass, 0) * zone.geometry.area;
        }),
        plies: Math.max(
          0,
          ...zones.map(
            ({ evaluation }) => evaluation.layers.filter(({ material }) => material.kind === 'fabric').length,
          ),
        ),
      };
    });
  }, [boat]);
  if (!resin) return <p>△ The boat has no resin: choose one in the Brief.</p>;
  const pot = potLifeAt(resin, temperature);
  const outDays = OUT.days * 2 ** ((OUT.celsius - temperature) / OUT.halving);
  const { process } = boat.brief;
  return (
    <>
      <p className="mb-2">
        Shop at {full(temperature, 'temperature')}: {resin.name} has a pot life of {minutes(pot)} with its usual
        hardener, of which {minutes(pot * workingShare)} are used. {people} people wet out{' '}
        {formatNumber(people * wetOut, 2)} kg a minute (as under Kit, Mixing).
      </p>
      <div className="weights-columns mb-3">
        <Needs title="Hand lay-up" now={process === 'handLayUp'}>
          <PartTable
            label="Hand lay-up"
            heads={[`resin, ${unit('mass')}`, 'goes', 'each takes']}
            parts={parts}
            row={(part) => {
              const goes = Math.max(1, Math.ceil(part.plies / layersPerShot));
              const each = (60 * part.resin) / goes / (people * wetOut);
              const late = each > pot * workingShare;
              const words = ' △ in batches, from one end: the first is stiff when the last is laid';
              return [
                show(part.resin, 'mass'),
                `${goes}, ${layersPerShot} layers at most`,
                minutes(each) + (late ? words : ''),
              ];
            }}
          />
          <ul className="mb-0">
            <li>Brush a coat of resin on first, lay into it, roll out from the middle; air comes out at the edges.</li>
            <li>Excess resin is squeegeed off before it gels: it is weight, and the hottest place when it cures.</li>
            <li>Wait until the go has gelled and cooled; lay on while it is tacky, or abrade (Cure says when).</li>
          </ul>
        </Needs>
        <Needs title="Wet bag" now={process === 'wetBag'}>
          <PartTable
            label="Wet bag"
            heads={[`laid wet, ${unit('mass')}`, 'squeezed out', 'bag on within']}
            parts={parts}
            row={(part) => [
              show(part.resin * (1 + BAG_EXTRA), 'mass'),
              full(part.resin * BAG_EXTRA, 'mass'),
              minutes(pot * workingShare),
            ]}
          />
          <ul className="mb-0">
            <li>
              What stays is what the Brief’s process says; {formatNumber(100 * BAG_EXTRA, 0)} % more is laid and goes
              into breather and peel ply. Weigh the breather afterwards: that is what left.
            </li>
            <li>Peel ply, perforated film, breather, bag; the bag is down before the first batch thickens.</li>
            <li>Full vacuum boils styrene off: hold back at half of it until gel with polyester and vinylester.</li>
          </ul>
        </Needs>
        <Needs title="Prepreg" now={process === 'prepreg'}>
          <PartTable
            label="Prepreg"
            heads={[`cloth with resin, ${unit('mass')}`, 'plies', 'debulks']}
            parts={parts}
            row={(part) => [show(part.fibre + part.resin, 'mass'), String(part.plies), String(debulks(part.plies))]}
          />
          <ul className="mb-0">
            <li>
              Out of the freezer at most {formatNumber(outDays, 0)} days in this shop (a common {OUT.days} days at{' '}
              {full(OUT.celsius, 'temperature')}, halved each {OUT.halving} K): its own sheet goes before that. Write
              down every hour out.
            </li>
            <li>
              In the freezer about {FREEZER.months} months at {full(FREEZER.celsius, 'temperature')}; thaw it closed, or
              water comes on the cloth.
            </li>
            <li>Debulk under vacuum after the first ply and each {DEBULK_EVERY} after it, a quarter of an hour.</li>
            <li>The oven must stay below what core, mould and bag bear (Cure says where it does not).</li>
          </ul>
        </Needs>
      </div>
      <p className="small soft">
        ⚠ Gloves, eyes, and a mask for the vapour that the resin’s data sheet names; hardener burns eyes. A pot left
        over is set outside in water, shallow. Left in pots and on tools: {formatNumber(100 * filling.body.waste, 0)} %.
        Local codes and the maker’s sheets go before this.
      </p>
    </>
  );
}

function Needs({ title, now, children }: { title: string; now: boolean; children: React.ReactNode }) {
  return (
    <Card body>
      <h2>
        {title} {now && <span className="soft fw-normal">as the Brief has it</span>}
      </h2>
      {children}
    </Card>
  );
}

/** A debulk after the first ply and after every few. */
const debulks = (plies: number) => (plies === 0 ? 0 : 1 + Math.floor((plies - 1) / DEBULK_EVERY));

/** A row for every part. */
function PartTable<P extends { id: string; name: string }>({
  label,
  heads,
  parts,
  row,
}: {
  label: string;
  heads: readonly string[];
  parts: readonly P[];
  row: (part: P) => readonly string[];
}) {
  return (
    <table className="table table-sm" aria-label={label}>
      <thead>
        <tr>
          {['Part', ...heads].map((head) => (
            <th key={head} scope="col">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {parts.map((part) => (
          <tr key={part.id}>
            <th scope="row" className="fw-normal">
              {part.name}
            </th>
            {row(part).map((cell, i) => (
              <td key={heads[i]}>{cell}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
