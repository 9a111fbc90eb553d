'use client';
import dynamic from 'next/dynamic';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { LayerMaterial, Material } from '@/core/material';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { Refusal } from '../shared/Refusal';
import { useKeptTab } from '../shared/useKept';
import { useCautions } from '../shared/useCautions';
import { useSettled } from '../shared/useSettled';
import { useTurned } from '../shared/useTurned';
import { useWhenGone } from '../shared/useWhenGone';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import type { Question } from './AskBar';
import { layerCommands } from './commands';
import { GridView } from './GridView';
import { layerClipboard } from './layerClipboard';
import { LEAD_COLUMNS } from './LayerRow';
import { layMaterial, nextStepOf } from './layerActions';
import { PartTabs, type View } from './PartTabs';
import { useGridKeys, type Asked } from './useGridKeys';
import { useKeysEverywhere } from './useKeysEverywhere';
import { usePlace, type Place } from './usePlace';
import { useTrial, type LayupState } from './useTrial';
import { ZoneSide } from './ZoneSide';

// Behind a key or a tab: fetched when it is opened.
const MaterialPicker = dynamic(() => import('./MaterialPicker').then((module) => module.MaterialPicker), {
  ssr: false,
});
const CommandPalette = dynamic(() => import('./CommandPalette').then((module) => module.CommandPalette), {
  ssr: false,
});
const WholeBoatLine = dynamic(() => import('./WholeBoatLine').then((module) => module.WholeBoatLine), { ssr: false });
const LinesView = dynamic(() => import('./LinesView').then((module) => module.LinesView), { ssr: false });
const LaminateBook = dynamic(() => import('./LaminateBook').then((module) => module.LaminateBook), { ssr: false });
const SwapDialog = dynamic(() => import('./SwapDialog').then((module) => module.SwapDialog), { ssr: false });
const PartSettings = dynamic(() => import('./PartSettings').then((module) => module.PartSettings), { ssr: false });

/** What goes in, in what order? */
export function LayupScreen({ shelf }: { shelf: Material[] }) {
  const trial = useTrial();
  const place = usePlace(trial.boat);
  if (!place.part) return <p>This boat has no parts yet. Add one under Zones.</p>;
  return <Layup shelf={shelf} trial={trial} place={place} part={place.part} />;
}

interface LayupProps {
  shelf: readonly Material[];
  trial: LayupState;
  place: Place;
  part: NonNullable<Place['part']>;
}

