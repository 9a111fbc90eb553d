import { describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { GENERIC_MATERIALS, type Core, type Fabric, type Process } from '../material';
import { applyEdits } from '../edit';
import { checkBoat, newBoat, newLayer, newPart, newZone, type Boat } from '../document';
import { newDetail } from '../detail/kinds';
import { makeEvaluator } from '../evaluate';
import { wordsIn } from '../quantity';
import { BOAT_RULES, CAUTION_RULES, cautionsOf, groupCautions, PART_RULES } from '.';

type Lay = string | [material: string, given: number];
/** Angle of a fabric, degrees, or thickness of a core or coating, mm, where a test says nothing. */
const USUAL_GIVEN: Readonly<Record<string, number>> = { fabric: 0, core: 20, coating: 0.5, wood: 9 };

interface Setting {
  resin?: string;
  process?: Process;
  location?: Parameters<typeof newZone>[2];
  name?: string;
  geometry?: Partial<Boat['parts'][number]['zones'][number]['geometry']>;
  layers: Lay[];
  change?: (boat: Boat) => void;
}
const kindOf = (id: string) => GENERIC_MATERIALS.find((material) => material.id === id)!.kind;

/**
 * The cautions of a boat with one zone laid as told; a number is the angle of a fabric, the thickness (mm) of a core
 * or coating.
 */
function found({
  resin = 'vinylester',
  process = 'infusion',
  location = 'bottom',
  name = 'Zone',
  geometry = {},
  layers,
  change,
}: Setting) {
  const boat = newBoat('Test');
  boat.brief = { ...boat.brief, resin, process };
  boat.materials = structuredClone(GENERIC_MATERIALS) as Boat['materials'];
  const zone = newZone('zone', name, location, { geometry });
  boat.parts = [
    newPart({
      id: 'part',
      name: 'Part',
      kind: 'hull',
      zones: [zone],
      layers: layers.map((lay, i) => {
        const [material, given] = typeof lay === 'string' ? [lay, USUAL_GIVEN[kindOf(lay)]] : lay;
        const fabric = kindOf(material) === 'fabric';
        return newLayer({
          id: `l${i}`,
          material,
          angleDeg: fabric ? given : 0,
          thickness: fabric ? null : given / 1000,
          zones: ['zone'],
        });
      }),
    }),
  ];
  change?.(boat);
  checkBoat(boat);
  return cautionsOf(boat, makeEvaluator()(boat));
}
const cautions = (setting: Setting) => found(setting).map(({ rule }) => rule.id);
const sandwich = (core: Lay, skin: Lay[] = ['bx0-800', 'bx45-600'], inner: Lay[] = skin): Lay[] => [
  'gelcoat-iso',
  'csm-300',
  ...skin,
  core,
  ...inner,
];
const solid: Lay[] = ['gelcoat-iso', 'csm-300', 'bx0-800', 'bx45-800', 'bx0-800'];
const fabric = (boat: Boat, id: string) => boat.materials.find((material) => material.id === id) as Fabric;
const core = (boat: Boat, id: string) => boat.materials.find((material) => material.id === id) as Core;
const forward = { panelX: 5 };

/** For every rule a setting that brings it up and one like it that does not. */
const CASES: Record<string, [triggers: Setting, quiet: Setting]> = {
  'styrene-dissolves-core': [
    { layers: sandwich(['xps-35', 20]) },
    { layers: sandwich(['xps-35', 20]), resin: 'epoxy-infusion' },
  ],
  'styrene-swells-core': [{ layers: sandwich('pvc-linear-80') }, { layers: sandwich('pvc-80') }],
  'emulsion-binder-epoxy': [
    { layers: ['csm-300-emulsion', 'bx0-800'], resin: 'epoxy-infusion' },
    { layers: ['csm-300', 'bx0-800'], resin: 'epoxy-infusion' },
  ],
  'core-temperature': [
    { layers: sandwich('pvc-80'), process: 'prepreg', resin: 'epoxy-prepreg' },
    { layers: sandwich('pet-100'), process: 'prepreg', resin: 'epoxy-prepreg' },
  ],
  'gelcoat-epoxy': [
    { layers: solid, resin: 'epoxy-infusion' },
    { layers: ['primer-epoxy', ...solid.slice(1)], resin: 'epoxy-infusion' },
  ],
  'ortho-below-water': [
    { layers: solid, resin: 'polyester-ortho' },
    { layers: solid, resin: 'polyester-ortho', location: 'deck' },
  ],
  'heat-deflection-deck': [
    { layers: solid, resin: 'polyester-ortho', location: 'deck' },
    { layers: solid, resin: 'vinylester', location: 'deck' },
  ],
  'balsa-below-water': [{ layers: sandwich('balsa-150') }, { layers: sandwich('balsa-150'), location: 'deck' }],
  'plywood-unsealed': [
    { layers: sandwich('plywood-okoume'), location: 'transom' },
    { layers: sandwich('pu-board-600'), location: 'transom' },
  ],
  'wood-unsealed': [{ layers: ['plywood-sheet'] }, { layers: ['csm-300', 'plywood-sheet', 'csm-300'] }],
  'honeycomb-infusion': [
    { layers: sandwich('pp-honeycomb-80') },
    { layers: sandwich('pp-honeycomb-80'), process: 'handLayUp' },
  ],
  'core-without-bleeder': [
    { layers: sandwich('pu-board-400') },
    { layers: sandwich('pu-board-400'), process: 'handLayUp' },
  ],
  'hygroscopic-core': [{ layers: sandwich('pmi-75') }, { layers: sandwich('pvc-80') }],
  'flax-moisture': [{ layers: ['flax-twill-300', 'flax-twill-300'] }, { layers: solid }],
  'carbon-bare-face': [
    { layers: ['carbon-twill-200', 'bx0-800'], location: 'deck' },
    { layers: ['gelcoat-iso', 'carbon-twill-200', 'bx0-800'], location: 'deck' },
  ],
  // What counts is a fitting on the zone, not what the zone is called.
  'carbon-near-hardware': [
    {
      layers: ['bx0-800', 'carbon-ud-300'],
      change: (boat) => (boat.details = [newDetail(boat, 'bolted', 'post', boat.parts[0]!.zones[0]!)]),
    },
    { layers: ['bx0-800', 'carbon-ud-300'], name: 'Tow post' },
  ],
  'removing-helps': [
    { layers: ['carbon-ud-300', 'csm-450', 'csm-450', 'csm-450', 'csm-450', 'csm-450', 'csm-450'] },
    { layers: ['csm-450', 'csm-450', 'csm-450', 'csm-450', 'csm-450', 'csm-450', 'csm-450'] },
  ],
  'aramid-exposed': [{ layers: ['bx0-800', 'aramid-170'] }, { layers: ['bx0-800', 'aramid-170', 'bx0-800'] }],
  'unlike-fibres': [
    { layers: ['bx0-800', 'carbon-ud-300', 'bx0-800'] },
    { layers: ['carbon-twill-200', 'carbon-ud-300', 'carbon-twill-200'] },
  ],
  'unsymmetric-warp': [
    {
      layers: [
        ['ud-600', 0],
        ['ud-600', 90],
      ],
    },
    {
      layers: [
        ['ud-600', 0],
        ['ud-600', 90],
        ['ud-600', 90],
        ['ud-600', 0],
      ],
    },
  ],
  'release-left-in': [
    { layers: [...solid, 'peel-ply'] },
    { layers: [...solid, 'peel-ply'], change: (boat) => void (boat.parts[0]!.layers.at(-1)!.role = 'comesOff') },
  ],
  'sacrificial-inside': [
    { layers: solid, change: (boat) => void (boat.parts[0]!.layers[2]!.role = 'sacrificial') },
    { layers: solid, change: (boat) => void (boat.parts[0]!.layers.at(-1)!.role = 'sacrificial') },
  ],
  unbalanced: [
    {
      layers: [
        ['ud-600', 30],
        ['ud-600', 30],
      ],
    },
    {
      layers: [
        ['ud-600', 30],
        ['ud-600', -30],
      ],
    },
  ],
  'same-direction-block': [
    { layers: ['ud-600', 'ud-600', 'ud-600', 'ud-600', 'ud-600', 'ud-600'] },
    { layers: ['ud-600', 'ud-600', 'ud-600', 'bx45-600', 'ud-600', 'ud-600', 'ud-600'] },
  ],
  'thin-outer-skin': [{ layers: sandwich('pvc-80', ['bx0-450']) }, { layers: sandwich('pvc-80') }],
  'single-fabric-skin': [{ layers: sandwich('pvc-80', ['bx0-800']) }, { layers: sandwich('pvc-80') }],
  'wrinkling-before-strength': [
    { layers: sandwich('pvc-60', ['carbon-twill-200', 'carbon-twill-200']) },
    { layers: sandwich('pvc-200') },
  ],
  'core-shear-slamming': [
    { layers: sandwich('pet-100'), geometry: forward },
    { layers: sandwich('san-115'), geometry: forward },
  ],
  'aramid-compression': [
    { layers: sandwich('pvc-80', ['bx0-800', 'aramid-170'], ['bx0-800', 'bx45-600']) },
    { layers: ['bx0-800', 'aramid-170', 'bx0-800'] },
  ],
  'thin-core': [
    { layers: sandwich(['pvc-80', 5], ['bx0-800', 'bx45-800', 'bx0-800', 'bx45-800']) },
    { layers: sandwich(['pvc-80', 20]) },
  ],
  'uneven-skins': [
    { layers: sandwich('pvc-80', ['bx0-800', 'bx45-800', 'bx0-800'], ['bx0-450', 'csm-225']) },
    { layers: sandwich('pvc-80') },
  ],
  'no-mat-behind-gelcoat': [{ layers: ['gelcoat-iso', 'bx0-800', 'bx45-800'] }, { layers: solid }],
  'dry-mat-joint': [
    { layers: ['wr-600', 'wr-600'], process: 'handLayUp' },
    { layers: ['wr-600', 'csm-300', 'wr-600'], process: 'handLayUp' },
  ],
  'coating-inside': [{ layers: ['csm-300', 'gelcoat-iso', 'bx0-800'] }, { layers: solid }],
  'generic-thin': [
    { layers: solid, geometry: { panelBreadth: 0.14 } },
    { layers: solid, geometry: { panelBreadth: 0.1 } },
  ],
  'outside-law': [
    {
      layers: solid,
      change: (boat) =>
        (fabric(boat, 'csm-300').components[0]!.measured = [
          { property: 'fibreWeightFraction', value: 0.58, origin: 'yardTest', n: 3, spread: 0.02, process: null },
        ]),
    },
    { layers: solid },
  ],
  'thick-shot': [
    { layers: ['csm-600', 'wr-800', 'csm-600', 'wr-800', 'csm-600', 'wr-800'], process: 'handLayUp' },
    {
      layers: ['csm-600', 'wr-800', 'csm-600', 'wr-800', 'csm-600', 'wr-800'],
      process: 'handLayUp',
      resin: 'epoxy-hand',
    },
  ],
  'thick-infusion': [
    { layers: Array<Lay>(22).fill('bx0-800').concat(Array<Lay>(8).fill('csm-600')) },
    { layers: solid },
  ],
  'resin-too-thick': [
    { layers: solid, resin: 'epoxy-hand' },
    { layers: solid, resin: 'epoxy-infusion' },
  ],
  'resin-process': [
    { layers: solid, process: 'prepreg' },
    { layers: solid, process: 'prepreg', resin: 'epoxy-prepreg' },
  ],
  'heavy-to-wet': [{ layers: ['csm-300', 'qx-1200'], process: 'handLayUp' }, { layers: ['csm-300', 'qx-1200'] }],
  'poor-drape': [
    { layers: solid.concat('qx-1200'), geometry: { crown: 0.09 } },
    { layers: ['csm-300', 'twill-300'], geometry: { crown: 0.09 } },
  ],
  'roll-narrower': [
    { layers: ['ud-300'], geometry: { panelBreadth: 0.5 } },
    { layers: ['bx0-800'], geometry: { panelBreadth: 0.5 } },
  ],
  'core-thickness-not-made': [{ layers: sandwich(['pvc-80', 17]) }, { layers: sandwich(['pvc-80', 20]) }],
  'core-curve': [
    { layers: sandwich('pu-board-400'), geometry: { crown: 0.05 } },
    { layers: sandwich('pvc-80'), geometry: { crown: 0.05 } },
  ],
  'unit-slip': [
    { layers: solid, change: (boat) => (fabric(boat, 'bx0-800').components[0]!.arealWeight.value = 0.0236) },
    { layers: solid },
  ],
};

describe('cautions', () => {
  it('has a case that triggers and one that does not for every rule, and at least 25 rules', () => {
    expect(Object.keys(CASES).sort()).toEqual(CAUTION_RULES.map(({ id }) => id).sort());
    expect(CAUTION_RULES.length).toBeGreaterThanOrEqual(25);
  });
  it.each(Object.entries(CASES))('%s comes up, and stays quiet', (id, [triggers, quiet]) => {
    expect(cautions(triggers)).toContain(id);
    expect(cautions(quiet)).not.toContain(id);
  });
  it('a mat of 46 g/m² is an ounce and a half by the wrong foot', () => {
    expect(
      cautions({ layers: solid, change: (boat) => (fabric(boat, 'csm-300').components[0]!.arealWeight.value = 0.051) }),
    ).toContain('unit-slip');
  });
  it('a brittle core slams in balsa and stiff foam alike, and aramid is pressed on either face', () => {
    expect(cautions({ layers: sandwich('balsa-150'), geometry: forward })).toContain('core-shear-slamming');
    const inside = cautions({ layers: sandwich('pvc-80', ['bx0-800', 'bx45-600'], ['bx0-800', 'aramid-170']) });
    expect(inside).toContain('aramid-compression');
  });
  it('of one kind are one caution with all its places, the open ones first', () => {
    const boat = merrow();
    const all = cautionsOf(boat, makeEvaluator()(boat));
    const groups = groupCautions(all);
    expect(groups.flatMap(({ cautions: own }) => own)).toHaveLength(all.length);
    expect(new Set(groups.map(({ rule }) => rule.id)).size).toBe(groups.length);
    expect(groups.some(({ cautions: own }) => own.length > 1)).toBe(true);
    const many = groups.find(({ cautions: own }) => own.length > 1)!;
    const [first, ...rest] = many.cautions;
    const accepted = { id: 'a', rule: many.rule.id, subject: first!.subject, by: 'X', note: 'y', at: '2026-01-01' };
    const [again] = groupCautions([{ ...first!, accepted }, ...rest]);
    expect(again!.cautions.at(-1)!.subject).toBe(first!.subject);
  });
  it('a density taken in pounds per cubic foot is questioned', () => {
    expect(
      cautions({ layers: sandwich('pvc-80'), change: (boat) => (core(boat, 'pvc-80').density.value = 12) }),
    ).toContain('unit-slip');
  });
  it('every rule has its reason, way out and source', () => {
    for (const { title, reason, wayOut, source } of [...CAUTION_RULES, ...PART_RULES, ...BOAT_RULES])
      for (const text of [title, reason, wayOut, source]) expect(text.length).toBeGreaterThan(5);
  });
  it('says every figure in the units of the reader', () => {
    const metric = /\d ?(mm|kN|kPa|MPa|kg|g\/m²|°C)/;
    for (const [, [triggers]] of Object.entries(CASES))
      for (const { rule, detail } of found(triggers))
        for (const text of [rule.reason, rule.wayOut, detail]) expect(wordsIn(text, 'us')).not.toMatch(metric);
    const thick = found({
      layers: ['gelcoat-iso', ...Array.from({ length: 9 }, (): Lay => 'csm-450')],
      process: 'handLayUp',
    }).find(({ rule }) => rule.id === 'thick-shot')!;
    expect(wordsIn(thick.rule.reason, 'metric')).toContain('above 4 to 5 mm it cracks');
    expect(wordsIn(thick.rule.reason, 'us')).toContain('above 0.157 to 0.197 in it cracks');
  });
  it('is accepted with a signed note that stays on record and can be withdrawn', () => {
    const boat = merrow();
    const evaluate = makeEvaluator();
    const [first] = cautionsOf(boat, evaluate(boat));
    const acceptance = {
      id: 'a1',
      rule: first!.rule.id,
      subject: first!.subject,
      by: 'I. Hallin',
      note: 'Drilled on a 30 mm grid',
      at: '2026-11-25T10:00:00Z',
    };
    const { boat: accepted, inverse } = applyEdits(boat, [{ type: 'caution.accept', acceptance, index: 0 }]);
    const after = cautionsOf(accepted, evaluate(accepted)).find(
      (c) => c.rule.id === first!.rule.id && c.subject === first!.subject,
    );
    expect(after!.accepted).toEqual(acceptance);
    expect(applyEdits(accepted, inverse).boat.acceptances).toEqual([]);
  });
});
