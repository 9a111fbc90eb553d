import { bolted } from './bolted';
import { extension } from './extension';
import { flange } from './flange';
import { liner } from './liner';
import { patch } from './patch';
import { stiffenerEnd } from './stiffenerEnd';
import { strap } from './strap';
import { tabbing } from './tabbing';
import { transom } from './transom';
import type { Kind } from './kind';
import type { Detail, DetailKind } from './schema';

/** All kinds of detail, in the order in which a builder meets them. */
export const KINDS: { readonly [K in DetailKind]: Kind<K> } = {
  strap,
  bolted,
  patch,
  transom,
  tabbing,
  flange,
  extension,
  liner,
  stiffenerEnd,
};
export const DETAIL_KINDS = Object.fromEntries(Object.entries(KINDS).map(([kind, { name }]) => [kind, name])) as Record<
  DetailKind,
  string
>;

/** The kind of a detail, for the detail itself. */
export const kindOf = (detail: Detail) => KINDS[detail.kind] as Kind<DetailKind>;
