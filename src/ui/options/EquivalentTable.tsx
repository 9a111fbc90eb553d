'use client';
import { CHECKS } from '@/core/standard';
import type { ZoneEquivalent, ZoneEquivalents } from '@/core/option';
import { displayUnit, formatNumber, formatReserve, formatSigned } from '@/core/quantity';
import { Term } from '../help/Term';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import { nameOf } from './nameOf';

/** Of what got worse, so many stand in the row. */
const FEW = 2;

/** Layers of one kind after each other as one: '3 × BX45 600'. */
export function saidStack(stack: ZoneEquivalent['stack'], thickness: (metres: number) => string): string {
  const words = stack.map(({ code, angleDeg, thickness: given }) => {
    if (given !== null) return `${code} ${thickness(given)}`;
    return angleDeg === 0 ? code : `${code} ${angleDeg}°`;
  });
  const runs: { word: string; count: number }[] = [];
  for (const word of words) {
    const last = runs.at(-1);
    if (last?.word === word) last.count += 1;
    else runs.push({ word, count: 1 });
  }
  // Two fabrics in turn, over and over, are said once.
  const [a, b] = runs;
  const turns = runs.length > 4 && runs.every(({ word, count }, i) => count === 1 && word === (i % 2 ? b : a)!.word);
  if (turns) return `${words.length} layers, ${a!.word} and ${b!.word} in turn`;
  return runs.map(({ word, count }) => (count > 1 ? `${count} × ${word}` : word)).join(', ');
}

interface EquivalentTableProps {
  found: ZoneEquivalents;
  target: number;
  chosen: number | null;
  onChoose: (index: number) => void;
}

/** Every alternative with what it comes to, and what gets worse. */
export function EquivalentTable({ found: { now, found }, target, chosen, onChoose }: EquivalentTableProps) {
  const { show, full, unit, system } = useUnits();
  const perArea = displayUnit('area', system).factor;
  return (
    <table className="table align-middle mb-0" aria-label="What else would do">
      <thead>
        <tr>
          <th>Laid of</th>
          <th>Behind coating and skin coat, from the mould</th>
          <th className="num">
            Weight <span className="unit">{unit('laminateWeight')}</span>
          </th>
          <th className="num">
            Thick <span className="unit">{unit('thickness')}</span>
          </th>
          <th className="num">Price per {unit('area')}</th>
          <th className="num">
            <Term of="reserve">Reserve</Term>
          </th>
          <th>What gets worse</th>
        </tr>
      </thead>
      <tbody>
        <tr className="soft">
          <td>as it is laid now</td>
          <td>{now.layers} layers</td>
          <td className="num">{show(now.mass, 'laminateWeight')}</td>
          <td className="num">{show(now.thickness, 'thickness')}</td>
          <td className="num">{now.cost === null ? 'no price' : formatNumber(now.cost * perArea, 0)}</td>
          <td className="num">
            {now.reserveFactor === null ? (
              'not proven'
            ) : (
              <Verdict reserveFactor={now.reserveFactor} target={target} words={false} />
            )}
          </td>
          <td />
        </tr>
        {found.map((one, i) => (
          <tr key={nameOf(one)} className={i === chosen ? 'chosen-row' : ''}>
            <td>
              <button
                type="button"
                className="reason-button text-start"
                aria-pressed={i === chosen}
                onClick={() => onChoose(i)}
              >
                {nameOf(one)}
              </button>
            </td>
            <td className="small">{saidStack(one.stack, (metres) => full(metres, 'thickness'))}</td>
            <td className="num text-nowrap">
              {show(one.mass, 'laminateWeight')}{' '}
              <span className="soft">{formatSigned((one.mass / now.mass - 1) * 100, 0)} %</span>
            </td>
            <td className="num">{show(one.thickness, 'thickness')}</td>
            <td className="num">{one.cost === null ? 'no price' : formatNumber(one.cost * perArea, 0)}</td>
            <td className="num">
              {one.reserveFactor === null ? (
                'not proven'
              ) : (
                <Verdict reserveFactor={one.reserveFactor} target={target} words={false} />
              )}
            </td>
            <td className="small">
              {one.worse
                .slice(0, FEW)
                .map(({ id, before, after }) => `${CHECKS[id]} ${formatReserve(before)} → ${formatReserve(after)}`)
                .join('; ')}
              {one.worse.length > FEW && `; ${one.worse.length - FEW} more`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
