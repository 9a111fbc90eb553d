import type { Boat, Zone } from '../../document';
import type { Detail, DetailKind } from './detailSchema';

const ofKind = (
  boat: Boat,
  kind: string,
  prefer: (material: Boat['materials'][number]) => boolean = () => true,
): string =>
  (
    boat.materials.find((material) => material.kind === kind && prefer(material)) ??
    boat.materials.find((material) => material.kind === kind)
  )?.id ?? '';

/** A detail of a kind to begin with, on a zone, from what the boat's book has. Its figures are plausible, not right. */
export function newDetail(boat: Boat, kind: DetailKind, id: string, zone: Zone): Detail {
  const fabric = ofKind(boat, 'fabric');
  const unidirectional = ofKind(
    boat,
    'fabric',
    (material) => material.kind === 'fabric' && material.family === 'unidirectional',
  );
  const biaxial = ofKind(
    boat,
    'fabric',
    (material) =>
      material.kind === 'fabric' &&
      material.components.some(({ sublayers }) => sublayers.some(({ angleDeg }) => Math.abs(angleDeg) === 45)),
  );
  const [metal, adhesive, wood, core] = [
    ofKind(boat, 'metal'),
    ofKind(boat, 'adhesive'),
    ofKind(boat, 'wood'),
    ofKind(boat, 'core'),
  ];
  const board = ofKind(boat, 'core', (material) => material.kind === 'core' && material.density.value >= 300);
  const skin = [{ material: biaxial || fabric, angleDeg: 0 }];
  const common = {
    id,
    name: 'New detail',
    zone: zone.id,
    load: boat.loads[0]?.id ?? null,
    x: zone.geometry.centroidX,
    y: 0,
    number: 1,
    note: '',
    proof: null,
  };
  switch (kind) {
    case 'strap':
      return {
        ...common,
        kind,
        fabric: unidirectional,
        sides: 2,
        halfAngleDeg: 20,
        strips: 6,
        width: 0.06,
        anchor: 0.3,
        step: 0.015,
        misalignDeg: 5,
        wrap: 'flat',
        radius: null,
        fittingStrength: null,
        sequence: 'after',
        preparation: 'peelAbrade',
        fatigue: false,
      };
    case 'bolted':
      return {
        ...common,
        kind,
        bolts: [
          [-0.05, -0.04],
          [0.05, -0.04],
          [-0.05, 0.04],
          [0.05, 0.04],
        ],
        boltDiameter: 0.01,
        boltMetal: metal,
        washerDiameter: 0.03,
        base: [0.16, 0.12],
        edgeDistance: 0.04,
        plate: null,
        tapped: null,
        core: 'solid',
        insert: null,
        bevel: 3,
        preload: 0,
        sheets: [
          { material: biaxial || fabric, angleDeg: 0, length: 0.4, breadth: 0.36 },
          { material: biaxial || fabric, angleDeg: 45, length: 0.32, breadth: 0.28 },
        ],
        preparation: 'peelAbrade',
      };
    case 'patch':
      return {
        ...common,
        kind,
        form: 'patch',
        breadth: 0.2,
        radius: 0.01,
        sheets: [
          { material: biaxial || fabric, angleDeg: 0, length: 0.5, breadth: 0.4 },
          { material: biaxial || fabric, angleDeg: 45, length: 0.42, breadth: 0.32 },
          { material: biaxial || fabric, angleDeg: 0, length: 0.34, breadth: 0.24 },
        ],
        preparation: 'peelAbrade',
      };
    case 'transom':
      return {
        ...common,
        kind,
        span: 0.8,
        height: 0.55,
        clamp: [0.035, 0.055],
        clampBreadth: 0.35,
        boltDiameter: 0.012,
        washerDiameter: 0.05,
        preload: 4000,
        boltCount: 4,
        leverArm: 0.2,
        plywood: { wood, thickness: 0.018, sheets: 2 },
        board: { core: board || core, thickness: 0.02, sheets: 2 },
        built: 'board',
        glassBetween: biaxial || fabric,
        outer: skin,
        inner: skin,
      };
    case 'tabbing':
      return {
        ...common,
        kind,
        load: null,
        method: 'tabbing',
        length: 2,
        lineLoad: null,
        sides: 2,
        tapes: [0.05, 0.075, 0.1].map((overlap) => ({ material: biaxial || fabric, angleDeg: 0, overlap })),
        fillet: 0.012,
        adhesive: null,
        bondWidth: 0.02,
        bondLine: 0.003,
        preparation: 'peelAbrade',
      };
    case 'flange':
      return {
        ...common,
        kind,
        load: null,
        length: 2 * boat.brief.hullLength,
        width: 0.06,
        adhesive,
        bondLine: 0.003,
        lineLoad: 3000,
        pitch: 0.15,
        boltDiameter: 0.006,
        boltMetal: metal,
        edgeDistance: 0.02,
        preparation: 'peelAbrade',
      };
    case 'extension':
      return {
        ...common,
        kind,
        load: null,
        form: 'scarf',
        ratio: 15,
        length: 1,
        outer: [{ material: biaxial || fabric, angleDeg: 0, overlap: 0.1 }],
        inner: [{ material: biaxial || fabric, angleDeg: 0, overlap: 0.1 }],
        preparation: 'peelAbrade',
      };
    case 'liner':
      return {
        ...common,
        kind,
        load: null,
        adhesive,
        bondWidth: 0.06,
        bondLength: 6,
        bondLine: 0.004,
        tributary: 0.4,
        inspections: 8,
        preparation: 'peelAbrade',
      };
    case 'stiffenerEnd':
      return {
        ...common,
        kind,
        load: null,
        support: boat.supports.find(({ section }) => section !== null)?.id ?? '',
        end: 'tapered',
        taper: 3,
        adhesive: null,
        notch: 0,
        preparation: 'wetOnWet',
      };
  }
}
