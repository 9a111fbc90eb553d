import { isStyrenated } from '../material';
import { said, saidLength } from '../quantity';
import { each, thicknessOf, type CautionRule } from './rule';

const PRACTICE = 'Workshop practice and material data sheets';

/** What the process, the roll and the sheet allow. */
export const PROCESS_RULES: readonly CautionRule[] = [
  {
    id: 'thick-shot',
    severity: 'warning',
    title: 'Too thick for one shot',
    reason:
      `The resin heats itself as it gels: above ${saidLength(0.004, 0.005)} it ` +
      'cracks, scorches the core, and in the worst case burns.',
    wayOut: 'Lay it in stages with cooling between, or take a slower resin.',
    source: 'Exotherm limits of styrenated resins',
    find: ({ boat, resin, outer, inner }) =>
      isStyrenated(resin) && boat.brief.process === 'handLayUp'
        ? [outer, inner]
            .filter((skin) => thicknessOf(skin) > 0.005)
            .map((skin) => ({
              layerId: skin.at(-1)!.layer.id,
              detail: `${said(thicknessOf(skin), 'thickness')} wet on wet`,
            }))
        : [],
  },
  {
    id: 'thick-infusion',
    severity: 'warning',
    title: 'Thick solid laminate in one infusion',
    reason:
      `Above about ${saidLength(0.015)} the middle gets far hotter than ` +
      'the faces; foam nearby softens and the laminate cracks.',
    wayOut: 'Infuse in stages or with a slow, low-exotherm resin, and watch the middle with a thermocouple.',
    source: 'Infusion practice',
    find: ({ boat, fabrics }) =>
      boat.brief.process === 'infusion' && thicknessOf(fabrics) > 0.015
        ? [{ detail: said(thicknessOf(fabrics), 'thickness') }]
        : [],
  },
  {
    id: 'resin-too-thick',
    severity: 'warning',
    title: 'This resin is too thick to infuse',
    reason: 'Above 0.5 Pa·s it gels before it has gone a metre.',
    wayOut: 'An infusion grade of 0.15 to 0.4 Pa·s.',
    source: 'Darcy flow; infusion resin data sheets',
    find: ({ boat, resin }) =>
      boat.brief.process === 'infusion' && resin.viscosity25.value > 0.5
        ? [{ detail: `${resin.name}: ${resin.viscosity25.value} Pa·s at ${said(25, 'temperature')}` }]
        : [],
  },
  {
    id: 'resin-process',
    severity: 'danger',
    title: 'Resin and process do not fit',
    reason: 'A prepreg resin needs the oven, and the oven process needs a resin that is dry on the fibre.',
    wayOut: 'Change the resin or the process in the Brief.',
    source: PRACTICE,
    find: ({ boat, resin }) => {
      const hotMelt = resin.viscosity25.value > 20;
      return hotMelt !== (boat.brief.process === 'prepreg')
        ? [{ detail: `${resin.name} with ${boat.brief.process === 'prepreg' ? 'prepreg and oven' : 'a wet process'}` }]
        : [];
    },
  },
  {
    id: 'heavy-to-wet',
    severity: 'advice',
    title: 'Heavy fabric for hand lay-up',
    reason: `Above about ${said(1, 'arealWeight')} a roller does not drive the resin through: dry fibre in the middle.`,
    wayOut: 'Two lighter layers, or a bag.',
    source: PRACTICE,
    find: ({ boat, fabrics }) =>
      boat.brief.process === 'handLayUp'
        ? each(
            fabrics,
            ({ fibreMass }) => fibreMass > 1,
            ({ material, fibreMass }) => `${material.code}, ${said(fibreMass, 'arealWeight')}`,
          )
        : [],
  },
  {
    id: 'poor-drape',
    severity: 'warning',
    title: 'This fabric does not lie in the curve',
    reason: 'A stiff fabric bridges or folds over double curvature: voids, wrinkles and lost strength.',
    wayOut: 'A fabric that shears more (±45, twill, satin), or cut darts and lap them.',
    source: 'Locking angle and least radius of the fabric',
    find: ({ fabrics, zone: { geometry } }) => {
      const b = Math.min(geometry.panelBreadth, geometry.panelLength);
      const radius = geometry.crown > 0 ? b ** 2 / (8 * geometry.crown) : Infinity;
      return each(
        fabrics,
        ({ material }) => material.drapeRadius.value > radius,
        ({ material }) =>
          `${material.code} takes ${saidLength(material.drapeRadius.value)}, the zone curves at ${saidLength(radius)}`,
      );
    },
  },
  {
    id: 'roll-narrower',
    severity: 'advice',
    title: 'The roll is narrower than the panel',
    reason: 'There will be a joint in the middle of the panel; a lap is thicker, a butt is weak.',
    wayOut:
      `Lap ${saidLength(0.025, 0.05)} and stagger the laps of ` + `neighbouring layers by ${saidLength(0.05)} or more.`,
    source: PRACTICE,
    find: ({ fabrics, zone: { geometry } }) => {
      const across = Math.min(geometry.panelBreadth, geometry.panelLength);
      return each(
        fabrics,
        ({ material }) => material.width.value < across,
        ({ material }) => `${material.code}: ${saidLength(material.width.value)} wide, panel ${saidLength(across)}`,
      ).slice(0, 1);
    },
  },
  {
    id: 'core-thickness-not-made',
    severity: 'advice',
    title: 'The core is not sold in this thickness',
    reason: 'It would have to be planed or bonded up; neither is in the weight or the price.',
    wayOut: 'Take a sheet thickness of the Shelf.',
    source: 'Sheet thicknesses on the Shelf',
    find: ({ cores }) =>
      each(
        cores,
        ({ material, thickness }) => !material.thicknesses.some((sheet) => Math.abs(sheet - thickness) < 5e-5),
        ({ material, thickness }) =>
          `${material.code} ${said(thickness, 'thickness')}; sheets of ` +
          `${material.thicknesses.map((sheet) => said(sheet, 'thickness')).join(', ')}`,
      ),
  },
  {
    id: 'core-curve',
    severity: 'warning',
    title: 'The core does not bend to this curve',
    reason: 'A plain sheet springs back from the skin: voids under it that nobody sees.',
    wayOut: 'Order it scored, or thermoform it; fill the open kerfs.',
    source: 'Least bending radius about 40 times the thickness of a plain sheet',
    find: ({ cores, zone: { geometry } }) => {
      const b = Math.min(geometry.panelBreadth, geometry.panelLength);
      const radius = geometry.crown > 0 ? b ** 2 / (8 * geometry.crown) : Infinity;
      return each(
        cores,
        ({ material, thickness }) => !material.forms.includes('scored') && radius < 40 * thickness,
        ({ material }) => `${material.code} at a radius of ${saidLength(radius)}`,
      );
    },
  },
  {
    id: 'unit-slip',
    severity: 'warning',
    title: 'This figure looks like a unit taken for another',
    reason:
      'Ounces per square yard taken for g/m² are wrong by 33.9; an ounce of mat is per square foot, nine times it; ' +
      'thousands of pounds per square inch taken for megapascals are wrong by 6.9, pounds per ' +
      'cubic foot for kg/m³ by 16, inches for millimetres by 25.4.',
    wayOut: 'Look at the material on the Shelf and type the figure with its unit.',
    source: 'Usual range of the class',
    find: ({ fabrics, cores }) => [
      ...each(
        fabrics,
        ({ material }) =>
          material.components.some(({ arealWeight, form }) => arealWeight.value < (form === 'randomMat' ? 0.1 : 0.04)),
        ({ material }) => `${material.code}: ${said(material.components[0]!.arealWeight.value, 'arealWeight')}`,
      ),
      ...each(
        cores,
        ({ material }) =>
          material.behaviour !== 'honeycomb' &&
          (material.density.value < 15 || (material.family.startsWith('pvc') && material.density.value > 420)),
        ({ material }) => `${material.code}: ${said(material.density.value, 'density')}`,
      ),
    ],
  },
];
