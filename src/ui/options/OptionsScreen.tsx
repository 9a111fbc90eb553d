'use client';
import dynamic from 'next/dynamic';
import type { Material } from '@/core/material';
import type { HabitsOfYard } from '@/core/option';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { Tabs } from '../shared/Tabs';
import { useAskedOrKept } from '../shared/useKept';

const loading = () => <p className="soft">Opening…</p>;
const ProposeTab = dynamic(() => import('./ProposeTab').then((module) => module.ProposeTab), { ssr: false, loading });
const BetterTab = dynamic(() => import('./BetterTab').then((module) => module.BetterTab), { ssr: false, loading });
const LessTab = dynamic(() => import('./LessTab').then((module) => module.LessTab), { ssr: false, loading });
const EquivalentsTab = dynamic(() => import('./EquivalentsTab').then((module) => module.EquivalentsTab), {
  ssr: false,
  loading,
});

const BesideTab = dynamic(() => import('./BesideTab').then((module) => module.BesideTab), { ssr: false, loading });
const SurveyTab = dynamic(() => import('./SurveyTab').then((module) => module.SurveyTab), { ssr: false, loading });

const TABS = {
  propose: 'First proposal',
  better: 'Look for better',
  less: 'Why not less?',
  otherwise: 'In another fibre or core',
  beside: 'Side by side',
  survey: 'An existing part',
} as const;
type Tab = keyof typeof TABS;
const isTab = (name: string): name is Tab => name in TABS;

/** What else would do? A first schedule, a better one, why not less, and other materials. */
export function OptionsScreen({ shelf, habits }: { shelf: readonly Material[]; habits: readonly HabitsOfYard[] }) {
  const { boat } = useDesign();
  const laid = boat.parts.some(({ layers }) => layers.length > 0);
  const [kept, open] = useAskedOrKept('view', {
    name: 'options.view',
    usual: laid ? 'better' : 'propose',
    known: isTab,
  });
  const tab = (kept ?? 'propose') as Tab;
  return (
    <>
      <p className="question mb-2">What else would do?</p>
      <Tabs names={TABS} open={tab} onOpen={open} />
      {tab === 'propose' && <ProposeTab shelf={shelf} yard={habits} />}
      {tab === 'better' && <BetterTab shelf={shelf} />}
      {tab === 'less' && <LessTab />}
      {tab === 'otherwise' && <EquivalentsTab shelf={shelf} />}
      {tab === 'beside' && <BesideTab />}
      {tab === 'survey' && <SurveyTab shelf={shelf} />}
      <Onward to="weights">Weights: does it meet the scales?</Onward>
    </>
  );
}
