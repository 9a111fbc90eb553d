// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { SignedForm, type Signed } from './SignedForm';

const LABELS = { by: 'Your name', why: 'Why' };
const fill = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
afterEach(cleanup);

describe('a form that is signed', () => {
  it('asks for a name and a reason before it acts', async () => {
    const run = vi.fn(async (_signed: Signed) => true);
    render(<SignedForm labels={LABELS} acts={[{ name: 'Approve', run }]} />);
    fill('Your name', 'I');
    press('Approve');
    await waitFor(() => expect(screen.getByText('Give a name of at least 2 characters')).toBeTruthy());
    expect(screen.getByText('Say in a few words why')).toBeTruthy();
    expect(run).not.toHaveBeenCalled();
  });
  it('acts with what was signed, without the blanks about it, and keeps the name for the next', async () => {
    const run = vi.fn(async (_signed: Signed) => true);
    render(<SignedForm labels={LABELS} acts={[{ name: 'Approve', run }]} />);
    fill('Your name', ' I. Hallin ');
    fill('Why', 'The trial panel held ');
    press('Approve');
    await waitFor(() => expect(run).toHaveBeenCalledWith({ by: 'I. Hallin', why: 'The trial panel held' }));
    await waitFor(() => expect((screen.getByLabelText('Why') as HTMLTextAreaElement).value).toBe(''));
    expect((screen.getByLabelText('Your name') as HTMLInputElement).value).toContain('I. Hallin');
  });
  it('keeps what was written where the act was refused', async () => {
    const run = vi.fn(async (_signed: Signed) => false);
    render(<SignedForm labels={LABELS} acts={[{ name: 'Approve', run }]} />);
    fill('Your name', 'I. Hallin');
    fill('Why', 'The trial panel held');
    press('Approve');
    await waitFor(() => expect(run).toHaveBeenCalled());
    expect((screen.getByLabelText('Why') as HTMLTextAreaElement).value).toBe('The trial panel held');
  });
  it('does the act whose button was pressed', async () => {
    const [approve, reject] = [vi.fn(async () => true), vi.fn(async () => true)];
    render(
      <SignedForm
        labels={LABELS}
        acts={[
          { name: 'Approve', run: approve },
          { name: 'Reject', run: reject, quiet: true },
        ]}
      />,
    );
    fill('Your name', 'I. Hallin');
    fill('Why', 'The keel band is too thin');
    press('Reject');
    await waitFor(() => expect(reject).toHaveBeenCalled());
    expect(approve).not.toHaveBeenCalled();
  });
});
