// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { Drawer } from './Drawer';

function Page() {
  const [of, setOf] = useState<{ name: string } | null>(null);
  return (
    <>
      <button onClick={() => setOf({ name: 'bolt' })}>Why</button>
      <input aria-label="Diameter" />
      <Drawer id="of" of={of} title={({ name }) => `The ${name}`} onClose={() => setOf(null)}>
        {({ name }) => <p>How the {name} was computed</p>}
      </Drawer>
    </>
  );
}

afterEach(cleanup);

describe('a drawer', () => {
  const opened = async () => {
    render(<Page />);
    const why = screen.getByRole('button', { name: 'Why' });
    why.focus();
    fireEvent.click(why);
    await screen.findByRole('dialog', { name: 'The bolt' });
    return why;
  };
  const gone = () => waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());

  it('goes on telling what it told while it slides out', async () => {
    await opened();
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(screen.getByRole('dialog', { name: 'The bolt' }).textContent).toContain('How the bolt was computed');
    await gone();
  });

  it('gives the focus back at once', async () => {
    const why = await opened();
    expect(document.activeElement).not.toBe(why);
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(document.activeElement).toBe(why);
    await gone();
    expect(document.activeElement).toBe(why);
  });

  it('takes nothing from whoever types on while it slides out', async () => {
    await opened();
    fireEvent.keyDown(document, { key: 'Escape', keyCode: 27, code: 'Escape' });
    const diameter = screen.getByRole('textbox', { name: 'Diameter' });
    diameter.focus();
    await gone();
    await new Promise((done) => setTimeout(done, 50));
    expect(document.activeElement).toBe(diameter);
  });
});
