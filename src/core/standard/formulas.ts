import type { StandardPack } from './packs';

/** What a coefficient is in its formula. Symbols and formulas are TeX. */
export interface CoefficientMeaning {
  /** Beginning of the path; the rest of it names the case. */
  path: string;
  symbol: string;
  means: string;
  unit: string;
}

/** A formula of a pack with the coefficients that stand in it. */
export interface FormulaGroup {
  id: string;
  title: string;
  tex: string;
  /** What it decides, in a sentence. */
  means: string;
  coefficients: readonly CoefficientMeaning[];
}

const c = (path: string, symbol: string, means: string, unit = ''): CoefficientMeaning => ({
  path,
  symbol,
  means,
  unit,
});

/** Base and least pressures on the hull, which both kinds of craft have alike. */
const hullPressures = (craft: 'motor' | 'sail'): CoefficientMeaning[] => [
  c(`${craft}.bottomBase.perMass`, 'a', 'bottom base, times m^0.33', 'Pa'),
  c(`${craft}.bottomBase.constant`, 'b', 'bottom base, constant', 'Pa'),
  c(`${craft}.bottomMinimum.perMass`, 'a_m', 'least on the bottom, times m^0.33', 'Pa'),
  c(`${craft}.bottomMinimum.perLength`, 'b_m', 'least on the bottom, times waterline length', 'Pa/m'),
  c(`${craft}.sideMinimum`, 'c_m', 'least on sides, times waterline length', 'Pa/m'),
];

/** Least fibre, or wood, of the hull and the deck by one law. */
const leastByLaw = (key: 'minimumFibre' | 'minimumWood', unit: string): CoefficientMeaning[] => [
  ...(['bottom', 'side'] as const).flatMap((place) => [
    c(`${key}.${place}.A`, 'A', `${place}, constant`, unit),
    c(`${key}.${place}.k7`, 'k_7', `${place}, for each knot`),
    c(`${key}.${place}.k8`, 'k_8', `${place}, times m^0.33`),
  ]),
  c(`${key}.deck.a0`, 'a_0', 'deck, constant', unit),
  c(`${key}.deck.a1`, 'a_1', 'deck, for each metre of waterline'),
];

