'use client';
import { useMemo, useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { Rates } from '@/core/cost';
import type { Boat } from '@/core/document';
import { fetchMaterials } from '@/core/edit';
import { targetOf } from '@/core/evaluate';
import type { Material } from '@/core/material';
import { takeMaterials, type Better, type TradeAxes, type TradePoint } from '@/core/option';
import { useDesign } from '../shared/boat';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';
import { useYard } from '../shared/useYard';
import { BetterView } from './BetterView';
import { Picks } from './Picks';
import { SearchCard } from './SearchCard';
import { TradeView } from './TradeView';
import { useSearch } from './useSearch';
import { codeOf } from './words';

const AIMS = {
  mass: 'the lightest',
  cost: 'the cheapest',
  hours: 'the fewest hours',
  pieces: 'the fewest pieces',
  'mass-cost': 'the trade of mass against price',
  'mass-hours': 'the trade of mass against hours',
  'mass-pieces': 'the trade of mass against pieces',
} as const;
type Aim = keyof typeof AIMS;

/** What was asked for, plain data: a search is taken up again with it. */
export interface BetterAsk {
  partId: string;
  zoneIds: string[];
  fabrics: string[];
  angles: number[];
  cores: string[];
  /** Of the cores (m); empty for all in which they are to be had. */
  thicknesses: number[];
  stays: string[];
  aim: Aim;
  target: number;
  maxLayers: number;
  mostDropped: number | null;
  mostMaterials: number | null;
  stock: Record<string, number>;
  /** What the yard reckons hours by, as it was when the search began. */
  rates?: Rates;
}

const ANGLES = [
  { id: '0', name: '0°' },
  { id: '45', name: '45°' },
  { id: '-45', name: '−45°' },
  { id: '90', name: '90°' },
];

const isMat = (material: Material | undefined) =>
  material?.kind === 'fabric' && material.components.every(({ form }) => form === 'randomMat');

/** What a search begins with: what the part is laid of, its coat and skin coat left alone. */
function usualAsk(boat: Boat, partId: string): BetterAsk {
  const part = boat.parts.find(({ id }) => id === partId)!;
  const byId = new Map(boat.materials.map((material) => [material.id, material]));
  const used = [...new Set(part.layers.map(({ material }) => material))].map((id) => byId.get(id)!);
  const coats = part.layers.filter(
    ({ material, role }) => byId.get(material)!.kind === 'coating' || role !== 'structure',
  );
  const behind = part.layers.find((layer) => !coats.includes(layer));
  const skin = coats.length > 0 && behind && isMat(byId.get(behind.material)) ? [behind.id] : [];
  // Mat is a skin coat and a tie: ticked only where nothing else is laid.
  const fabrics = used.flatMap(({ id, kind }) => (kind === 'fabric' ? [id] : []));
  const cloths = fabrics.filter((id) => !isMat(byId.get(id)));
  const angles = [...new Set(part.layers.map(({ angleDeg }) => angleDeg))].filter((angle) =>
    ANGLES.some(({ id }) => Number(id) === angle),
  );
  return {
    partId,
    zoneIds: part.zones.map(({ id }) => id),
    fabrics: (cloths.length > 0 ? cloths : fabrics).slice(0, 5),
    angles: angles.length > 0 ? angles : [0],
    cores: used.flatMap((one) => (one.kind === 'core' && one.density.value < 300 ? [one.id] : [])).slice(0, 2),
    thicknesses: [],
    stays: [...coats.map(({ id }) => id), ...skin],
    aim: 'mass',
    target: targetOf(boat),
    maxLayers: 14,
    mostDropped: null,
    mostMaterials: null,
    stock: {},
  };
}

const weightsOf = (aim: Aim) => ({
  mass: aim === 'mass' ? 1 : 1e-3,
  cost: aim === 'cost' ? 1 : 0,
  hours: aim === 'hours' ? 1 : 0,
  pieces: aim === 'pieces' ? 1 : 0,
});

/** The question to the search, with all that may be laid in the boat's book. */
function inputOf(boat: Boat, ask: BetterAsk, shelf: readonly Material[]) {
  const part = boat.parts.find(({ id }) => id === ask.partId)!;
  return {
    boat: takeMaterials(boat, [...ask.fabrics, ...ask.cores], shelf),
    partId: ask.partId,
    zoneIds: ask.zoneIds,
    free: part.layers.map(({ id }) => id).filter((id) => !ask.stays.includes(id)),
    choices: {
      fabrics: ask.fabrics,
      angles: ask.angles,
      cores: ask.cores,
      coreThicknesses: ask.thicknesses.length > 0 ? ask.thicknesses : undefined,
      maxLayers: ask.maxLayers,
    },
    target: ask.target,
    mostDropped: ask.mostDropped ?? undefined,
    mostMaterials: ask.mostMaterials ?? undefined,
    stock: ask.stock,
    rates: ask.rates,
    effort: { budget: 60_000, list: 200, gap: 0.002, tidy: 0.002 },
  };
}

/** The best schedule of a part from chosen fabrics, angles and cores; or the curve of two aims. */
export function BetterTab({ shelf }: { shelf: readonly Material[] }) {
  const { id: boatId, boat } = useDesign();
  const { full, unit } = useUnits();
  const rates = useYard()?.rates;
  const [partId, setPartId] = useState(boat.parts.find(({ layers }) => layers.length > 0)?.id ?? boat.parts[0]?.id);
  const part = boat.parts.find(({ id }) => id === partId);
  const [asked, setAsked] = useState<BetterAsk | null>(null);
  const usual = useMemo(() => (part ? usualAsk(boat, part.id) : null), [boat, part]);
  const ask = asked?.partId === partId ? asked : usual;
  const better = useSearch<BetterAsk, Better>(
    'better',
    boat,
    (remote, of, { boat: from, known, onStep }) =>
      remote.optimise({ ...inputOf(from, of, shelf), weights: weightsOf(of.aim) }, known, onStep) as Promise<
        Better | string
      >,
  );
  const trade = useSearch<BetterAsk, { points: TradePoint[]; slopes: number[] }>(
    'trade',
    boat,
    (remote, of, { boat: from, known, onStep }) =>
      remote.trade({ ...inputOf(from, of, shelf), axes: of.aim as TradeAxes }, known, onStep) as Promise<
        { points: TradePoint[]; slopes: number[] } | string
      >,
  );
  if (!part || !ask) return <p className="soft">This boat has no parts yet. Add one under Zones.</p>;
  const set = (change: Partial<BetterAsk>) => setAsked({ ...ask, ...change });
  const isTrade = ask.aim.startsWith('mass-');
  const search = isTrade ? trade : better;
  const byId = new Map([...shelf, ...boat.materials].map((material) => [material.id, material]));
  const inPart = new Set(part.layers.map(({ material }) => material));
  const picksOf = (kind: 'fabric' | 'core') => {
    const all = [...byId.values()].filter((one) => one.kind === kind).map(({ id, name }) => ({ id, name }));
    return { options: all.filter(({ id }) => inPart.has(id)), more: all.filter(({ id }) => !inPart.has(id)) };
  };
  const thicknesses = [
    ...new Set(
      ask.cores.flatMap((id) => {
        const core = byId.get(id);
        return core?.kind === 'core' ? core.thicknesses : [];
      }),
    ),
  ].sort((a, b) => a - b);
  const refusal = refusalOf(ask);
  const whole = (
    label: string,
    key: 'maxLayers' | 'mostDropped' | 'mostMaterials',
    range: readonly [number, number],
  ) => (
    <QuantityField
      label={label}
      kind="ratio"
      value={ask[key]}
      minimum={range[0]}
      maximum={range[1]}
      optional={key !== 'maxLayers'}
      onCommit={(value) => {
        if (value !== null && !Number.isInteger(value)) return 'A whole number';
        set({ [key]: value });
        return undefined;
      }}
    />
  );
  return (
    <>
      <Card body className="mb-3">
        <div className="d-flex gap-3 align-items-end flex-wrap mb-2">
          <Form.Group controlId="better-part">
            <Form.Label className="mb-0">Part</Form.Label>
            <Form.Select size="sm" value={part.id} onChange={(event) => setPartId(event.target.value)}>
              {boat.parts.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="better-aim">
            <Form.Label className="mb-0">Look for</Form.Label>
            <Form.Select size="sm" value={ask.aim} onChange={(event) => set({ aim: event.target.value as Aim })}>
              {Object.entries(AIMS).map(([key, name]) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <div className="narrow-field">
            <QuantityField
              label="Reserve asked"
              kind="ratio"
              value={ask.target}
              minimum={1}
              maximum={5}
              onCommit={(value) => set({ target: value! })}
            />
          </div>
          <div className="narrow-field">{whole('Most layers in a zone', 'maxLayers', [1, 30])}</div>
          <div className="narrow-field">{whole('Most ending at a line', 'mostDropped', [0, 40])}</div>
          <div className="narrow-field">{whole('Most materials', 'mostMaterials', [1, 20])}</div>
          <Button
            disabled={search.running || refusal !== null}
            onClick={() => search.run({ ...ask, ...(rates && { rates }) }, boat)}
          >
            Look for it
          </Button>
        </div>
        {refusal && (
          <p className="mb-2" role="alert">
            ✕ {refusal}
          </p>
        )}
        <details>
          <summary>What may be laid, and what stays</summary>
          <div className="habit-lists mt-2">
            <Picks label="Fabrics" {...picksOf('fabric')} chosen={ask.fabrics} onChoose={(fabrics) => set({ fabrics })}>
              {(id) => (
                <div className="stock-field">
                  <QuantityField
                    label={`Stock of ${byId.get(id)!.name}`}
                    hideLabel
                    kind="area"
                    value={ask.stock[id] ?? null}
                    minimum={0}
                    maximum={10_000}
                    optional
                    onCommit={(value) => {
                      const { [id]: _gone, ...rest } = ask.stock;
                      set({ stock: value === null ? rest : { ...rest, [id]: value } });
                    }}
                  />
                </div>
              )}
            </Picks>
            <Picks
              label="Angles"
              options={ANGLES}
              chosen={ask.angles.map(String)}
              onChoose={(ids) => set({ angles: ids.map(Number) })}
            />
            <Picks label="Cores" {...picksOf('core')} chosen={ask.cores} onChoose={(cores) => set({ cores })} />
            <Picks
              label="Thicknesses of the core, none for all"
              options={thicknesses.map((thickness) => ({ id: String(thickness), name: full(thickness, 'thickness') }))}
              chosen={ask.thicknesses.map(String)}
              onChoose={(ids) => set({ thicknesses: ids.map(Number) })}
            />
            <Picks label="Zones" options={part.zones} chosen={ask.zoneIds} onChoose={(zoneIds) => set({ zoneIds })} />
            <Picks
              label="Layers that stay"
              options={part.layers.map(({ id, material }, i) => ({
                id,
                name: `${i + 1} ${codeOf(byId.get(material)!)}`,
              }))}
              chosen={ask.stays}
              onChoose={(stays) => set({ stays })}
            />
          </div>
          <p className="small soft mb-0 mt-2">
            Beside a fabric: how much of it there is, {unit('area')}; empty for no limit.
          </p>
        </details>
      </Card>
      <SearchCard search={search} boat={boat} wayOut="Allow another fabric or core, more layers, or ask for less." />
      {!isTrade && better.result !== null && typeof better.result !== 'string' && better.of && better.asked && (
        <BetterView
          better={better.result}
          of={better.of}
          asked={better.asked}
          fetched={fetchedFor(better.of, better.asked, shelf)}
          current={better.of === boat}
          boatId={boatId}
          aim={AIMS[better.asked.aim]}
        />
      )}
      {isTrade && trade.result !== null && typeof trade.result !== 'string' && trade.of && trade.asked && (
        <TradeView
          {...trade.result}
          of={trade.of}
          asked={trade.asked}
          fetched={fetchedFor(trade.of, trade.asked, shelf)}
          current={trade.of === boat}
          boatId={boatId}
        />
      )}
    </>
  );
}

/** Why a question cannot be asked, and what would help. */
function refusalOf({ fabrics, angles, zoneIds }: BetterAsk): string | null {
  if (fabrics.length === 0) return 'No fabric may be laid: tick one';
  if (fabrics.length > 8) return 'At most 8 fabrics at a time: untick some';
  if (angles.length === 0) return 'No angle is allowed: tick one';
  if (zoneIds.length === 0) return 'No zone is looked at: tick one';
  return null;
}

/** The edits that bring what may be laid into the boat's book. */
const fetchedFor = (boat: Boat, { fabrics, cores }: BetterAsk, shelf: readonly Material[]) => {
  const known = [...shelf, ...boat.materials];
  const wanted = [...fabrics, ...cores].flatMap((id) => known.find((one) => one.id === id) ?? []);
  return fetchMaterials(boat, known, wanted);
};