function Layup({ shelf, trial, place, part }: LayupProps) {
  const { boat, evaluations, act } = trial;
  const { layer, zone, ids, cursor } = place;
  const [asked, setAsked] = useState<Asked | null>(null);
  const [question, setQuestion] = useState<Question | null>(null);
  const [settings, setSettings] = useState(false);
  const [swapping, setSwapping] = useState(false);
  const [view, setView] = useKeptTab<View>('layup.view', 'grid', ['grid', 'section', 'book']);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const grid = useRef<HTMLTableElement>(null);

  const materials = useMemo(() => {
    const own = new Set(boat.materials.map((material) => material.id));
    return [...boat.materials, ...shelf.filter((material) => !own.has(material.id))];
  }, [boat.materials, shelf]);
  const say = useCallback((text: string | undefined) => setRefusal(text ?? null), []);
  const backToGrid = useCallback(() => grid.current?.focus({ preventScroll: true }), []);
  useWhenGone(question !== null, backToGrid);
  const moveLayer = useCallback(
    (layerId: string, index: number) => {
      say(act(null, { type: 'layer.move', layerId, index }));
      backToGrid();
    },
    [act, say, backToGrid],
  );
  const clipboard = layerClipboard({
    boat,
    part,
    ids,
    row: cursor.row,
    zoneIds: place.zoneIds,
    materials,
    act,
    say,
    onPasted: place.selectRows,
  });
  const commands = layerCommands({
    boat,
    part,
    ids,
    zoneIds: place.zoneIds,
    inZones: place.inZones,
    act,
    say,
    ask: setQuestion,
    moveRow: place.moveRows,
    pick: (how) => setAsked({ for: 'material', how, seed: '' }),
    view: setView,
    selectRows: place.selectRows,
    step: (which) =>
      void (
        zone && nextStepOf(which, { boat, part, zone, evaluations, scope: 'layer' }, { say, propose: trial.propose })
      ),
    tryFirst: trial.tryFirst,
    setTryFirst: trial.setTryFirst,
    trial: trial.before !== null,
    keep: trial.keep,
    drop: trial.drop,
    palette: () => setAsked({ for: 'command', seed: '' }),
    cut: clipboard.cutByCommand,
    partSettings: () => setSettings(true),
    swap: () => setSwapping(true),
    showPart: place.showPart,
  });
  const doCommand = (id: string) => {
    const command = commands.find((one) => one.id === id);
    if (command && !command.off) command.run();
  };
  useKeysEverywhere(doCommand);
  const keys = useGridKeys({ boat, part, place, commands, asked, setAsked, act, say });

  useTurned(({ of, id, zoneId }) => {
    if (of !== 'layer' && of !== 'zone') return;
    const owner = trial.boat.parts.find(({ layers, zones }) => [...layers, ...zones].some((one) => one.id === id));
    if (!owner) return backToGrid();
    if (owner.id !== part.id) place.showPart(owner.id);
    const row = owner.layers.findIndex((one) => one.id === id);
    const column = owner.zones.findIndex((one) => one.id === (of === 'zone' ? id : zoneId));
    place.moveCursor({
      row: row < 0 ? cursor.row : row,
      column: column < 0 ? cursor.column : LEAD_COLUMNS + column,
    });
    backToGrid();
  });

  const pick = (material: LayerMaterial) => {
    const how = asked?.for === 'material' ? asked.how : 'replace';
    const laid = layMaterial({ boat, part, materials, place }, material, how);
    say(act(null, ...laid.edits));
    if (laid.cursor) place.moveCursor(laid.cursor);
    setAsked(null);
  };

  // Margins first: cautions follow when the hand rests.
  const settled = useSettled(useDesign());
  const cautions = useCautions(settled.boat, settled.evaluations);
  const rested = useSettled(useMemo(() => ({ boat, evaluations }), [boat, evaluations]));

  return (
    <>
      <div className={view === 'grid' ? 'layup' : ''}>
        <div>
          <PartTabs
            parts={boat.parts}
            part={part}
            view={view}
            onPart={place.showPart}
            onView={setView}
            onSettings={() => setSettings(true)}
          />
          <Refusal text={refusal} onClose={() => setRefusal(null)} />
          {view === 'grid' && (
            <GridView
              gridRef={grid}
              trial={trial}
              place={place}
              part={part}
              settled={settled.boat}
              cautions={cautions}
              question={question}
              onAnswered={() => setQuestion(null)}
              keys={keys}
              clipboard={clipboard}
              onMove={moveLayer}
              onCommand={doCommand}
              onEntered={backToGrid}
            />
          )}
          {view === 'section' && (
            <LinesView
              boat={boat}
              part={part}
              evaluations={evaluations}
              zoneId={zone?.id ?? null}
              chosenLayer={layer?.id ?? null}
              act={act}
              say={say}
              onZone={place.showZone}
            />
          )}
          {view === 'book' && (
            <LaminateBook
              boat={boat}
              part={part}
              zoneIds={zone ? [zone.id] : []}
              act={act}
              say={say}
              onLaid={() => {
                setView('grid');
                place.selectRows(part.layers.length, part.layers.length);
              }}
            />
          )}
        </div>
        {zone && view === 'grid' && (
          <ZoneSide
            boat={boat}
            part={part}
            zone={zone}
            evaluation={evaluations.get(zone.id)!}
            cautions={cautions}
            settledBoat={settled.boat}
            trial={trial}
            chosenLayer={layer?.id ?? null}
            onWorking={setWorking}
          />
        )}
      </div>
      <WholeBoatLine {...rested} />
      <Onward to={zone ? `analysis?zone=${zone.id}` : 'analysis'}>Analysis: what does it do under load?</Onward>
      <MaterialPicker
        show={asked?.for === 'material'}
        title={pickingTitle(asked, ids.length, cursor.row)}
        materials={materials}
        seed={asked?.seed ?? ''}
        onPick={pick}
        onClose={() => setAsked(null)}
        onClosed={backToGrid}
      />
      <CommandPalette
        show={asked?.for === 'command'}
        seed={asked?.seed ?? ''}
        commands={commands}
        onClose={() => setAsked(null)}
        onClosed={() => (document.getElementById('ask') ?? grid.current)?.focus()}
      />
      <PartSettings show={settings} part={part} act={act} onClose={() => setSettings(false)} onClosed={backToGrid} />
      <SwapDialog
        show={swapping}
        boat={boat}
        part={part}
        ids={ids}
        materials={materials}
        act={act}
        onClose={() => setSwapping(false)}
        onClosed={backToGrid}
      />
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}

function pickingTitle(asked: Asked | null, count: number, row: number): string {
  if (asked?.for === 'material' && asked.how === 'add') return 'Add a layer';
  return count > 1 ? `${count} layers: choose their material` : `Layer ${row + 1}: choose its material`;
}
