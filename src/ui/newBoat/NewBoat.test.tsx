// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, tick, type, went, Yard } from '../../../tests/helpers/yard';
import { boatToJson, templateToJson } from '@/core/document';
import { makeEvaluator, targetOf } from '@/core/evaluate';
import { archiveBoat, createBoat, listBoats } from '@/server/stores/boats';
import { issueRevision } from '@/server/stores/revisions';
import { keepTemplate, listTemplates, readTemplate } from '@/server/stores/templates';
import { merrow } from '../../../tests/helpers/merrow';
import { KeepTemplate } from '../pack/KeepTemplate';
import { NewBoatScreen } from './NewBoatScreen';

vi.mock('comlink', () => import('../../../tests/helpers/comlink'));
vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/new',
  useRouter: () => went,
}));

let yard: Yard;
beforeEach(async () => {
  await import('@/workers/proof.worker');
  yard = await Yard.open();
});
afterEach(() => yard.close());

const open = async () =>
  yard.lay(
    <NewBoatScreen
      templates={await listTemplates(yard.context)}
      boats={(await listBoats(yard.context)).filter(({ archived }) => !archived)}
    />,
  );
const create = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Create the boat' });
const page = () => document.body.textContent!;
/** Name it, wait until it is computed, create it; the boat as the database has it. */
async function made(name: string) {
  fireEvent.change(await waitFor(() => screen.getByLabelText('Name')), { target: { value: name } });
  await waitFor(() => expect(create().disabled).toBe(false));
  press('Create the boat');
  await waitFor(() => expect(went.push).toHaveBeenCalled());
  const [, id] = /boats\/(.+)\/layup/.exec(went.push.mock.calls.at(-1)![0])!;
  return yard.stored(id!);
}
const give = (label: string, name: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { files: [new File([text], name)] } });

describe('a new boat', () => {
  it('from a template is scaled to what is typed, laid for its process, and proves its target', async () => {
    await open();
    expect(create().disabled).toBe(true);
    tick(/^Sailing dinghy/);
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>(/^Length of hull/).value).toBe('4.3'));
    type(/^Length of hull/, '15 ft');
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>(/^Maximum beam/).value).toBe('1.81'));
    choose('Process', 'Wet bag');
    const boat = await made('Wren 46');
    expect(boat.name).toBe('Wren 46');
    expect(boat.brief).toMatchObject({ process: 'wetBag', resin: 'epoxy-hand', kind: 'sail' });
    expect(boat.brief.hullLength).toBeCloseTo(4.572, 4);
    for (const { governing } of makeEvaluator()(boat).values())
      expect(governing!.reserveFactor).toBeGreaterThanOrEqual(targetOf(boat));
    expect(page()).toMatch(/11 of 11 zones reach 1\.10/);
    expect(page()).toMatch(/Not checked: 3 supports hold panels and have no section yet/);
  });
  it('without some of its parts has none of them', async () => {
    await open();
    await waitFor(() => screen.getByLabelText('Bulkheads'));
    tick('Bulkheads');
    tick('Deck');
    expect((await made('Hull only')).parts.map(({ name }) => name)).toEqual(['Hull']);
  });
  it('whose last part is taken away says so, and is not made', async () => {
    await open();
    for (const name of ['Hull', 'Deck', 'Bulkheads']) tick(await waitFor(() => name));
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Nothing' } });
    await waitFor(() => expect(page()).toContain('Choose at least one part'));
    expect(create().disabled).toBe(true);
  });
  it('keeps what is typed wrong, with the range, and makes nothing of it', async () => {
    await open();
    await waitFor(() => screen.getByLabelText(/^Length of hull/));
    type(/^Length of hull/, '90 m');
    expect(page()).toContain('Length of hull must be between');
    expect(screen.getByLabelText<HTMLInputElement>(/^Length of hull/).value).toBe('90 m');
  });
  it('from a boat here or one of its revisions begins as that was', async () => {
    const id = await yard.boat();
    await issueRevision(yard.context, id, 1, { author: 'I. Hallin', note: 'First', answer: 'As quoted' });
    await open();
    press('Boat here');
    await waitFor(() => expect(page()).toContain('Revision A'));
    choose('As it was', /Revision A/);
    const boat = await made('Merrow 85');
    expect(boat.parts.map(({ layers }) => layers)).toEqual(merrow().parts.map(({ layers }) => layers));
    expect(boat.acceptances).toEqual([]);
  });
  it('from a yard without boats says that there are none', async () => {
    await open();
    press('Boat here');
    expect(page()).toContain('There is no boat here yet');
  });
  it('from a document, be it a boat or a template; another file is refused in words', async () => {
    await open();
    press('Document');
    give('Boat or template document', 'list.csv', 'a,b\n1,2');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('This is not JSON'));
    give('Boat or template document', 'merrow.json', boatToJson(merrow()));
    await waitFor(() => expect(page()).toContain('merrow.json: Merrow 84'));
    const gig = templateToJson(await readTemplate(yard.context, 'pulling-gig'));
    give('Boat or template document', 'gig.json', gig);
    await waitFor(() => expect(page()).toContain('gig.json: Pulling gig'));
    expect((await made('Four oars')).parts.map(({ name }) => name)).toEqual(['Hull', 'Sheets and gunwale deck']);
  });
  it('out of nothing has its first zones, laid or not', async () => {
    await open();
    press('Empty');
    await waitFor(() => choose('Layers', 'none yet'));
    expect((await made('Bare')).parts.flatMap(({ layers }) => layers)).toEqual([]);
  });
});

