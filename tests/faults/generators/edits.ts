import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { KeramosError } from '@/core/error';
import { boatFromJson, boatToJson } from '@/core/document';
import type { Edit } from '@/core/edit';
import { contextOf } from '@/server/context';
import { openDatabase } from '@/server/database/open';
import { createBoat, editBoat, readBoat } from '@/server/stores/boats';
import { brant, merrow } from '../../helpers/merrow';
import { editOf } from '../../helpers/randomEdit';
import { lasts, type Chance, type Figures, type Span } from './chance';

/**
 * Random actions, each of several edits: whatever is accepted is served as it was stored, to another connection that
 * remembers nothing, and goes out and in as a document. What is refused changes nothing.
 */
export async function randomActions(chance: Chance, span: Span): Promise<Figures> {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-edits-')), 'keramos.db');
  const context = contextOf(await openDatabase(file), 'chance');
  const figures = { accepted: 0, refused: 0, compared: 0 };
  for (let run = 0; lasts(span, figures.accepted + figures.refused); run++) {
    const start = chance.happens(0.5) ? merrow() : brant();
    const { id } = await createBoat(context, start);
    let { version, boat } = await readBoat(context, id);
    for (let turn = 0; turn < 40 && lasts(span, figures.accepted + figures.refused); turn++) {
      const edits: Edit[] = [];
      for (let i = 0; i <= chance.below(3); i++) {
        const edit = editOf(boat, chance.below(400), chance.below(400), chance.below(400));
        if (edit) edits.push(edit);
      }
      // Now and then something goes and comes back under its own id, elsewhere.
      const [part] = boat.parts;
      const layer = part && part.layers.length > 0 ? chance.one(part.layers) : null;
      if (part && layer && chance.happens(0.2))
        edits.splice(
          0,
          edits.length,
          { type: 'layer.remove', layerId: layer.id },
          {
            type: 'layer.add',
            partId: part.id,
            layer,
            index: chance.below(part.layers.length),
          },
        );
      if (edits.length === 0) continue;
      const before = boatToJson(boat);
      try {
        const actions = [{ clientId: `${run}-${turn}`, action: 'do' as const, edits }];
        ({ version } = await editBoat(context, id, version, actions));
        figures.accepted += 1;
      } catch (error) {
        if (!(error instanceof KeramosError)) throw error;
        figures.refused += 1;
      }
      ({ boat } = await readBoat(context, id));
      const served = boatToJson(boat);
      if (chance.happens(0.25)) {
        const other = await openDatabase(file);
        const stored = boatToJson((await readBoat(contextOf(other), id)).boat);
        await other.destroy();
        if (stored !== served) throw new Error(`Run ${run}, action ${turn}: stored and served differ`);
        figures.compared += 1;
      }
      if (boatToJson(boatFromJson(served)) !== served)
        throw new Error(`Run ${run}, action ${turn}: not the same document`);
      if (figures.refused > 0 && before === served) continue;
    }
  }
  await context.db.destroy();
  return figures;
}
