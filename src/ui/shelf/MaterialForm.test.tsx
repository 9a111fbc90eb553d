// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { GENERIC_MATERIALS, type Core, type Fabric, type Material, type Resin } from '@/core/material';
import { MaterialForm } from './MaterialForm';

const fibres = new Map(
  GENERIC_MATERIALS.filter(({ kind }) => kind === 'fibre').map(({ id, name }) => [id, name] as const),
);
const onSave = vi.fn(async (_material: Material): Promise<string | undefined> => undefined);
function show(start: Material, isNew = false) {
  onSave.mockClear();
  render(
    <MaterialForm
      start={start}
      isNew={isNew}
      fibres={fibres}
      shelf={GENERIC_MATERIALS}
      onSave={onSave}
      onCancel={() => undefined}
    />,
  );
}
const save = () => fireEvent.click(screen.getByRole('button', { name: /save/i }));
const saved = async () => {
  await waitFor(() => expect(onSave).toHaveBeenCalled());
  return onSave.mock.lastCall![0];
};
const find = <M extends Material>(id: string) => GENERIC_MATERIALS.find((material) => material.id === id) as M;
const put = (label: string | RegExp, value: string) => {
  const field = screen.getAllByLabelText(label)[0]!;
  fireEvent.change(field, { target: { value } });
  fireEvent.keyDown(field, { key: 'Enter' });
};

afterEach(cleanup);

describe('the form of a material', () => {
  it.each(GENERIC_MATERIALS.map((material) => [material.name, material] as const))(
    'gives back %s as it was',
    async (_name, material) => {
      show(material);
      save();
      // A generic figure may be questioned: saving again says that it is right.
      await waitFor(() =>
        expect(onSave.mock.calls.length > 0 || screen.queryByText('It is right: save') !== null).toBe(true),
      );
      if (onSave.mock.calls.length === 0) save();
      expect(await saved()).toEqual(material);
    },
  );

  it('takes a law of cure with its source, and lets it go again', async () => {
    const resin = GENERIC_MATERIALS.find(({ kind }) => kind === 'resin') as Resin;
    show(resin);
    fireEvent.click(screen.getByLabelText(/^By a law of its own/));
    const source = screen.getByLabelText('Source of the law');
    fireEvent.change(source, { target: { value: 'Scan of batch 12' } });
    fireEvent.blur(source);
    put(/^Glass transition when cured through/, '104');
    save();
    await waitFor(() => expect(screen.queryAllByRole('button', { name: /save/i })).toHaveLength(1));
    if (onSave.mock.calls.length === 0) save();
    expect(((await saved()) as Resin).cure).toMatchObject({ tgFull: 104, source: 'Scan of batch 12' });
    fireEvent.click(screen.getByLabelText(/^By a law of its own/));
    expect(screen.queryByLabelText('Source of the law')).toBeNull();
  });

  it('takes a figure, and says that it no longer is a generic value', async () => {
    const pvc = GENERIC_MATERIALS.find(({ kind }) => kind === 'core') as Core;
    show(pvc);
    put(/^Density/, String(pvc.density.value + 2));
    save();
    await waitFor(() => expect(screen.queryAllByRole('button', { name: /save/i })).toHaveLength(1));
    if (onSave.mock.calls.length === 0) save();
    expect(((await saved()) as Core).density).toMatchObject({ value: pvc.density.value + 2, origin: 'dataSheet' });
  });

  it('reads sheets in any unit, and refuses what is none', async () => {
    const pvc = GENERIC_MATERIALS.find(({ kind }) => kind === 'core') as Core;
    show(pvc);
    fireEvent.change(screen.getByLabelText(/Sheet thicknesses/), { target: { value: '10; half; 20' } });
    save();
    await waitFor(() => expect(screen.getByText(/^Sheets: .*"half" is not a number/)).toBeTruthy());
    expect(onSave).not.toHaveBeenCalled();
    fireEvent.change(screen.getByLabelText(/Sheet thicknesses/), { target: { value: '10; 1 in' } });
    expect(screen.queryByText(/^Sheets:/)).toBeNull();
    save();
    await waitFor(() => expect(screen.queryAllByRole('button', { name: /save/i })).toHaveLength(1));
    if (onSave.mock.calls.length === 0) save();
    expect(((await saved()) as Core).thicknesses).toEqual([0.01, 0.0254]);
  });

  it('adds and removes components of a fabric, four at most', async () => {
    const fabric = find<Fabric>(GENERIC_MATERIALS.find(({ kind }) => kind === 'fabric')!.id);
    show(fabric);
    const add = () => fireEvent.click(screen.getByRole('button', { name: 'Add a component' }));
    while (screen.queryByRole('button', { name: 'Add a component' })) add();
    expect(screen.getAllByText(/^Component \d/)).toHaveLength(4);
    fireEvent.click(screen.getAllByRole('button', { name: 'Remove component' })[1]!);
    expect(screen.getAllByText(/^Component \d/)).toHaveLength(3);
    expect(screen.getByRole('button', { name: 'Add a component' })).toBeTruthy();
  });

  it('says what is wrong with a name, and keeps everything else', async () => {
    const fabric = GENERIC_MATERIALS.find(({ kind }) => kind === 'fabric') as Fabric;
    show(fabric, true);
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: '  ' } });
    save();
    await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/[Nn]ame/));
    expect(onSave).not.toHaveBeenCalled();
    expect((screen.getByLabelText('Code') as HTMLInputElement).value).toBe(fabric.code);
  });

  it('shows what the server refuses', async () => {
    onSave.mockImplementationOnce(async () => 'Somebody else has changed it');
    const fibre = GENERIC_MATERIALS.find(({ kind }) => kind === 'fibre')!;
    render(
      <MaterialForm
        start={fibre}
        isNew={false}
        fibres={fibres}
        shelf={[]}
        onSave={async () => 'Somebody else has changed it'}
        onCancel={() => undefined}
      />,
    );
    save();
    await waitFor(() => expect(screen.getByText('Somebody else has changed it')).toBeTruthy());
  });
});
