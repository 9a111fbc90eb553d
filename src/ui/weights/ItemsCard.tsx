import { useState } from 'react';
import { Button, ButtonGroup, Card, Dropdown } from 'react-bootstrap';
import {
  ITEM_KINDS,
  itemKindOf,
  itemSchema,
  ITEM_STATES,
  type Boat,
  type Item,
  type ItemKindName,
} from '@/core/document';
import { formFields, writeAt } from '@/core/field';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { EntityForm } from '../shared/EntityForm';
import { PickButton } from '../shared/PickButton';
import { Refusal } from '../shared/Refusal';
import { TextField } from '../shared/TextField';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';
import { BondingBySection, PaintByFilm } from './MassBySize';
import { newItem } from './newItem';

const kinds = Object.keys(ITEM_KINDS) as ItemKindName[];

/** The list of items, and the one that is chosen with everything it is entered by. */
export function ItemsCard({
  boat,
  chosen,
  onChoose,
  onImport,
}: {
  boat: Boat;
  chosen: string | null;
  onChoose: (itemId: string | null) => void;
  onImport: () => void;
}) {
  const edit = useEdit();
  const [refusal, setRefusal] = useState<string | null>(null);
  const item = boat.items.find(({ id }) => id === chosen);
  const say = (text: string | undefined) => setRefusal(text ?? null);
  const take = (patch: Partial<Item>) => {
    if (item) say(edit({ type: 'item.set', item: { ...item, ...patch } }));
  };
  const add = (kind: ItemKindName, more: Partial<Item> = {}) => {
    const next = newItem(boat, kind, more);
    const refused = edit({ type: 'item.add', item: next, index: boat.items.length });
    say(refused);
    if (!refused) onChoose(next.id);
  };
  return (
    <Card className="no-print">
      <Card.Body>
        <div className="d-flex justify-content-between flex-wrap gap-2">
          <h2>Items</h2>
          <div className="d-flex gap-2">
            <Button size="sm" variant="outline-primary" onClick={onImport}>
              Paste or import a list
            </Button>
            <Dropdown as={ButtonGroup}>
              <Dropdown.Toggle size="sm" id="add-item">
                Add an item
              </Dropdown.Toggle>
              <Dropdown.Menu>
                {kinds.map((kind) => (
                  <Dropdown.Item key={kind} onClick={() => add(kind)}>
                    {itemKindOf(kind).name}
                  </Dropdown.Item>
                ))}
              </Dropdown.Menu>
            </Dropdown>
          </div>
        </div>
        <Refusal text={refusal} onClose={() => setRefusal(null)} />
        <div className="d-grid gap-3">
          <ItemTable items={boat.items} chosen={chosen} onChoose={onChoose} />
          {item && (
            <div className="d-grid gap-2 align-content-start" key={item.id}>
              <TextField
                label="Name of the item"
                value={item.name}
                maximum={80}
                onCommit={(name) => edit({ type: 'item.set', item: { ...item, name } })}
              />
              <EntityForm
                fields={formFields(itemSchema.omit({ id: true, name: true }), '', [], item)}
                value={item}
                optionsOf={() => []}
                additionTo={() => null}
                onSet={(key, value) => edit({ type: 'item.set', item: writeAt(item, key, value) })}
              />
              {item.kind === 'paint' && <PaintByFilm boat={boat} item={item} onTake={take} />}
              {item.kind === 'bonding' && <BondingBySection item={item} onTake={take} />}
              <div className="d-flex gap-2">
                <Button
                  size="sm"
                  variant="outline-primary"
                  onClick={() =>
                    add(item.kind, { ...item, id: newItem(boat, item.kind).id, name: `${item.name}, another` })
                  }
                >
                  Copy it
                </Button>
                <Button
                  size="sm"
                  variant="outline-primary"
                  onClick={() => {
                    say(edit({ type: 'item.remove', id: item.id }));
                    onChoose(null);
                  }}
                >
                  Remove it
                </Button>
              </div>
            </div>
          )}
        </div>
      </Card.Body>
    </Card>
  );
}

function ItemTable({
  items,
  chosen,
  onChoose,
}: {
  items: readonly Item[];
  chosen: string | null;
  onChoose: (itemId: string) => void;
}) {
  const { show, unit } = useUnits();
  const columns: DataColumn<Item>[] = [
    {
      id: 'name',
      head: 'Item',
      by: ({ name }) => name,
      cell: ({ id, name }) => <PickButton onPick={() => onChoose(id)}>{name}</PickButton>,
    },
    { id: 'kind', head: 'Kind', by: ({ kind }) => itemKindOf(kind).name, cell: ({ kind }) => itemKindOf(kind).name },
    { id: 'state', head: 'Known', by: ({ state }) => state, cell: ({ state }) => ITEM_STATES[state].name },
    { id: 'number', head: 'Number', numeric: true, by: ({ number }) => number, cell: ({ number }) => number },
    {
      id: 'mass',
      head: (
        <>
          Mass <span className="unit">{unit('mass')}</span>
        </>
      ),
      numeric: true,
      by: ({ mass, number }) => mass * number,
      cell: ({ mass, number }) => show(mass * number, 'mass'),
    },
  ];
  return (
    <div className="table-responsive">
      <DataTable
        label="Items"
        className="mb-0"
        rows={items}
        rowId={({ id }) => id}
        rowClass={({ id }) => (id === chosen ? 'chosen-row' : '')}
        columns={columns}
        empty="None yet: add the engine, the tanks, the people, or import the list that the yard keeps."
      />
    </div>
  );
}
