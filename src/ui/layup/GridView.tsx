import { useMemo, type RefObject } from 'react';
import { directionsOf, type LayerMaterial } from '@/core/material';
import { setGiven } from '@/core/edit';
import type { Caution } from '@/core/caution';
import type { Boat, LayerGroup, Part } from '@/core/document';
import { targetOf } from '@/core/evaluate';
import { piecesOf } from '@/core/lines';
import { AskBar, type Question } from './AskBar';
import { HatchPatterns } from './Hatch';
import type { layerClipboard } from './layerClipboard';
import { LayerBar } from './LayerBar';
import { LayerGrid } from './LayerGrid';
import { LEAD_COLUMNS } from './LayerRow';
import { TrialBar } from './TrialBar';
import type { GridKeys } from './useGridKeys';
import type { Place } from './usePlace';
import type { LayupState } from './useTrial';
import { ZONES_SHOWN, ZoneStrip } from './ZoneStrip';

const NO_ROWS: ReadonlySet<number> = new Set();
const NO_CAUTIONS: readonly Caution[] = [];

export interface GridViewProps {
  gridRef: RefObject<HTMLTableElement | null>;
  trial: LayupState;
  place: Place;
  part: Part;
  /** The boat as it stood when the hand last rested. */
  settled: Boat;
  /** Null until the rules have been looked through. */
  cautions: readonly Caution[] | null;
  question: Question | null;
  onAnswered: () => void;
  keys: GridKeys;
  clipboard: ReturnType<typeof layerClipboard>;
  onMove: (layerId: string, to: number) => void;
  onCommand: (id: string) => void;
  onEntered: () => void;
}

/** Pieces to be cut of the chosen layer, in words; they follow when the hand rests. */
function usePiecesSaid(settled: Boat, partId: string, layerId: string | undefined): string {
  const pieces = useMemo(() => {
    const part = settled.parts.find(({ id }) => id === partId);
    return new Map(part ? piecesOf(settled, part).map((one) => [one.layerId, one]) : []);
  }, [settled, partId]);
  const piece = layerId === undefined ? undefined : pieces.get(layerId);
  if (!piece) return '';
  const counted = `${piece.count} ${piece.count === 1 ? 'piece' : 'pieces'}`;
  return piece.oneHanded.length ? `${counted}, △ one hand only` : counted;
}

/** The patterns that the grid's hatches need: one a direction. */
function useDirections(boat: Boat, part: Part): string {
  return useMemo(() => {
    const byId = new Map(boat.materials.map((material) => [material.id, material as LayerMaterial]));
    return [...new Set(part.layers.flatMap(({ material, angleDeg }) => directionsOf(byId.get(material)!, angleDeg)))]
      .sort((a, b) => a - b)
      .join(' ');
  }, [boat.materials, part.layers]);
}

/** The grid of layers with what is said and asked over it. */
export function GridView({
  gridRef,
  trial,
  place,
  part,
  settled,
  cautions,
  question,
  onAnswered,
  keys,
  clipboard,
  onMove,
  onCommand,
  onEntered,
}: GridViewProps) {
  const { boat, evaluations, act } = trial;
  const { layer, zone, ids, cursor } = place;
  const { bar, open, press } = keys;
  const material = boat.materials.find(({ id }) => id === layer?.material) as LayerMaterial | undefined;
  const pieces = usePiecesSaid(settled, part.id, layer?.id);
  /** Angle or thickness for every selected layer that takes it. */
  const set = (patch: { angleDeg: number } | { thickness: number }) => act(null, ...setGiven(boat, part, ids, patch));
  const selectGroup = (group: LayerGroup) => {
    const rows = part.layers.flatMap(({ group: id }, row) => (id === group.id ? [row] : []));
    place.selectRows(rows[0]!, rows.at(-1)!);
    requestAnimationFrame(onEntered);
  };
  return (
    <>
      <HatchPatterns directions={useDirections(boat, part)} />
      <LayerBar
        key={layer?.id ?? 'none'}
        ref={bar}
        layer={layer}
        index={cursor.row}
        last={part.layers.length - 1}
        material={material}
        count={ids.length}
        pieces={material?.kind === 'fabric' ? pieces : ''}
        onAngle={(angleDeg) => set({ angleDeg })}
        onThickness={(thickness) => set({ thickness })}
        onEntered={onEntered}
        onCommand={onCommand}
      />
      {question && <AskBar question={question} onDone={onAnswered} />}
      <TrialBar trial={trial} />
      {part.zones.length > ZONES_SHOWN && (
        <ZoneStrip
          zones={part.zones}
          evaluations={evaluations}
          target={targetOf(boat)}
          first={place.firstZone}
          zoneId={zone?.id ?? null}
          onZone={(index) => place.moveCursor({ row: Math.max(0, cursor.row), column: LEAD_COLUMNS + index })}
        />
      )}
      <LayerGrid
        ref={gridRef}
        boat={boat}
        part={part}
        evaluations={evaluations}
        before={trial.before}
        cautions={cautions ?? NO_CAUTIONS}
        cursor={cursor}
        selectedRows={place.wide ? place.rows : NO_ROWS}
        selectedColumns={place.columns}
        zoneId={zone?.id ?? null}
        firstZone={place.firstZone}
        onCursor={place.moveCursor}
        onOpen={open}
        onCommand={press}
        onMove={onMove}
        onCopy={clipboard.copy}
        onCut={clipboard.cut}
        onPaste={clipboard.paste}
        onGroup={selectGroup}
      />
      <p className="small soft mt-1 mb-0">
        Row 1 lies on the mould face · <kbd>Ctrl+K</kbd> lists everything · Shift+arrows select · Space covers · type a
        fabric on its column, an angle elsewhere · Ctrl+C, X, V also with a spreadsheet
      </p>
    </>
  );
}
