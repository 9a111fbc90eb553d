'use client';
import { nanoid } from 'nanoid';
import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import { useCallback, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { Button, Nav } from 'react-bootstrap';
import { directionsOf, hasDirection, normalAngle, type LayerMaterial, type Material } from '@/core/material';
import { cautionsOf } from '@/core/caution';
import type { LayerMove } from '@/core/option';
import { applyEdits, ingredients, makeEvaluator, stackWorking, zoneWorking, type Boat, type Edit, type Layer } from '@/core/schedule';
import { CHECKS } from '@/core/standard';
import { useBoat, useBoatStore } from '../shared/boat';
import { CautionList } from '../shared/CautionList';
import { Onward } from '../shared/Onward';
import { useEdit } from '../shared/useEdit';
import { useSettled } from '../shared/useSettled';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { HatchPatterns } from './Hatch';
import { LayerBar, type LayerBarHandle } from './LayerBar';
import { LayerGrid, type Cursor } from './LayerGrid';
import { LEAD_COLUMNS } from './LayerRow';
import { MaterialPicker } from './MaterialPicker';
import { ZonePanel } from './ZonePanel';

const nothing = () => {};

// Behind a tab: fetched when it is opened.
const LayerMovesPanel = dynamic(() => import('./LayerMovesPanel').then((module) => module.LayerMovesPanel), { ssr: false });

/** What goes in, in what order? */
export function LayupScreen({ shelf }: { shelf: Material[] }) {
  const state = useBoat();
  const { boat, evaluations } = state;
  const store = useBoatStore();
  const edit = useEdit();
  // A link from another screen may name the zone and the layer it is about.
  const asked = useSearchParams();
  const first = boat.parts.find((candidate) => candidate.zones.some(({ id }) => id === asked.get('zone'))) ?? boat.parts[0];
  const firstZone = Math.max(0, first?.zones.findIndex(({ id }) => id === asked.get('zone')) ?? 0);
  const [partId, setPartId] = useState<string | null>(first?.id ?? null);
  const [cursor, setCursor] = useState<Cursor>({ row: Math.max(0, (Number(asked.get('layer')) || 1) - 1), column: LEAD_COLUMNS + firstZone });
  const [zoneId, setZoneId] = useState<string | null>(first?.zones[firstZone]?.id ?? null);
  const [picking, setPicking] = useState<'replace' | 'add' | null>(null);
  const bar = useRef<LayerBarHandle>(null);
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const [trial, setTrial] = useState<{ boat: Boat; move: LayerMove } | null>(null);

  const part = boat.parts.find((candidate) => candidate.id === partId) ?? boat.parts[0];
  const row = part ? Math.min(cursor.row, part.layers.length - 1) : -1;
  const layer = part?.layers[row];
  const zone = part?.zones.find((candidate) => candidate.id === zoneId) ?? part?.zones[0];
  const materials = useMemo(() => {
    const own = new Set(boat.materials.map((material) => material.id));
    return [...boat.materials, ...shelf.filter((material) => !own.has(material.id))];
  }, [boat.materials, shelf]);
  const directions = useMemo(() => {
    const byId = new Map(boat.materials.map((material) => [material.id, material as LayerMaterial]));
    return [...new Set((part?.layers ?? []).flatMap(({ material, angleDeg }) => directionsOf(byId.get(material)!, angleDeg)))].sort((a, b) => a - b).join(' ');
  }, [boat.materials, part?.layers]);
  const materialOf = (id: string) => boat.materials.find((material) => material.id === id) as LayerMaterial | undefined;

  // The rows of the grid render again only when their layer changes, so what they call must not change with every edit.
  const shownPartId = part?.id;
  const partNow = useCallback(() => store.getState().boat.parts.find((candidate) => candidate.id === shownPartId), [store, shownPartId]);
  const moveCursor = useCallback(
    (next: Cursor) => {
      setCursor(next);
      const pointed = partNow()?.zones[next.column - LEAD_COLUMNS];
      if (pointed) setZoneId(pointed.id);
    },
    [partNow],
  );
  const choosePart = (id: string) => {
    const chosen = boat.parts.find((candidate) => candidate.id === id);
    setPartId(id);
    setCursor({ row: 0, column: LEAD_COLUMNS });
    setZoneId(chosen?.zones[0]?.id ?? null);
  };

  const open = useCallback(
    (at: number, column: number) => {
      const here = partNow();
      const chosen = here?.layers[at];
      if (!chosen) return;
      if (column === 0) setPicking('replace');
      else if (column === 1) bar.current?.enter('');
      else {
        const target = here.zones[column - LEAD_COLUMNS]!;
        store.act({ type: 'layer.cover', layerId: chosen.id, zoneId: target.id, covered: !chosen.zones.includes(target.id) });
      }
    },
    [partNow, store],
  );

  /** Edits that bring a Shelf material and what it is made of into the boat's book. */
  const fetching = (material: Material): Edit[] =>
    [...ingredients(material).map((id) => materials.find((candidate) => candidate.id === id)!), material]
      .filter((candidate) => !boat.materials.some((own) => own.id === candidate.id))
      .map((candidate) => ({ type: 'material.put', material: candidate }));
  const usualThickness = (material: LayerMaterial) =>
    material.kind === 'fabric' ? null : material.kind === 'coating' ? material.thickness.value : (material.thicknesses.find((t) => t >= 0.015) ?? material.thicknesses[0]!);

  const pick = (material: LayerMaterial) => {
    if (!part) return;
    if (picking === 'add' || !layer) {
      const added: Layer = { id: nanoid(8), material: material.id, angleDeg: 0, thickness: usualThickness(material), zones: zone ? [zone.id] : [] };
      store.act(...fetching(material), { type: 'layer.add', partId: part.id, layer: added, index: row + 1 });
      setCursor({ row: row + 1, column: cursor.column });
    } else {
      const keeps = material.kind !== 'fabric' && materialOf(layer.material)?.kind === material.kind ? layer.thickness : usualThickness(material);
      store.act(...fetching(material), { type: 'layer.set', layerId: layer.id, patch: { material: material.id, thickness: keeps } });
    }
    setPicking(null);
  };
  const turn = (angleDeg: number) => (layer && angleDeg !== layer.angleDeg ? edit({ type: 'layer.set', layerId: layer.id, patch: { angleDeg } }) : undefined);
  const duplicate = () => {
    if (part && layer && store.act({ type: 'layer.add', partId: part.id, layer: { ...layer, id: nanoid(8) }, index: row + 1 })) setCursor({ ...cursor, row: row + 1 });
  };
  const remove = () => layer && store.act({ type: 'layer.remove', layerId: layer.id });
  const move = (by: number) => {
    const to = row + by;
    if (part && layer && to >= 0 && to < part.layers.length && store.act({ type: 'layer.move', layerId: layer.id, index: to })) setCursor({ ...cursor, row: to });
  };

  const command = (event: KeyboardEvent): 'stays' | 'goes' | null => {
    if (event.ctrlKey || event.metaKey) return null;
    if (event.altKey) {
      if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return null;
      move(event.key === 'ArrowUp' ? -1 : 1);
      return 'stays';
    }
    const turns = layer && hasDirection(materialOf(layer.material)!);
    if (/^[-−\d.]$/.test(event.key) && layer && (turns || layer.thickness !== null)) {
      bar.current?.enter(event.key);
      return 'goes';
    }
    if (event.key === 'n') {
      setPicking('add');
      return 'goes';
    }
    if (event.key === 't' && turns) turn(normalAngle(layer.angleDeg + 45));
    else if (event.key === 'T' && turns) turn(normalAngle(layer.angleDeg + 90));
    else if (event.key === 'd') duplicate();
    else if (event.key === 'Delete') remove();
    else return null;
    return 'stays';
  };
  // Margins first: cautions follow when the hand rests.
  const settled = useSettled(state);
  const cautions = useMemo(() => cautionsOf(settled.boat, settled.evaluations), [settled.boat, settled.evaluations]);
  /** A change that is looked at before it is taken; it ends when the boat moves on. */
  const preview = trial?.boat === boat ? trial.move : null;
  const shown = useMemo(() => {
    if (!preview) return { boat, evaluations };
    const after = applyEdits(boat, preview.edits).boat;
    return { boat: after, evaluations: makeEvaluator()(after) };
  }, [boat, evaluations, preview]);
  const accept = () => {
    if (preview) store.act(...preview.edits);
    setTrial(null);
  };
  const backToGrid = () => document.querySelector<HTMLElement>(`[data-cell="${row}:${cursor.column}"]`)?.focus();

  if (!part) return <p>This boat has no parts yet. Add one under Zones.</p>;
  return (
    <>
      <HatchPatterns directions={directions} />
      <div className="layup">
        <div>
          <div className="d-flex align-items-end gap-3 mb-2">
            <Nav variant="tabs" activeKey={part.id} onSelect={(id) => id && choosePart(id)} className="flex-grow-1">
              {boat.parts.map((candidate) => (
                <Nav.Item key={candidate.id}>
                  <Nav.Link eventKey={candidate.id} as="button" type="button">
                    {candidate.name}
                  </Nav.Link>
                </Nav.Item>
              ))}
            </Nav>
            <span className="small soft pb-1">Row 1 lies on the mould face</span>
          </div>
          <LayerBar
            key={layer?.id ?? 'none'}
            ref={bar}
            layer={layer}
            index={row}
            last={part.layers.length - 1}
            material={layer && materialOf(layer.material)}
            onAngle={turn}
            onThickness={(thickness) => (layer ? edit({ type: 'layer.set', layerId: layer.id, patch: { thickness } }) : undefined)}
            onEntered={backToGrid}
            onMaterial={() => setPicking('replace')}
            onAdd={() => setPicking('add')}
            onDuplicate={duplicate}
            onRemove={remove}
            onMove={move}
          />
          {preview && (
            <div className="preview-bar" role="status">
              <span>
                Shown for trial: <strong>{preview.title}</strong>
              </span>
              <Button size="sm" onClick={accept}>
                Keep it
              </Button>
              <Button size="sm" variant="outline-primary" onClick={() => setTrial(null)}>
                Drop it
              </Button>
            </div>
          )}
          <LayerGrid
            boat={shown.boat}
            part={shown.boat.parts.find((candidate) => candidate.id === part.id)!}
            evaluations={shown.evaluations}
            cautions={cautions}
            trial={preview !== null}
            cursor={{ row, column: cursor.column }}
            zoneId={zone?.id ?? null}
            onCursor={moveCursor}
            onOpen={preview ? nothing : open}
            onCommand={command}
            onMove={(layerId, index) => store.act({ type: 'layer.move', layerId, index })}
          />
          <p className="small soft mt-1 mb-0">
            Arrows move · Space covers or uncovers · Enter on a layer chooses its material · type an angle · T turns · N adds · D duplicates · Alt+↑↓ moves · Delete removes ·
            Ctrl+Z takes back
          </p>
        </div>
        {zone && (
          <ZonePanel
            boat={shown.boat}
            part={shown.boat.parts.find((candidate) => candidate.id === part.id)!}
            zone={zone}
            evaluation={shown.evaluations.get(zone.id)!}
            openCautions={cautions.filter((caution) => !caution.accepted && caution.zoneIds.includes(zone.id)).length}
            cautions={<CautionList boat={boat} cautions={cautions.filter((caution) => caution.zoneIds.includes(zone.id))} empty="Nothing to say against this stack." />}
            moves={
              <LayerMovesPanel
                boat={boat}
                part={part}
                zone={zone}
                evaluations={evaluations}
                preview={preview}
                onPreview={(move) => setTrial(move && { boat, move })}
                onAccept={accept}
              />
            }
            chosenLayer={layer?.id ?? null}
            onWorking={(topic) =>
              setWorking({
                title: `${zone.name}: ${topic === 'all' ? 'whole working' : topic === 'stack' ? 'stack and stiffness' : CHECKS[topic.id]}`,
                record: () =>
                  topic === 'stack'
                    ? stackWorking(boat, part, zone)
                    : topic === 'all'
                      ? [...zoneWorking(boat, part, zone), ...stackWorking(boat, part, zone)]
                      : zoneWorking(boat, part, zone, topic.id, topic.pack),
              })
            }
          />
        )}
      </div>
      <Onward to={zone ? `analysis?zone=${zone.id}` : 'analysis'}>Analysis: what does it do under load?</Onward>
      <MaterialPicker
        show={picking !== null}
        title={picking === 'add' ? 'Add a layer' : `Layer ${row + 1}: choose its material`}
        materials={materials}
        onPick={pick}
        onClose={() => setPicking(null)}
        onClosed={backToGrid}
      />
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}