const SMALL_CRAFT: readonly FormulaGroup[] = [
  {
    id: 'scope',
    title: 'Where the method holds',
    tex: 'L_{H,min} \\le L_H \\le L_{H,max}, \\quad V \\le V_{max}',
    means: 'A boat outside is refused by the rule; analysis and matching go on.',
    coefficients: [
      c('applicability.hullLength.0', 'L_{H,min}', 'shortest hull', 'm'),
      c('applicability.hullLength.1', 'L_{H,max}', 'longest hull', 'm'),
      c('applicability.maxSpeedKnots.0', 'V_{min}', 'lowest speed', 'kn'),
      c('applicability.maxSpeedKnots.1', 'V_{max}', 'highest speed', 'kn'),
      c('planingSpeedRatio', 'r_p', 'a motor craft planes from V/√L_WL of', 'kn/√m'),
    ],
  },
  {
    id: 'pressure',
    title: 'Design pressure',
    tex: 'P = \\max\\left(P_{base}\\,k_{AR}\\,k_{DC}\\,k_L,\\;P_{min}\\right)',
    means:
      'Base pressure of the place, lowered for large panels, sheltered waters and places aft; never below a least.',
    coefficients: [
      c('designCategoryFactor', 'k_{DC}', 'design category factor'),
      c('areaReductionMinimum', 'k_{AR}', 'least area reduction'),
      c('deckMinimumPressure', 'P_{min}', 'least pressure on decks walked on', 'Pa'),
      c('superstructureFactor', 'k_{SUP}', 'share of the deck pressure on'),
    ],
  },
  {
    id: 'planing',
    title: 'Bottom of a planing motor craft',
    tex: 'P_{BMP} = c_p\\,\\frac{m}{L_{WL}\\,B_C}\\left(1+\\sqrt{k_{DC}}\\,n_{CG}\\right)',
    means: 'Slamming: weight over the planing area, raised by the dynamic load factor. Sides take a share of it.',
    coefficients: [
      c('motor.planingBase', 'c_p', 'planing base', 'Pa·m²/kg'),
      c('motor.planingSideShare', 'c_s', 'share of it on sides'),
    ],
  },
  {
    id: 'motorBase',
    title: 'Motor craft: base and least pressures',
    tex:
      'P_{BMD} = a\\,m^{0.33}+b, \\quad P_{B,min} = a_m\\,m^{0.33}+b_m\\,L_{WL}k_{DC}, \\quad ' +
      'P_{S,min} = c_m\\,L_{WL}k_{DC}, \\quad P_D = a_D\\,L_{WL}+b_D',
    means: 'What the hull bears at rest and at displacement speed, on bottom, side and deck.',
    coefficients: [
      ...hullPressures('motor'),
      c('motor.deckBase.perLength', 'a_D', 'deck, times waterline length', 'Pa/m'),
      c('motor.deckBase.constant', 'b_D', 'deck, constant', 'Pa'),
    ],
  },
  {
    id: 'sailBase',
    title: 'Sailing craft: base and least pressures',
    tex:
      'P_{BS} = (a\\,m^{0.33}+b)\\,k_{SLS}, \\quad P_{B,min} = a_m\\,m^{0.33}+b_m\\,L_{WL}k_{DC}, \\quad ' +
      'P_{S,min} = c_m\\,L_{WL}k_{DC}, \\quad P_D = a_D\\,m^{0.33}+b_D',
    means: 'The same for a sailing craft; light boats of categories A and B slam and carry a factor for it.',
    coefficients: [
      ...hullPressures('sail'),
      c('sail.deckBase.perMass', 'a_D', 'deck, times m^0.33', 'Pa'),
      c('sail.deckBase.constant', 'b_D', 'deck, constant', 'Pa'),
    ],
  },
  {
    id: 'head',
    title: 'Bulkheads and tanks',
    tex: 'P_{WB} = c_h\\,h_B',
    means: 'Water standing against it, by its head; no other factor applies.',
    coefficients: [c('headPressure', 'c_h', 'pressure for each metre of head', 'Pa/m')],
  },
  {
    id: 'skins',
    title: 'Strength of skins',
    tex: '\\sigma_d = k_\\sigma\\,\\sigma_u\\,k_q, \\qquad \\sigma_{wr} = k_{wr}\\sqrt[3]{E_c E_f G_c}',
    means: 'What share of the strength may be used, by how well the build is known, and when a thin skin wrinkles.',
    coefficients: [
      c('skinStrengthFactor', 'k_\\sigma', 'share of the skin strength used'),
      c('qualityFactor', 'k_q', 'by how well the figures are known'),
      c('wrinklingFactor', 'k_{wr}', 'wrinkling of a pressed skin'),
    ],
  },
  {
    id: 'deflection',
    title: 'Deflection of panels',
    tex: 'I = \\frac{b^3 k_C^3 P k_3}{12\\,k_1 E}',
    means: 'How far a sandwich panel may give, as a share of its short side.',
    coefficients: [c('deflectionRatio', 'k_1', 'deflection over the short side')],
  },
  {
    id: 'core',
    title: 'Core in shear',
    tex: 't_s = \\frac{\\sqrt{k_C}\\,k_{SHC}\\,P\\,b}{k_\\tau\\,\\tau_u}',
    means: 'What share of the shear strength of a core may be used, by its kind.',
    coefficients: [c('coreStrengthFactor', 'k_\\tau', 'share of the core shear strength used')],
  },
  {
    id: 'stiffener',
    title: 'Stiffeners',
    tex:
      'A_W = \\frac{k_{SA}\\,P s l_u}{10\\,k_\\sigma\\tau_u}, ' +
      '\\quad SM = \\frac{k_{CS}\\,P s l_u^2}{12\\,k_\\sigma\\sigma_u}, ' +
      '\\quad I = \\frac{0.0026\\,k_{CS}^{1.5}\\,P s l_u^3}{k_{1S}\\,E}',
    means: 'Web, flanges and stiffness of a frame or stringer with clamped ends.',
    coefficients: [
      c('stiffener.shearAttached', 'k_{SA}', 'shear of one bonded to the plating'),
      c('stiffener.shearFloating', 'k_{SA}', 'shear of one that floats on it'),
      c('stiffener.strengthFactor', 'k_\\sigma', 'share of the strength used'),
      c('stiffener.deflectionRatio', 'k_{1S}', 'deflection over the span'),
    ],
  },
  {
    id: 'leastFibre',
    title: 'Least fibre of a single skin',
    tex: 'w_{min} = 0.43\\,k_5\\,(A+k_7 V+k_8 m^{0.33}), \\qquad w_{deck} = 0.43\\,k_5\\,(a_0+a_1 L_{WL})',
    means: 'Robustness, whatever the strength: dry fibre that a single skin has at least.',
    coefficients: [...leastByLaw('minimumFibre', 'kg/m²'), c('fibreTypeFactor', 'k_5', 'by the fibre')],
  },
  {
    id: 'leastWood',
    title: 'Least thickness of wood',
    tex: 't_{min} = k_5\\,(A+k_7 V+k_8 m^{0.33}), \\qquad t_{deck} = k_5\\,(a_0+a_1 L_{WL})',
    means: 'The same for planking and plywood, in millimetres.',
    coefficients: leastByLaw('minimumWood', 'mm'),
  },
  {
    id: 'leastSkin',
    title: 'Least skins of a sandwich',
    tex: 'w_{os} = k_{DC}\\,k_4\\,k_5\\,k_6\\,(0.1\\,L_{WL}+0.15), \\qquad w_{is} = c_i\\,w_{os}',
    means: 'Robustness of the skins of a sandwich: dry fibre outside and inside.',
    coefficients: [
      c('minimumSkin.k4', 'k_4', 'by the place'),
      c('minimumSkin.innerShare', 'c_i', 'inner skin as a share of the outer'),
    ],
  },
  {
    id: 'strain',
    title: 'Strains at which plies break',
    tex: '\\varepsilon_1^{t},\\;\\varepsilon_1^{c},\\;\\varepsilon_2^{t},\\;\\varepsilon_2^{c},\\;\\gamma_{12}',
    means: 'The strength of a laminate of straight fibres is that at which its first ply reaches one of these.',
    coefficients: ['eGlass', 'carbon', 'aramid'].flatMap((fibre) => [
      c(`failureStrain.${fibre}.e1t`, '\\varepsilon_1^{t}', 'tension along the fibre'),
      c(`failureStrain.${fibre}.e1c`, '\\varepsilon_1^{c}', 'compression along the fibre'),
      c(`failureStrain.${fibre}.e2t`, '\\varepsilon_2^{t}', 'tension across'),
      c(`failureStrain.${fibre}.e2c`, '\\varepsilon_2^{c}', 'compression across'),
      c(`failureStrain.${fibre}.g12`, '\\gamma_{12}', 'shear'),
    ]),
  },
];

