import type { DetailDrawing } from './marks';
import type { Findings, Scene } from './scene';
import type { DetailKind, DetailOf } from './schema';
import type { Start, StartingMaterials } from './start';

/** What is added to a list of a detail, or fills a group that was left out, by its path. */
export type Additions<K extends DetailKind> = Readonly<
  Record<string, (detail: DetailOf<K>, from: StartingMaterials) => unknown>
>;

/** A kind of detail: everything that the product knows of it besides its schema. */
export interface Kind<K extends DetailKind> {
  name: string;
  /** What it comes to where it stands. @throws KeramosError `invalid` for an impossible geometry. */
  findings: (scene: Scene, detail: DetailOf<K>) => Findings;
  /** Its dimensioned drawing, in millimetres. */
  draw: (scene: Scene, detail: DetailOf<K>) => DetailDrawing;
  start: Start<K>;
  /** What its checks leave out, in words; said where they are shown. */
  notChecked: readonly string[];
  additions?: Additions<K>;
}
