'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import { asKnown, boatInShort, type BoatInShort } from '@/core/cost';
import type { Boat } from '@/core/document';
import type { ZoneEvaluation } from '@/core/evaluate';
import { formatNumber } from '@/core/quantity';
import { useUnits } from '../shared/units';
import { useYard } from '../shared/useYard';

interface Props {
  /** As it stands once the keys rest. */
  boat: Boat;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
}

/** The whole boat in a line under the grid: what the last changes moved besides margins. */
export function WholeBoatLine({ boat, evaluations }: Props) {
  const { full } = useUnits();
  const yard = useYard();
  const now = useMemo(() => yard && boatInShort(boat, evaluations, yard), [boat, evaluations, yard]);
  const before = useBefore(now);
  if (!now || !yard) return <p className="small soft mb-0">Weighing the boat…</p>;
  const by = (pick: (of: BoatInShort) => number | null, said: (value: number) => string, least: number) => {
    const [is, was] = [pick(now), before && pick(before)];
    if (is === null || was === null || was === undefined || Math.abs(is - was) < least) return '';
    return ` (${is > was ? '+' : '−'}${said(Math.abs(is - was))})`;
  };
  const { currency } = yard.rates;
  const mass = (value: number) => full(value, 'mass');
  const money = (value: number) => `${formatNumber(value, 0)} ${currency}`;
  const parts = [
    now.light === null ? null : `light ${mass(now.light)}${by(({ light }) => light, mass, 0.05)}`,
    now.full === null ? null : `full load ${mass(now.full)}`,
    now.centreHeight === null
      ? null
      : `centre ${full(now.centreHeight, 'length')} up${by(
          ({ centreHeight }) => centreHeight,
          (value) => full(value, 'shortLength'),
          0.0005,
        )}`,
    now.trimDeg === null
      ? 'not afloat'
      : `trim ${formatNumber(Math.abs(now.trimDeg), 1)}° bow ${now.trimDeg >= 0 ? 'up' : 'down'}`,
    now.leastFreeboard === null ? null : `least freeboard ${full(now.leastFreeboard, 'length')}`,
    `${money(asKnown(now.cost, now.costScatter))}${by(({ cost }) => cost, money, 0.5)}`,
    `${formatNumber(asKnown(now.hours, now.hoursScatter), 0)} h${by(
      ({ hours }) => hours,
      (value) => `${formatNumber(value, 1)} h`,
      0.05,
    )}`,
  ];
  return (
    <p className="small mb-0" aria-label="The whole boat" aria-live="off">
      <strong>The whole boat</strong>: {parts.filter(Boolean).join(', ')}.{' '}
      <span className="soft">In brackets: since you came here.</span>
    </p>
  );
}

/** The first that was known. */
function useBefore(now: BoatInShort | null): BoatInShort | null {
  const first = useRef<BoatInShort | null>(null);
  const [before, setBefore] = useState<BoatInShort | null>(null);
  useEffect(() => {
    if (now === null || first.current !== null) return;
    first.current = now;
    setBefore(now);
  }, [now]);
  return before;
}
