'use client';
import { nanoid } from 'nanoid';
import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import { useCallback, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { directionsOf, hasDirection, type LayerMaterial, type Material } from '@/core/material';
import { chooseMaterial, fetchMaterials, setGiven, usualRole, usualThickness } from '@/core/edit';
import { newLayer, type Layer, type LayerGroup } from '@/core/document';
import { piecesOf } from '@/core/lines';
import { targetOf } from '@/core/evaluate';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { Refusal } from '../shared/Refusal';
import { useCautions } from '../shared/useCautions';
import { useLatest } from '../shared/useLatest';
import { useSettled } from '../shared/useSettled';
import { useWhenGone } from '../shared/useWhenGone';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { AskBar, type Question } from './AskBar';
import type { Command } from './commands';
import { meaningOf } from './gridKey';
import { HatchPatterns } from './Hatch';
import { layerClipboard } from './layerClipboard';
import { LayerBar, type LayerBarHandle } from './LayerBar';
import { LayerGrid, type Cursor } from './LayerGrid';
import { LEAD_COLUMNS } from './LayerRow';
import { layerCommands } from './layerCommands';
import { PartTabs, type View } from './PartTabs';
import { TrialBar } from './TrialBar';
import { useKeysEverywhere } from './useKeysEverywhere';
import { useSelection } from './useSelection';
import { useTrial } from './useTrial';
import { ZoneSide } from './ZoneSide';
import { useZonesShown } from './useZonesShown';
import { ZONES_SHOWN, ZoneStrip } from './ZoneStrip';

// Behind a key or a tab: fetched when it is opened.
const MaterialPicker = dynamic(() => import('./MaterialPicker').then((module) => module.MaterialPicker), {
  ssr: false,
});
const CommandPalette = dynamic(() => import('./CommandPalette').then((module) => module.CommandPalette), {
  ssr: false,
});
const LinesView = dynamic(() => import('./LinesView').then((module) => module.LinesView), { ssr: false });
const LaminateBook = dynamic(() => import('./LaminateBook').then((module) => module.LaminateBook), { ssr: false });
const PartSettings = dynamic(() => import('./PartSettings').then((module) => module.PartSettings), { ssr: false });

/** What goes in, in what order? */
export function LayupScreen({ shelf }: { shelf: Material[] }) {
  const state = useDesign();
  const trial = useTrial();
  const { boat, evaluations, act } = trial;
  // A link from another screen may name the zone and the layer it is about.
  const asked = useSearchParams();
  const first =
    boat.parts.find((candidate) => candidate.zones.some(({ id }) => id === asked.get('zone'))) ?? boat.parts[0];
  const firstZone = Math.max(0, first?.zones.findIndex(({ id }) => id === asked.get('zone')) ?? 0);
  const [partId, setPartId] = useState<string | null>(first?.id ?? null);
  const selection = useSelection({
    row: Math.max(0, (Number(asked.get('layer')) || 1) - 1),
    column: LEAD_COLUMNS + firstZone,
  });
  const { cursor, move } = selection;
  const [zoneId, setZoneId] = useState<string | null>(first?.zones[firstZone]?.id ?? null);
  const [picking, setPicking] = useState<{ how: 'replace' | 'add'; seed: string } | null>(null);
  const [question, setQuestion] = useState<Question | null>(null);
  const [palette, setPalette] = useState<{ seed: string } | null>(null);
  const [settings, setSettings] = useState(false);
  const [view, setView] = useState<View>('grid');
  const [refusal, setRefusal] = useState<string | null>(null);
  const bar = useRef<LayerBarHandle>(null);
  const [working, setWorking] = useState<WorkingRequest | null>(null);

  const part = boat.parts.find((candidate) => candidate.id === partId) ?? boat.parts[0];
  const row = part ? Math.min(cursor.row, part.layers.length - 1) : -1;
  const layers = part?.layers ?? NO_LAYERS;
  const layer = layers[row];
  const zone = part?.zones.find((candidate) => candidate.id === zoneId) ?? part?.zones[0];
  const materials = useMemo(() => {
    const own = new Set(boat.materials.map((material) => material.id));
    return [...boat.materials, ...shelf.filter((material) => !own.has(material.id))];
  }, [boat.materials, shelf]);
  const directions = useMemo(() => {
    const byId = new Map(boat.materials.map((material) => [material.id, material as LayerMaterial]));
    return [...new Set(layers.flatMap(({ material, angleDeg }) => directionsOf(byId.get(material)!, angleDeg)))]
      .sort((a, b) => a - b)
      .join(' ');
  }, [boat.materials, layers]);
  const materialOf = (id: string) => boat.materials.find((material) => material.id === id) as LayerMaterial | undefined;
  const rowsChosen = useMemo(
    () => new Set([...selection.rows].filter((at) => at < layers.length)),
    [selection.rows, layers.length],
  );
  const ids = layers.flatMap(({ id }, at) => (rowsChosen.has(at) ? [id] : []));
  const inZones = selection.zones.length > 0;
  const zoneIds = inZones ? selection.zones.flatMap((at) => part?.zones[at]?.id ?? []) : zone ? [zone.id] : [];
  const [from, fromStart] = useZonesShown(part, zone);

  // The rows of the grid render again only when their layer changes, so what they call must not change with every edit.
  const nowRef = useLatest({ part, boat });
  const moveCursor = useCallback(
    (next: Cursor, how: 'alone' | 'extend' | 'more' = 'alone') => {
      move(next, how);
      const pointed = nowRef.current.part?.zones[next.column - LEAD_COLUMNS];
      if (pointed) setZoneId(pointed.id);
    },
    [move, nowRef],
  );
  const choosePart = (id: string) => {
    const chosen = boat.parts.find((candidate) => candidate.id === id);
    setPartId(id);
    fromStart();
    move({ row: 0, column: LEAD_COLUMNS });
    setZoneId(chosen?.zones[0]?.id ?? null);
  };
  const say = useCallback((text: string | undefined) => setRefusal(text ?? null), []);
  const moveLayer = useCallback(
    (layerId: string, index: number) => say(act(null, { type: 'layer.move', layerId, index })),
    [act, say],
  );

  const open = useCallback(
    (atRow: number, column: number) => {
      const here = nowRef.current.part;
      const chosen = here?.layers[atRow];
      if (!chosen) return;
      if (column === 0) setPicking({ how: 'replace', seed: '' });
      else if (column === 1) bar.current?.enter('');
      else {
        const target = here.zones[column - LEAD_COLUMNS]!;
        say(
          act(null, {
            type: 'layer.cover',
            layerId: chosen.id,
            zoneId: target.id,
            covered: !chosen.zones.includes(target.id),
          }),
        );
      }
    },
    [act, say, nowRef],
  );

  const fetching = (...wanted: Material[]) => fetchMaterials(boat, materials, wanted);

  const pick = (material: LayerMaterial) => {
    if (!part) return;
    if (picking?.how === 'add' || !layer) {
      const added = newLayer({
        id: nanoid(8),
        material: material.id,
        thickness: usualThickness(material),
        role: usualRole(material),
        group: layer?.group ?? null,
        zones: zone ? part.zones.map(({ id }) => id).filter((id) => zoneIds.includes(id)) : [],
      });
      say(act(null, ...fetching(material), { type: 'layer.add', partId: part.id, layer: added, index: row + 1 }));
      move({ row: row + 1, column: cursor.column });
    } else {
      say(act(null, ...fetching(material), ...chooseMaterial(boat, part, ids, material)));
    }
    setPicking(null);
  };
  /** Angle or thickness for every selected layer that takes it. */
  const set = (patch: { angleDeg: number } | { thickness: number }) =>
    part ? act(null, ...setGiven(boat, part, ids, patch)) : undefined;

  const clipboard =
    part && layerClipboard({ boat, part, ids, row, zoneIds, materials, act, say, onPasted: selection.selectRows });
  const step = async (which: 'lightest' | 'strongest') => {
    if (!part || !zone) return;
    const { layerMoves, nextStep } = await import('@/core/option');
    const found = nextStep(which, layerMoves({ boat, part, zone, evaluations, scope: 'layer' }), {
      now: evaluations.get(zone.id)?.governing?.reserveFactor ?? 0,
      target: targetOf(boat),
    });
    if (found) trial.propose(found.title, found.edits);
    else
      say(
        which === 'lightest'
          ? 'No single change is lighter and leaves every zone it touches at the target.'
          : 'No single change makes this zone stronger.',
      );
  };

  const commands: Command[] = part
    ? layerCommands({
        boat,
        part,
        ids,
        row,
        zoneIds,
        inZones,
        act,
        say,
        ask: setQuestion,
        moveRow: (by) => {
          if (rowsChosen.size <= 1) move({ row: Math.max(0, row + by), column: cursor.column });
          else {
            const rows = [...rowsChosen].sort((a, b) => a - b);
            if (rows[0]! + by >= 0) selection.selectRows(rows[0]! + by, rows.at(-1)! + by);
          }
        },
        pick: (how) => setPicking({ how, seed: '' }),
        view: setView,
        selectRows: selection.selectRows,
        step: (which) => void step(which),
        tryFirst: trial.tryFirst,
        setTryFirst: trial.setTryFirst,
        trial: trial.before !== null,
        keep: trial.keep,
        drop: trial.drop,
        palette: () => setPalette({ seed: '' }),
        cut: () => clipboard?.cutByCommand(),
        partSettings: () => setSettings(true),
        showPart: (id) => setPartId(id),
      })
    : [];
  const doCommand = (id: string) => {
    const command = commands.find((one) => one.id === id);
    if (command && !command.off) command.run();
  };
  const command = (event: KeyboardEvent): 'stays' | 'goes' | null => {
    // Asked for, but not on the screen yet: what is typed meanwhile is meant for it.
    if (picking || palette) {
      if (event.key.length > 1 || event.ctrlKey || event.metaKey || event.altKey) return 'goes';
      if (picking) setPicking({ ...picking, seed: picking.seed + event.key });
      if (palette) setPalette({ seed: palette.seed + event.key });
      return 'goes';
    }
    const takesFigures = layer ? hasDirection(materialOf(layer.material)!) || layer.thickness !== null : null;
    const meaning = meaningOf(event, cursor.column, takesFigures, commands);
    if (meaning === null) return null;
    if (meaning.does === 'run') {
      const { command: found } = meaning;
      if (found.off) say(`${found.title}: ${found.off}.`);
      else {
        setRefusal(null);
        found.run();
      }
      return found.leaves ? 'goes' : 'stays';
    }
    if (meaning.does === 'spell') setPicking({ how: 'replace', seed: meaning.seed });
    else if (meaning.does === 'enter') bar.current?.enter(meaning.seed);
    else open(row, cursor.column);
    return 'goes';
  };
  useKeysEverywhere(doCommand);

  // Margins first: cautions and piece counts follow when the hand rests.
  const settled = useSettled(state);
  const found = useCautions(settled.boat, settled.evaluations);
  const cautions = found ?? NO_CAUTIONS;
  const settledPart = settled.boat.parts.find(({ id }) => id === part?.id);
  const pieces = useMemo(
    () => new Map(settledPart ? piecesOf(settled.boat, settledPart).map((one) => [one.layerId, one]) : []),
    [settled.boat, settledPart],
  );
  const piece = layer && pieces.get(layer.id);
  const cellAt = () => document.querySelector<HTMLElement>(`[data-cell="${row}:${cursor.column}"]`);
  const backToGrid = () => cellAt()?.focus();
  useWhenGone(question !== null, backToGrid);
  const selectGroup = (group: LayerGroup) => {
    const places = part!.layers.flatMap(({ group: id }, place) => (id === group.id ? [place] : []));
    selection.selectRows(places[0]!, places.at(-1)!);
    requestAnimationFrame(backToGrid);
  };

  if (!part) return <p>This boat has no parts yet. Add one under Zones.</p>;
  return (
    <>
      <HatchPatterns directions={directions} />
      <div className={view === 'grid' ? 'layup' : ''}>
        <div>
          <PartTabs
            parts={boat.parts}
            part={part}
            view={view}
            onPart={choosePart}
            onView={setView}
            onSettings={() => setSettings(true)}
          />
          <Refusal text={refusal} onClose={() => setRefusal(null)} />
          {view === 'grid' && (
            <>
              <LayerBar
                key={layer?.id ?? 'none'}
                ref={bar}
                layer={layer}
                index={row}
                last={part.layers.length - 1}
                material={layer && materialOf(layer.material)}
                count={ids.length}
                pieces={
                  piece && materialOf(layer.material)?.kind === 'fabric'
                    ? `${piece.count} ${piece.count === 1 ? 'piece' : 'pieces'}${piece.oneHanded.length ? ', △ one hand only' : ''}`
                    : ''
                }
                onAngle={(angleDeg) => set({ angleDeg })}
                onThickness={(thickness) => set({ thickness })}
                onEntered={backToGrid}
                onMaterial={() => setPicking({ how: 'replace', seed: '' })}
                onAdd={() => setPicking({ how: 'add', seed: '' })}
                onCommand={doCommand}
              />
              {question && <AskBar question={question} onDone={() => setQuestion(null)} />}
              <TrialBar trial={trial} />
              {part.zones.length > ZONES_SHOWN && (
                <ZoneStrip
                  zones={part.zones}
                  evaluations={evaluations}
                  target={targetOf(boat)}
                  first={from}
                  zoneId={zone?.id ?? null}
                  onZone={(index) => moveCursor({ row: Math.max(0, row), column: LEAD_COLUMNS + index })}
                />
              )}
              <LayerGrid
                boat={boat}
                part={part}
                evaluations={evaluations}
                before={trial.before}
                cautions={cautions}
                cursor={{ row, column: cursor.column }}
                selectedRows={selection.wide ? rowsChosen : NONE}
                selectedColumns={selection.columns}
                zoneId={zone?.id ?? null}
                firstZone={from}
                onCursor={moveCursor}
                onOpen={open}
                onCommand={command}
                onMove={moveLayer}
                onCopy={clipboard!.copy}
                onCut={clipboard!.cut}
                onPaste={clipboard!.paste}
                onGroup={selectGroup}
              />
              <p className="small soft mt-1 mb-0">
                Row 1 lies on the mould face · <kbd>Ctrl+K</kbd> lists everything · Shift+arrows select · Space covers ·
                type a fabric on its column, an angle elsewhere · Ctrl+C, X, V also with a spreadsheet
              </p>
            </>
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
              onZone={setZoneId}
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
                selection.selectRows(part.layers.length, part.layers.length);
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
            cautions={found}
            settledBoat={settled.boat}
            trial={trial}
            chosenLayer={layer?.id ?? null}
            onWorking={setWorking}
          />
        )}
      </div>
      <Onward to={zone ? `analysis?zone=${zone.id}` : 'analysis'}>Analysis: what does it do under load?</Onward>
      <MaterialPicker
        show={picking !== null}
        title={
          picking?.how === 'add'
            ? 'Add a layer'
            : ids.length > 1
              ? `${ids.length} layers: choose their material`
              : `Layer ${row + 1}: choose its material`
        }
        materials={materials}
        seed={picking?.seed ?? ''}
        onPick={pick}
        onClose={() => setPicking(null)}
        onClosed={backToGrid}
      />
      <CommandPalette
        show={palette !== null}
        seed={palette?.seed ?? ''}
        commands={commands}
        onClose={() => setPalette(null)}
        onClosed={() => (document.getElementById('ask') ?? cellAt())?.focus()}
      />
      <PartSettings show={settings} part={part} act={act} onClose={() => setSettings(false)} onClosed={backToGrid} />
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}

const NONE: ReadonlySet<number> = new Set();
const NO_LAYERS: readonly Layer[] = [];
const NO_CAUTIONS: never[] = [];
