import { boatCost, type Offer, type Rates } from '@/core/cost';
import { evaluateDetails } from '@/core/detail/kinds';
import type { Boat } from '@/core/document';
import { KeramosError } from '@/core/error';
import { makeEvaluator } from '@/core/evaluate';
import { drawnBesides, type Filling } from '@/core/fill';
import {
  boxOf,
  HANDS,
  kitPieces,
  mixingPlan,
  PIECE_KINDS,
  purchaseList,
  type Cutting,
  type Mixing,
  type MixingPlan,
} from '@/core/kit';
import { plain } from '../table/plain';
import type { Cell, Sheet } from './scheduleSheets';

const rounded = (value: number, digits = 3) => Number(value.toFixed(digits));

/** What the yard reckons a kit by. */
export interface KitYard {
  cutting: Cutting;
  mixing: Mixing;
  filling: Filling;
  rates: Rates;
  offers: readonly Offer[];
}

/** Pieces in laying order, their counts, batches and what is bought, as tables. SI but for g, L and minutes. */
export function kitSheets(boat: Boat, { cutting, mixing, filling, rates, offers }: KitYard): Sheet[] {
  const evaluations = makeEvaluator()(boat);
  const details = evaluateDetails(boat);
  const { pieces, counts, problems } = kitPieces({ boat, evaluations, details, cutting });
  const materials = new Map(boat.materials.map((one) => [one.id, one]));
  let mixed: MixingPlan | null = null;
  const why: string[] = [];
  try {
    mixed = mixingPlan(boat, evaluations, mixing, { details, drawn: drawnBesides(boat, evaluations, filling) });
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    why.push(error.text);
  }
  const cutList: Sheet = {
    name: 'Cut list',
    rows: [
      [
        'Of',
        'Kind',
        'Layer',
        'Piece',
        'Hand',
        'Material',
        'Angle (deg)',
        'Along warp (m)',
        'Across (m)',
        'Area (m2)',
        'To cut',
        'Shears (deg)',
        'To know',
      ],
      ...pieces.map((piece): Cell[] => {
        const { maxX, maxY } = boxOf(piece.outline);
        return [
          plain(piece.of),
          PIECE_KINDS[piece.kind],
          piece.layerNumber,
          `${piece.n} of ${piece.m}`,
          HANDS[piece.hand],
          plain(materials.get(piece.material)?.name ?? piece.material),
          piece.angleDeg,
          rounded(maxY),
          rounded(maxX),
          rounded(piece.area, 4),
          piece.count,
          rounded(piece.shearDeg, 1),
          plain(piece.notes.join('; ')),
        ];
      }),
      ...problems.map((text): Cell[] => [plain(`Does not add up: ${text}`)]),
    ],
  };
  const countSheet: Sheet = {
    name: 'Counts',
    rows: [
      [
        'Part',
        'Layer',
        'Material',
        'Runs',
        'Hands',
        'Number-off',
        'Asked',
        'Drawn',
        'Cut',
        'Zones (m2)',
        'Pieces (m2)',
        'Adds up',
      ],
      ...counts.map((one): Cell[] => [
        plain(one.part),
        one.layerNumber,
        plain(one.material),
        one.runs,
        one.hands,
        one.numberOff,
        one.wanted,
        one.made,
        one.cut,
        rounded(one.covers),
        rounded(one.has),
        plain(one.problem ?? 'yes'),
      ]),
    ],
  };
  const batchSheet: Sheet = {
    name: 'Mixing',
    rows: [
      [
        'Part',
        'Stage',
        'Layers',
        'Batch',
        'Hardener',
        'Resin (kg)',
        'Hardener (g)',
        'Resin (L)',
        'Hardener (mL)',
        'From (min)',
        'Used up (min)',
      ],
      ...(mixed?.stages ?? []).flatMap(({ part, name, layers, hardener, batches }) =>
        batches.map((batch, i): Cell[] => [
          plain(part),
          plain(name),
          layers.join(' '),
          i + 1,
          plain(hardener.name),
          rounded(batch.resin),
          rounded(1000 * batch.hardener, 0),
          rounded(batch.resinVolume, 2),
          rounded(1000 * batch.hardenerVolume, 0),
          rounded(batch.startMinute, 0),
          rounded(batch.usedUp, 0),
        ]),
      ),
      ...[...why, ...(mixed?.problems ?? [])].map((text): Cell[] => [plain(text)]),
    ],
  };
  const cost = boatCost(boat, evaluations, details, { rates, offers });
  const buySheet: Sheet = {
    name: 'To buy',
    rows: [
      ['What', 'Needed', 'Unit', 'Packs', 'From', `Cost (${plain(cost.currency)})`],
      ...purchaseList(cost, mixed, { cutting, pieces, materials: boat.materials }).map((one): Cell[] => [
        plain(one.name),
        rounded(one.need, 2),
        one.unit,
        one.packs ? `${one.packs.count} ${one.packs.of}` : '',
        plain(one.supplier ?? ''),
        one.cost === null ? '' : rounded(one.cost, 0),
      ]),
    ],
  };
  return [cutList, countSheet, batchSheet, buySheet];
}
