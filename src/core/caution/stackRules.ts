import { limitingStrains } from '../laminate';
import { hasMat, FIBRE_FAMILIES } from '../material';
import { formatReserve, said } from '../quantity';
import { cracksUnderBlows, slams, targetOf, warpOf } from '../evaluate';
import { removingHelps } from './removingHelps';
import { SMALL_CRAFT_PACK } from '../standard';
import { each, families, fibreMassOf, thicknessOf, wet, type CautionRule } from './rule';

const LAMINATION = 'Classical lamination theory (Jones, ch. 4)';
const SANDWICH = 'Zenkert, An Introduction to Sandwich Construction; Allen';

/** Fibre by weight to which the laws of the pack hold. */
const MOST_OF_MAT = 0.5;
const MOST_OF_ROVING = 0.7;

/** Stacks that warp, peel, wrinkle or do not work together. */
export const STACK_RULES: readonly CautionRule[] = [
  {
    id: 'unlike-fibres',
    severity: 'warning',
    title: 'Fibres of unlike stretch share the load',
    reason:
      'The stiff fibre breaks while the stretchy one has taken only ' +
      'part of its strength; their strengths do not add up.',
    wayOut: 'See the honest capacity under Analysis; size the stiff fibre alone for the load, or use one family.',
    source: 'Equal strain in parallel members',
    find: ({ fabrics, analysis }) => {
      const kinds = families(fabrics);
      if (kinds.length < 2) return [];
      const stretch = (analysis()?.plies ?? []).flatMap((ply) =>
        ply.fibre && ply.role !== 'core' && Math.abs(ply.E1 - ply.E2) > 1e-6 * ply.E1
          ? [limitingStrains(ply)!.e1t]
          : [],
      );
      if (stretch.length < 2 || Math.max(...stretch) < 1.4 * Math.min(...stretch)) return [];
      const percent = (value: number) => `${(value * 100).toFixed(2)} %`;
      return [
        {
          detail:
            `${kinds.map((kind) => FIBRE_FAMILIES[kind]).join(' and ')}: ` +
            `${percent(Math.min(...stretch))} against ${percent(Math.max(...stretch))}`,
        },
      ];
    },
  },
  {
    id: 'unsymmetric-warp',
    severity: 'advice',
    title: 'This stack warps when it cools',
    reason: 'Unlike halves shrink differently; a free part springs out of shape, a bonded one carries the stress.',
    wayOut: 'Mirror the stack about its middle, or hold the part until it is bonded in.',
    source: LAMINATION,
    find: ({ boat, analysis }) => {
      const found = analysis();
      const warp = found && warpOf(boat, found.plies, found.stiffness);
      const most = warp ? Math.max(Math.abs(warp.along), Math.abs(warp.across), Math.abs(warp.twist)) : 0;
      return most > 0.003
        ? [{ detail: `${said(most, 'thickness')} in a free metre over ${Math.round(warp!.coolDown)} K` }]
        : [];
    },
  },
  {
    id: 'unbalanced',
    severity: 'advice',
    title: 'This stack is unbalanced',
    reason: 'Pulled fore and aft it also shears: panels twist under a straight load.',
    wayOut: 'Pair every +θ with a −θ, or use ±45 cloth.',
    source: LAMINATION,
    find: ({ evaluation }) => {
      const A = evaluation.stiffness?.A;
      if (!A) return [];
      const share = Math.max(Math.abs(A[0][2]), Math.abs(A[1][2])) / Math.max(A[0][0], A[1][1]);
      return share > 0.03 ? [{ detail: `Coupling is ${(share * 100).toFixed(0)} % of the membrane stiffness` }] : [];
    },
  },
  {
    id: 'same-direction-block',
    severity: 'warning',
    title: 'Thick block of one direction',
    reason: 'Cracks run unhindered between like fibres, and the edge of the block peels.',
    wayOut: `Break it up with a layer across or at 45° every ${said(0.0015, 'thickness', 0.002)}.`,
    source: 'Composite design practice: no more than about four like plies together',
    find: ({ fabrics }) => {
      const found = [];
      let run: (typeof fabrics)[number][] = [];
      for (const one of fabrics) {
        const single = one.material.components.length === 1 && one.material.components[0]!.sublayers.length === 1;
        const same = run.length > 0 && single && one.layer.angleDeg === run[0]!.layer.angleDeg;
        if (!same) run = [];
        if (single) run.push(one);
        if (thicknessOf(run) > 0.002)
          found.push({
            layerId: one.layer.id,
            detail: `${run.length} layers, ${said(thicknessOf(run), 'thickness')} at ${one.layer.angleDeg}°`,
          });
      }
      return found.slice(-1);
    },
  },
  {
    id: 'thin-outer-skin',
    severity: 'warning',
    title: 'Outer skin thin against knocks',
    reason:
      'A rule minimum is a floor: berthing, stones and dropped tools go ' +
      'through thin skins, and water follows into the core.',
    wayOut: `About ${said(0.9, 'laminateWeight', 1.5)} of fibre outside below water.`,
    source: 'Usual practice of builders; the pack’s minimum is lower',
    find: ({ cores, outer, zone }) =>
      cores.length > 0 && (wet(zone) || zone.location === 'side') && fibreMassOf(outer) < 0.9
        ? [{ detail: `${said(fibreMassOf(outer), 'laminateWeight')} outside` }]
        : [],
  },
  {
    id: 'single-fabric-skin',
    severity: 'advice',
    title: 'One fabric only on a side of the core',
    reason: 'A single layer has pinholes: vacuum leaks through it, and so does water.',
    wayOut: 'Two layers at least, or a mat with the fabric.',
    source: 'Workshop practice',
    find: ({ cores, outer, inner }) =>
      cores.length === 0
        ? []
        : [
            ...(outer.length === 1 ? [{ detail: 'outer skin' }] : []),
            ...(inner.length === 1 ? [{ detail: 'inner skin' }] : []),
          ].slice(0, 1),
  },
  {
    id: 'wrinkling-before-strength',
    severity: 'warning',
    title: 'The skin wrinkles before it is strong',
    reason:
      'On a soft core the pressed skin buckles in short waves at a stress ' +
      'it could otherwise bear; more fibre does not help much.',
    wayOut: 'A denser core, or a thicker inner skin of less stiff fibre.',
    source: SANDWICH,
    find: ({ evaluation }) => {
      const check = evaluation.checks.find(({ id, governs }) => id === 'innerSkin' && governs.startsWith('wrinkling'));
      return check ? [{ detail: `reserve ${formatReserve(check.reserveFactor)} by wrinkling` }] : [];
    },
  },
  {
    id: 'core-shear-slamming',
    severity: 'danger',
    title: 'Brittle or weak core where the hull slams',
    reason:
      'Forward in the bottom the load comes as a blow; a core that ' +
      'cracks in shear lets go of the skin over a whole panel.',
    wayOut: `A tough foam (elongation 30 % or more, no balsa, no stiff PVC) of ${said(100, 'density')} or above.`,
    source: 'Slamming practice; core shear elongation',
    find: ({ boat, zone, cores }) =>
      slams(boat, zone)
        ? each(
            cores,
            ({ material }) => cracksUnderBlows(material),
            ({ material }) => `${material.code}: ${(material.shearElongation.value * 100).toFixed(0)} % elongation`,
          )
        : [],
  },
  {
    id: 'aramid-compression',
    severity: 'danger',
    title: 'Aramid where the skin is pressed',
    reason:
      'In compression aramid kinks at a fifth of its tensile strength, and under pressure each face of a panel ' +
      'is pressed somewhere: one at the supports, the other in the middle.',
    wayOut: 'Glass or carbon outermost on both faces; keep aramid between them, for impact.',
    source: 'Fibre data: compressive 0.2 to 0.25 of tensile',
    find: ({ cores, fabrics, inner, outer }) =>
      each(
        cores.length ? [...outer, ...inner] : [...new Set([...fabrics.slice(0, 1), ...fabrics.slice(-1)])],
        (one) => families([one]).includes('aramid'),
        ({ material }) => material.code,
      ),
  },
  {
    id: 'thin-core',
    severity: 'advice',
    title: 'The core is hardly thicker than its skins',
    reason:
      'Stiffness grows with the distance of the skins; a thin core brings the bother of a sandwich without its gain.',
    wayOut: 'A thicker core, or none.',
    source: SANDWICH,
    find: ({ cores, outer, inner }) =>
      cores.length && thicknessOf(cores) < 2 * (thicknessOf(outer) + thicknessOf(inner)) * 0.75
        ? [
            {
              layerId: cores[0]!.layer.id,
              detail:
                `${said(thicknessOf(cores), 'thickness')} between ` +
                `${said(thicknessOf(outer), 'thickness')} and ` +
                `${said(thicknessOf(inner), 'thickness')}`,
            },
          ]
        : [],
  },
  {
    id: 'uneven-skins',
    severity: 'advice',
    title: 'Skins very unequal',
    reason:
      'The thinner skin governs bending and wrinkling, and the neutral ' +
      'axis wanders: weight in the thicker skin is half wasted.',
    wayOut: 'Move a layer to the thin side; outside a third heavier is usual.',
    source: SANDWICH,
    find: ({ cores, outer, inner }) => {
      if (!cores.length || !outer.length || !inner.length) return [];
      const ratio = fibreMassOf(inner) / fibreMassOf(outer);
      return ratio < 0.45 || ratio > 1.6
        ? [
            {
              detail:
                `inner ${said(fibreMassOf(inner), 'laminateWeight')}, outer ` +
                `${said(fibreMassOf(outer), 'laminateWeight')}`,
            },
          ]
        : [];
    },
  },
  {
    id: 'no-mat-behind-gelcoat',
    severity: 'advice',
    title: 'Heavy fabric right behind the gelcoat',
    reason: 'The weave prints through the gelcoat, and there is no resin-rich barrier against water.',
    wayOut: `A mat of ${said(0.225, 'arealWeight', 0.3)} or a tissue first.`,
    source: 'Workshop practice',
    find: ({ evaluation, fabrics }) =>
      evaluation.layers[0]?.material.kind === 'coating'
        ? each(
            fabrics.slice(0, 1),
            ({ material, fibreMass }) => !hasMat(material) && fibreMass > 0.35,
            ({ material }) => material.code,
          )
        : [],
  },
  {
    id: 'dry-mat-joint',
    severity: 'advice',
    title: 'Heavy rovings on one another without mat',
    reason: 'In hand lay-up woven rovings bed badly on each other: the joint between them is weak in shear.',
    wayOut: 'A light mat between, or a mat-backed fabric.',
    source: 'Hand lay-up practice; interlaminar shear of roving on roving',
    find: ({ boat, fabrics }) =>
      boat.brief.process !== 'handLayUp'
        ? []
        : fabrics.flatMap((one, i) => {
            const next = fabrics[i + 1];
            const heavy = (f: typeof one) =>
              f.material.components.every(({ form }) => form === 'woven') && f.fibreMass >= 0.5;
            return next && next.index === one.index + 1 && heavy(one) && heavy(next)
              ? [{ layerId: next.layer.id, detail: `${one.material.code} on ${next.material.code}` }]
              : [];
          }),
  },
  {
    id: 'coating-inside',
    severity: 'warning',
    title: 'A coating lies inside the laminate',
    reason: 'Gelcoat and primer are no glue: the layers above peel from it.',
    wayOut: 'Put it first on the mould, or last.',
    source: 'Workshop practice',
    find: ({ evaluation: { layers } }) =>
      each(
        layers.slice(1, -1),
        ({ material }) => material.kind === 'coating' && material.base !== 'bond' && material.base !== 'none',
        ({ material }) => material.name,
      ),
  },
  {
    id: 'release-left-in',
    severity: 'danger',
    title: 'A release fabric counts as if it stayed',
    reason: 'Nothing bonds to it: what lies over it comes off with it.',
    wayOut: 'Mark it “comes off”, and lay nothing over it in the same go.',
    source: 'Workshop practice for peel ply',
    find: ({ evaluation: { layers } }) =>
      each(
        layers,
        ({ material, layer, index }) =>
          material.kind === 'coating' &&
          material.base === 'none' &&
          (layer.role !== 'comesOff' || layers.some((other) => other.index > index && other.layer.role !== 'comesOff')),
        ({ material }) => material.name,
      ),
  },
  {
    id: 'sacrificial-inside',
    severity: 'warning',
    title: 'A sacrificial layer lies under structure',
    reason: 'It is there to be ground away before bonding; buried, it only weighs and is not counted.',
    wayOut: 'Lay it last on the face that is bonded, or count it as structure.',
    source: 'Workshop practice for secondary bonds',
    find: ({ evaluation: { layers } }) =>
      each(
        layers,
        ({ layer, index }) =>
          layer.role === 'sacrificial' &&
          layers.some((other) => other.index > index && other.layer.role === 'structure') &&
          layers.some((other) => other.index < index && other.layer.role === 'structure'),
        ({ material }) => ('code' in material ? material.code : ''),
      ),
  },
  {
    id: 'generic-thin',
    severity: 'advice',
    title: 'Thin margin on generic figures',
    reason: 'The reserve is less than the spread of the material class it rests on.',
    wayOut: 'Put data-sheet or tested figures on the Shelf, or add a layer.',
    source: 'Ranges of generic material figures',
    find: ({ boat, evaluation }) => {
      const reserve = evaluation.governing?.reserveFactor;
      return reserve !== undefined && reserve >= 1 && reserve < targetOf(boat) * 1.1 && evaluation.origin === 'generic'
        ? [{ detail: `reserve ${formatReserve(reserve)}` }]
        : [];
    },
  },
  {
    id: 'outside-law',
    severity: 'advice',
    title: 'Fibre fraction outside the pack’s property law',
    reason:
      'The strength laws of mat and roving were made for hand-laid fractions: above half fibre for mat, ' +
      'and 70 % for roving and biaxials, they are an extrapolation.',
    wayOut: 'Use tested values for infused and prepreg laminates.',
    source: `${SMALL_CRAFT_PACK.title}, F53`,
    find: ({ fabrics }) =>
      each(
        fabrics,
        ({ components }) =>
          components.some(
            ({ fibre, form, fibreWeightFraction }) =>
              fibre.family === 'eGlass' && fibreWeightFraction > (form === 'randomMat' ? MOST_OF_MAT : MOST_OF_ROVING),
          ),
        ({ components, material }) =>
          `${material.code} at ` +
          `${Math.round(Math.max(...components.map(({ fibreWeightFraction }) => fibreWeightFraction)) * 100)} ` +
          '% by weight',
      ),
  },
  {
    id: 'removing-helps',
    severity: 'advice',
    title: 'This layer lowers the reserve',
    reason:
      'The zone would have more in hand without it: it is stiffer than its neighbours, takes load from them and ' +
      'reaches its own limit first, or its resin cracks across the fibres. What cracks first is not what breaks last.',
    wayOut: 'Turn it, swap it, or lay it nearer the middle; or see Analysis for the load at which the last ply breaks.',
    source: 'First and last ply failure; the checks of the pack with and without the layer',
    find: removingHelps,
  },
];
