'use client';
import dynamic from 'next/dynamic';
import type { PriceList, Rates } from '@/core/cost';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { Tabs } from '../shared/Tabs';
import { useAskedOrKept } from '../shared/useKept';
import { LaminateTab } from './LaminateTab';
import { TakeAlong } from './TakeAlong';

const loading = () => <p className="soft">Opening…</p>;
const AboardTab = dynamic(() => import('./AboardTab').then((module) => module.AboardTab), { ssr: false, loading });
const FloatTab = dynamic(() => import('./FloatTab').then((module) => module.FloatTab), { ssr: false, loading });
const StagesTab = dynamic(() => import('./StagesTab').then((module) => module.StagesTab), { ssr: false, loading });
const CostTab = dynamic(() => import('./CostTab').then((module) => module.CostTab), { ssr: false, loading });
const SpacesTab = dynamic(() => import('./SpacesTab').then((module) => module.SpacesTab), { ssr: false, loading });

const TABS = {
  laminate: 'Laminate',
  aboard: 'Everything aboard',
  floats: 'How she floats',
  stages: 'Stage by stage',
  cost: 'Cost and hours',
  spaces: 'Buoyancy and tanks',
} as const;
type Tab = keyof typeof TABS;
const isTab = (name: string): name is Tab => name in TABS;

/** A setting of the yard with the version that a change is against. */
export interface YardSettings {
  rates: { body: Rates; version: number; own: { author: string; at: string } | null };
  prices: { body: PriceList; version: number; own: { author: string; at: string } | null };
}

/** Does it meet the scales, and the price? */
export function WeightsScreen({ yard }: { yard: YardSettings }) {
  const [kept, open] = useAskedOrKept('view', { name: 'weights.view', usual: 'laminate', known: isTab });
  const { boat } = useDesign();
  const tab = (kept ?? 'laminate') as Tab;
  return (
    <>
      <div className="d-flex">
        <p className="question mb-2">Does it meet the scales, and the price?</p>
        <TakeAlong />
      </div>
      <Tabs names={TABS} open={tab} onOpen={open} />
      <h2 className="d-none d-print-block">
        {boat.name}: {TABS[tab].toLowerCase()}
      </h2>
      <div className="print-sheet">
        {tab === 'laminate' && <LaminateTab />}
        {tab === 'aboard' && <AboardTab />}
        {tab === 'floats' && <FloatTab />}
        {tab === 'stages' && <StagesTab />}
        {tab === 'cost' && <CostTab yard={yard} />}
        {tab === 'spaces' && <SpacesTab />}
      </div>
      <p className="d-none d-print-block small">
        Decision support: local codes, survey and class, and a licensed naval architect or engineer decide.
      </p>
      <Onward to="revisions">Revisions: sign what stands</Onward>
    </>
  );
}