/** The formulas of each kind of pack, with every coefficient that the kind has. */
export const FORMULAS: Readonly<Record<StandardPack['kind'], readonly FormulaGroup[]>> = {
  smallCraft: SMALL_CRAFT,
  yardRule: [
    {
      id: 'fibre',
      title: 'Least dry fibre',
      tex: 'w \\ge w_{min}',
      means: 'What the yard lays at least, by the place, whatever the strength.',
      coefficients: [c('minimumFibre', 'w_{min}', 'dry fibre', 'kg/m²')],
    },
    {
      id: 'thickness',
      title: 'Least thickness',
      tex: 't \\ge t_{min}',
      means: 'The same by thickness.',
      coefficients: [c('minimumThickness', 't_{min}', 'thickness', 'm')],
    },
    {
      id: 'analysis',
      title: 'Direct analysis',
      tex: 'RF \\ge k_a',
      means: 'The reserve that the yard wants of a panel by plate analysis.',
      coefficients: [c('analysisFactor', 'k_a', 'reserve asked')],
    },
  ],
  workboatUplift: [
    {
      id: 'uplift',
      title: 'Commercial service',
      tex: "P' = k_P\\,P, \\qquad w'_{min} = k_w\\,w_{min}",
      means: 'Pressures and least skins of the small-craft method, raised for hard use.',
      coefficients: [c('pressureFactor', 'k_P', 'on pressures'), c('minimumFactor', 'k_w', 'on least skins')],
    },
  ],
  asSpecified: [
    {
      id: 'specified',
      title: 'Layer by layer',
      tex: 'w \\ge (1-d_w)\\,w_{spec}, \\qquad |\\theta-\\theta_{spec}| \\le d_\\theta',
      means: 'Each layer that the architect wrote must be there, as heavy and as turned.',
      coefficients: [
        c('weightTolerance', 'd_w', 'share of the weight a layer may fall short'),
        c('angleToleranceDeg', 'd_\\theta', 'turn it may be off', '°'),
      ],
    },
  ],
};

/** The case that the rest of a path names: 'balsa', 'collision bulkhead', '' where the path is the whole of it. */
export const caseOf = ({ path }: CoefficientMeaning, whole: string): string =>
  whole
    .slice(path.length)
    .replace(/^\./, '')
    .split('.')
    .map((key) =>
      /^[A-D]$|-/.test(key)
        ? key
        : key.replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`),
    )
    .join(', ');

/** Whether a coefficient's path is what a meaning speaks of. */
export const meantBy = ({ path }: CoefficientMeaning, whole: string): boolean =>
  whole === path || whole.startsWith(`${path}.`);
