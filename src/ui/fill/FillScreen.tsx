'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Curing } from '@/core/cure';
import type { Filling } from '@/core/fill';
import type { Mixing } from '@/core/kit';
import { useDesign } from '../shared/boat';
import { Tabs } from '../shared/Tabs';
import { useAskedOrKept } from '../shared/useKept';
import type { Kept } from '../shared/useSetting';

const loading = () => <p className="soft">Opening…</p>;
const PlanTab = dynamic(() => import('./PlanTab').then((module) => module.PlanTab), { ssr: false, loading });
const BagTab = dynamic(() => import('./BagTab').then((module) => module.BagTab), { ssr: false, loading });
const CureTab = dynamic(() => import('./CureTab').then((module) => module.CureTab), { ssr: false, loading });
const HandTab = dynamic(() => import('./HandTab').then((module) => module.HandTab), { ssr: false, loading });

const TABS = { fill: 'Fill', bag: 'Bag and drop test', cure: 'Cure', hand: 'Hand, wet bag, prepreg' } as const;
type Tab = keyof typeof TABS;
const isTab = (name: string): name is Tab => name in TABS;

/** How the yard fills, cures and mixes, with the versions that changes are against. */
export interface FillSettings {
  filling: Kept<Filling>;
  curing: Kept<Curing>;
  mixing: Kept<Mixing>;
}

/** Will it wet out, and will it cure? */
export function FillScreen({ settings }: { settings: FillSettings }) {
  const { boat } = useDesign();
  const usual = boat.brief.process === 'infusion' ? 'fill' : 'cure';
  const [kept, open] = useAskedOrKept('view', { name: 'fill.view', usual, known: isTab });
  const [own, setOwn] = useState(settings);
  const tab = (kept ?? usual) as Tab;
  return (
    <>
      <p className="question mb-2">Will it wet out, and will it cure?</p>
      <Tabs names={TABS} open={tab} onOpen={open} />
      <h2 className="d-none d-print-block">
        {boat.name}: {TABS[tab].toLowerCase()}
      </h2>
      <div className="print-sheet">
        {tab === 'fill' && <PlanTab settings={own} onFilling={(filling) => setOwn({ ...own, filling })} />}
        {tab === 'bag' && <BagTab filling={own.filling.body} />}
        {tab === 'cure' && <CureTab settings={own} onCuring={(curing) => setOwn({ ...own, curing })} />}
        {tab === 'hand' && <HandTab settings={own} />}
      </div>
      <p className="d-none d-print-block small">
        Decision support: local codes, survey and class, and a licensed naval architect or engineer decide.
      </p>
    </>
  );
}
