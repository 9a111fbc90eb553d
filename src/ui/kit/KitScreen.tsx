'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Filling } from '@/core/fill';
import type { Cutting, Mixing } from '@/core/kit';
import { useDesign } from '../shared/boat';
import { Tabs } from '../shared/Tabs';
import { useAskedOrKept } from '../shared/useKept';
import type { Kept } from '../shared/useSetting';

const loading = () => <p className="soft">Opening…</p>;
const PiecesTab = dynamic(() => import('./PiecesTab').then((module) => module.PiecesTab), { ssr: false, loading });
const CutTab = dynamic(() => import('./CutTab').then((module) => module.CutTab), { ssr: false, loading });
const BoxesTab = dynamic(() => import('./BoxesTab').then((module) => module.BoxesTab), { ssr: false, loading });
const MixTab = dynamic(() => import('./MixTab').then((module) => module.MixTab), { ssr: false, loading });
const BuyTab = dynamic(() => import('./BuyTab').then((module) => module.BuyTab), { ssr: false, loading });

const KitsTab = dynamic(() => import('./KitsTab').then((module) => module.KitsTab), { ssr: false, loading });

const TABS = {
  pieces: 'Pieces',
  cut: 'On the roll',
  boxes: 'Boxes and plugs',
  mix: 'Mixing',
  buy: 'To buy',
  kits: 'Kits of hulls',
} as const;
type Tab = keyof typeof TABS;
const isTab = (name: string): name is Tab => name in TABS;

/** How the yard cuts and mixes, with the versions that changes are against. */
export interface KitSettings {
  cutting: Kept<Cutting>;
  mixing: Kept<Mixing>;
  /** What a fill draws; it is changed under Fill & cure. */
  filling: Filling;
}

/** What do we cut, and what do we mix? */
export function KitScreen({ settings }: { settings: KitSettings }) {
  const { boat } = useDesign();
  const [kept, open] = useAskedOrKept('view', { name: 'kit.view', usual: 'pieces', known: isTab });
  const [{ cutting, mixing, filling }, setOwn] = useState(settings);
  const tab = (kept ?? 'pieces') as Tab;
  return (
    <>
      <p className="question mb-2">What do we cut, and what do we mix?</p>
      <Tabs names={TABS} open={tab} onOpen={open} />
      <h2 className="d-none d-print-block">
        {boat.name}: {TABS[tab].toLowerCase()}
      </h2>
      <div className="print-sheet">
        {tab === 'pieces' && (
          <PiecesTab cutting={cutting} onKept={(next) => setOwn({ cutting: next, mixing, filling })} />
        )}
        {tab === 'cut' && <CutTab cutting={cutting.body} />}
        {tab === 'boxes' && <BoxesTab />}
        {tab === 'mix' && (
          <MixTab mixing={mixing} filling={filling} onKept={(next) => setOwn({ cutting, mixing: next, filling })} />
        )}
        {tab === 'kits' && <KitsTab />}
        {tab === 'buy' && <BuyTab cutting={cutting.body} mixing={mixing.body} filling={filling} />}
      </div>
      <p className="d-none d-print-block small">
        Decision support: local codes, survey and class, and a licensed naval architect or engineer decide.
      </p>
    </>
  );
}
