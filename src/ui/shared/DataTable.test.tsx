// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { DataTable, type DataColumn } from './DataTable';

interface Row {
  id: string;
  name: string;
  mass: number | null;
  part: string;
}
const ROWS: Row[] = [
  { id: 'a', name: 'Keel band', mass: 55, part: 'Hull' },
  { id: 'b', name: 'Side 10', mass: null, part: 'Hull' },
  { id: 'c', name: 'Foredeck', mass: 29.6, part: 'Deck' },
  { id: 'd', name: 'Side 9', mass: 101, part: 'Hull' },
];
const COLUMNS: DataColumn<Row>[] = [
  { id: 'name', head: 'Name', by: ({ name }) => name, cell: ({ name }) => name },
  { id: 'mass', head: 'Mass', numeric: true, by: ({ mass }) => mass, cell: ({ mass }) => mass ?? '–' },
  { id: 'note', head: 'Note', cell: () => 'shown only' },
];
const table = (more: Partial<Parameters<typeof DataTable<Row>>[0]> = {}) => (
  <DataTable label="Masses" rows={ROWS} columns={COLUMNS} rowId={({ id }) => id} empty="Nothing here" {...more} />
);
const names = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => row.querySelector('td')!.textContent);

afterEach(cleanup);

describe('a table', () => {
  it('keeps the order it is given until a head is clicked, then sorts by it both ways', () => {
    render(table());
    expect(names()).toEqual(['Keel band', 'Side 10', 'Foredeck', 'Side 9']);
    fireEvent.click(screen.getByRole('button', { name: 'Name' }));
    expect(names()).toEqual(['Foredeck', 'Keel band', 'Side 9', 'Side 10']);
    expect(screen.getByRole('columnheader', { name: 'Name' }).getAttribute('aria-sort')).toBe('ascending');
    fireEvent.click(screen.getByRole('button', { name: 'Name' }));
    expect(names()).toEqual(['Side 10', 'Side 9', 'Keel band', 'Foredeck']);
  });
  it('sorts figures as figures, with what has none last', () => {
    render(table());
    const head = screen.getByRole('button', { name: 'Mass' });
    fireEvent.click(head);
    expect(names()).toEqual(['Foredeck', 'Keel band', 'Side 9', 'Side 10']);
    fireEvent.click(head);
    expect(names()).toEqual(['Side 9', 'Keel band', 'Foredeck', 'Side 10']);
  });
  it('does not offer to sort by what is only shown', () => {
    render(table());
    expect(screen.queryByRole('button', { name: 'Note' })).toBeNull();
  });
  it('finds text, and says when there is none', () => {
    const { rerender } = render(table({ find: 'side' }));
    expect(names()).toEqual(['Side 10', 'Side 9']);
    rerender(table({ find: 'mast' }));
    expect(screen.getByText('Nothing here')).toBeTruthy();
  });
  it('puts rows under their group, in the order of the groups, and sorts within them', () => {
    const group = { of: ({ part }: Row) => part, head: (name: string) => <td colSpan={3}>{`of ${name}`}</td> };
    render(table({ group }));
    expect(names()).toEqual(['of Hull', 'Keel band', 'Side 10', 'Side 9', 'of Deck', 'Foredeck']);
    fireEvent.click(screen.getByRole('button', { name: 'Mass' }));
    expect(names().filter((name) => name!.startsWith('of'))).toHaveLength(2);
    expect(names()).toHaveLength(6);
  });
  it('shows one wide cell where a row has nothing for its columns', () => {
    render(
      table({
        wide: ({ mass }) => (mass === null ? { at: 'mass', columns: 2, cell: 'Not weighed: no scales' } : null),
      }),
    );
    const cell = screen.getByText('Not weighed: no scales');
    expect(cell.getAttribute('colspan')).toBe('2');
    expect(within(cell.closest('tr')!).getAllByRole('cell')).toHaveLength(2);
  });
  it('has a foot, and rows that can be chosen', () => {
    const chosen: string[] = [];
    const foot = (
      <tr>
        <td>Sum</td>
      </tr>
    );
    render(table({ foot, onRow: ({ id }) => chosen.push(id), rowClass: ({ id }) => (id === 'a' ? 'first' : '') }));
    fireEvent.click(screen.getByText('Foredeck'));
    expect(chosen).toEqual(['c']);
    expect(screen.getByText('Keel band').closest('tr')!.className).toBe('first');
    expect(screen.getByText('Sum').closest('tfoot')).not.toBeNull();
  });
  it('has only a part of the rows of a long one, and says how many there are', () => {
    const rows = Array.from({ length: 1000 }, (_, i) => ({ id: `${i}`, name: `Row ${i}`, mass: i, part: '' }));
    render(table({ rows }));
    expect(screen.getByRole('table').getAttribute('aria-rowcount')).toBe('1001');
    expect(screen.getAllByRole('row').length).toBeLessThan(200);
  });
});
