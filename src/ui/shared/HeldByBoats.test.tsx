// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { press, tick, went, Yard } from '../../../tests/helpers/yard';
import { brant, merrow } from '../../../tests/helpers/merrow';
import type { Core } from '@/core/material';
import { archiveBoat, createBoat, editBoat, readBoat } from '@/server/stores/boats';
import { listBoatsOf, takeOverMaterial } from '@/server/stores/boatsOfMaterial';
import { readBoatWithHistory } from '@/server/stores/history';
import { withCoefficient, type StandardPack } from '@/core/standard';
import { listBoatsOfPack } from '@/server/stores/boatsOfPack';
import { savePack } from '@/server/stores/packs';
import { listShelf, saveShelfMaterial } from '@/server/stores/shelf';
import { HeldByBoats } from './HeldByBoats';

vi.mock('comlink', () => import('../../../tests/helpers/comlink'));
vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/shelf',
  useRouter: () => went,
}));

let yard: Yard;
beforeEach(async () => {
  await import('@/workers/proof.worker');
  yard = await Yard.open();
});
afterEach(() => yard.close());

/** The Shelf's PVC 80 as a reading found it: 92 instead of 80 kg/m³. */
async function corrected(): Promise<Core> {
  const pvc = (await listShelf(yard.context)).find(({ material }) => material.id === 'pvc-80')!.material as Core;
  const heavier: Core = { ...pvc, density: { value: 92, origin: 'yardTest' } };
  await saveShelfMaterial(yard.context, heavier, false);
  return heavier;
}

describe('a figure of the Shelf that was corrected', () => {
  it('reaches no boat by itself; each says what it would do, and takes it over when told', async () => {
    const [id, other] = [await yard.boat(), (await createBoat(yard.context, brant())).id];
    const material = await corrected();
    expect((await yard.stored(id)).materials).toEqual(merrow().materials);
    await yard.lay(<HeldByBoats url={`/api/shelf/${material.id}/boats`} of={material} none="No boat has it." why="" />);
    await waitFor(() => expect(document.body.textContent).toMatch(/80 .*→ 92/));
    press('What it does to Merrow 84');
    const effect = await waitFor(() => screen.getByTestId('effect').textContent!);
    expect(effect).toMatch(/The boat: 676\.2 kg → 68\d\.\d kg \(\+1\d\.\d kg\)/);
    tick(/^Merrow 84/);
    press('Take over in 1 boat');
    await waitFor(() => expect(document.body.textContent).toContain('✓ Merrow 84 has these figures now'));
    const { boat, history } = await readBoatWithHistory(yard.context, id);
    expect(boat.materials.find((one) => one.id === 'pvc-80')).toEqual(material);
    expect(history.undo.at(-1)!.description).toBe('took Cross-linked PVC 80 as the Shelf has it');
    expect((await yard.stored(other)).materials).toEqual(brant().materials);
    await waitFor(() => expect(document.body.textContent).toContain('the same figures'));
  });
  it('is refused by a boat that somebody changed since, in words, and the others take it all the same', async () => {
    const [id, other] = [await yard.boat(), (await createBoat(yard.context, brant())).id];
    await corrected();
    const edits = [{ type: 'brief.set' as const, patch: { weightTarget: 700 } }];
    await editBoat(yard.context, id, 1, [{ clientId: 'meanwhile', action: 'do', edits }]);
    const [first, second] = await takeOverMaterial(yard.context, 'pvc-80', [
      { boatId: id, version: 1 },
      { boatId: other, version: 1 },
    ]);
    expect(first).toMatchObject({ version: null, refusal: expect.stringContaining('Somebody else changed this boat') });
    expect(second).toMatchObject({ version: 2, refusal: null });
    expect((await readBoat(yard.context, other)).version).toBe(2);
  });
  it('that a boat has already is no action of its history', async () => {
    const id = await yard.boat();
    expect(await takeOverMaterial(yard.context, 'pvc-80', [{ boatId: id, version: 1 }])).toEqual([
      { boatId: id, version: 1, refusal: null },
    ]);
    expect((await readBoat(yard.context, id)).version).toBe(1);
  });
  it('is asked of no boat that is put away, nor of one without it; a material that is not there is said', async () => {
    const id = await yard.boat();
    expect(await listBoatsOf(yard.context, 'flax-twill-300')).toEqual([]);
    await archiveBoat(yard.context, id, true);
    expect(await listBoatsOf(yard.context, 'pvc-80')).toEqual([]);
    await expect(listBoatsOf(yard.context, 'nothing')).rejects.toThrow('There is no material "nothing"');
    await yard.lay(<HeldByBoats url="/api/shelf/flax-twill-300/boats" of={null} none="No boat has it." why="" />);
    await waitFor(() => expect(document.body.textContent).toContain('No boat has it.'));
  });
});

describe('a coefficient of a pack that was changed', () => {
  it('reaches the boats built to what the copy was made from when they take it, with what that does', async () => {
    const id = await yard.boat();
    const method = (await readBoat(yard.context, id)).boat.packs[0]!;
    const copy = {
      ...withCoefficient(method, 'skinStrengthFactor', 0.45),
      id: 'own',
      title: 'Own',
      basedOn: method.id,
    };
    await savePack(yard.context, copy, true);
    await yard.lay(<HeldByBoats url="/api/packs/own/boats" of={copy} none="No boat is built to it." why="" />);
    await waitFor(() => expect(document.body.textContent).toContain(`Merrow 84, built to ${method.title}`));
    press('What it does to Merrow 84');
    const effect = await waitFor(() => screen.getByTestId('effect').textContent!);
    expect(effect).toMatch(/→/);
    tick(/^Merrow 84/);
    press('Take over in 1 boat');
    await waitFor(() => expect(document.body.textContent).toContain('✓ Merrow 84 has these figures now'));
    expect((await yard.stored(id)).packs[0]).toEqual(copy);
    await waitFor(() => expect(document.body.textContent).toContain('built to it'));
    // Once it is built to the copy, a further change is one of its figures.
    await savePack(yard.context, withCoefficient(copy as StandardPack, 'wrinklingFactor', 0.25), false);
    const [held] = await listBoatsOfPack(yard.context, 'own');
    expect(held!.edits).toMatchObject([{ type: 'pack.set' }]);
    expect(held!.changes.join()).toMatch(/0\.3 → 0\.25/);
  });
});
