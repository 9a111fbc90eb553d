import { performance } from 'node:perf_hooks';
import { applyEdits } from '../src/core/edit';
import { evaluateZone, makeEvaluator, analyseZone } from '../src/core/evaluate';
import { largeBoat } from '../tests/helpers/largeBoat';
let boat = largeBoat(57, 1);
const [part] = boat.parts;
boat = { ...boat, parts: [{ ...part!, layers: part!.layers.filter((l) => l.zones.length).slice(0, 40) }] };
const q = (v: number[], s: number) => [...v].sort((a, b) => a - b)[Math.floor(v.length * s)]!.toFixed(4);
const ids = boat.parts[0]!.layers.map((l) => l.id);
const t: number[] = [], ap: number[] = [];
for (let i = 0; i < 4000; i++) {
  const id = ids[1 + (i * 7) % 38]!;
  const a0 = performance.now();
  const thick = boat.parts[0]!.layers.find((l) => l.id === id)!.thickness !== null;
  boat = applyEdits(boat, [{ type: 'layer.set', layerId: id, patch: thick ? { thickness: 0.02 + (i % 1000) * 1e-5 } : { angleDeg: ((i * 0.37) % 180) - 90 } }]).boat;
  const a = performance.now();
  evaluateZone(boat, boat.parts[0]!, boat.parts[0]!.zones[0]!);
  t.push(performance.now() - a); ap.push(a - a0);
}
console.log('zone changed layer', q(t.slice(1000), 0.5), q(t.slice(1000), 0.95), 'apply', q(ap.slice(1000), 0.5), q(ap.slice(1000), .95));
const w: number[] = [];
for (let i = 0; i < 4000; i++) { const a = performance.now(); evaluateZone(boat, boat.parts[0]!, boat.parts[0]!.zones[0]!); w.push(performance.now() - a); }
console.log('zone warm', q(w.slice(1000), 0.5), q(w.slice(1000), 0.95));
const an: number[] = [];
for (let i = 0; i < 60; i++) { const a = performance.now(); analyseZone({ ...boat }, boat.parts[0]!, boat.parts[0]!.zones[0]!, 'tsaiWu', true); an.push(performance.now() - a); }
console.log('analysis full', q(an, 0.5), q(an, 0.95));
let large = largeBoat();
const evaluate = makeEvaluator(); evaluate(large);
const e: number[] = [], e2: number[] = [];
for (let i = 0; i < 400; i++) { const a = performance.now(); large = applyEdits(large, [{ type: 'layer.set', layerId: 'l1', patch: { angleDeg: ((i * 0.37) % 180) - 90 } }]).boat; evaluate(large); e.push(performance.now() - a); }
for (let i = 0; i < 400; i++) { const a = performance.now(); const l = large.parts[0]!.layers[5]!; large = applyEdits(large, [i % 2 ? { type: 'layer.add', partId: 'hull', layer: { ...l, id: 'x' }, index: 5 } : { type: 'layer.remove', layerId: large.parts[0]!.layers[5]!.id }]).boat; evaluate(large); e2.push(performance.now() - a); if (i % 2) continue; }
console.log('edit 60x16', q(e.slice(100), 0.5), q(e.slice(100), 0.95), 'add/remove', q(e2.slice(100), 0.5), q(e2.slice(100), .95));