describe('a template of the yard', () => {
  it('is a boat that was kept; it is begun from, dropped, and brought back', async () => {
    const id = await yard.boat();
    await yard.lay(<KeepTemplate boatId={id} name="Merrow 84" ready />);
    fireEvent.change(screen.getByLabelText('Name of the template'), { target: { value: 'Harbour launch' } });
    fireEvent.change(screen.getByLabelText('What the template is for'), { target: { value: 'Work boats' } });
    press('Keep');
    await waitFor(() => expect(page()).toContain('Harbour launch is kept'));
    const [own] = (await listTemplates(yard.context)).filter((one) => one.own !== null);
    expect(own).toMatchObject({ name: 'Harbour launch', note: 'Work boats' });
    document.body.replaceChildren();
    await open();
    tick(/^Harbour launch/);
    await waitFor(() => expect(screen.getByLabelText('Liner')).toBeTruthy());
    press('Drop the template Harbour launch');
    await waitFor(() => expect(page()).toContain('Harbour launch is dropped.'));
    expect((await listTemplates(yard.context)).some((one) => one.own !== null)).toBe(false);
    press('Undo');
    await waitFor(async () =>
      expect((await listTemplates(yard.context)).some(({ name }) => name === 'Harbour launch')).toBe(true),
    );
  });
  it('without a name is not kept, and one that ships is not dropped', async () => {
    const id = await yard.boat();
    await yard.lay(<KeepTemplate boatId={id} name="Merrow 84" ready />);
    fireEvent.change(screen.getByLabelText('Name of the template'), { target: { value: ' ' } });
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep' }).disabled).toBe(true);
    const response = await fetch('/api/templates/keel-yacht', { method: 'DELETE' });
    expect(response.status).toBe(422);
    const rows = within(document.body).queryAllByRole('button', { name: /^Drop the template/ });
    expect(rows).toEqual([]);
  });
  it('holds no accepted caution, and is read after its boat is gone from the list', async () => {
    const { id, boat } = await createBoat(yard.context, merrow());
    const kept = await keepTemplate(yard.context, { name: 'Kept', note: '' }, boat);
    await archiveBoat(yard.context, id, true);
    const template = await readTemplate(yard.context, kept.id);
    expect(template.boat).toEqual({ ...boat, acceptances: [] });
  });
});
