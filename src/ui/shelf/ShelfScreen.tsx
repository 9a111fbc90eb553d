'use client';
import dynamic from 'next/dynamic';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Button, Card, Form, Nav } from 'react-bootstrap';
import {
  FIGURES,
  MATERIAL_KINDS,
  ORIGINS,
  fabricArealWeight,
  familyName,
  figureOf,
  type Material,
  type MaterialKind,
  type Fabric,
  type Origin,
  type ShelfItem,
  slug,
} from '@/core/material';
import { api, wordsOf } from '../shared/api';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { Frame } from '../shared/Frame';
import { UnitsSwitch, useUnits } from '../shared/units';
import type { Making } from './AsLaid';
import { CompareDialog } from './CompareDialog';
import { MaterialCard } from './MaterialCard';
import { HeldByBoats } from '../shared/HeldByBoats';
import { MaterialForm } from './MaterialForm';
import { Refusal } from '../shared/Refusal';

const ImportDialog = dynamic(() => import('./supply/ImportDialog').then((file) => file.ImportDialog), { ssr: false });

function weakest(material: Material): Origin {
  const origins =
    material.kind === 'fabric'
      ? material.components.map((c) => c.arealWeight.origin)
      : FIGURES[material.kind].flatMap(({ key }) => figureOf(material, key)?.origin ?? []);
  return (['generic', 'dataSheet', 'yardTest'] as const).find((origin) => origins.includes(origin)) ?? 'generic';
}

const MOST_COMPARED = 4;

/** The figure a material is known by: areal weight of a fabric, density of what has one. */
function knownBy(material: Material): { value: number; kind: 'arealWeight' | 'density' } {
  if (material.kind === 'fabric') return { value: fabricArealWeight(material), kind: 'arealWeight' };
  if ('density' in material) return { value: material.density.value, kind: 'density' };
  return { value: material.weight.value, kind: 'arealWeight' };
}

/** What have we to build with? */
export function ShelfScreen({ initial }: { initial: ShelfItem[] }) {
  const { show, unit } = useUnits();
  const client = useQueryClient();
  const { data: items } = useQuery({
    queryKey: ['shelf'],
    queryFn: () => api<ShelfItem[]>('GET', '/api/shelf'),
    initialData: initial,
  });
  const [kind, setKind] = useState<MaterialKind>('fabric');
  const [family, setFamily] = useState('');
  const [sought, setSought] = useState('');
  const [chosenId, setChosenId] = useState(
    initial.find((item) => item.material.kind === 'fabric')?.material.id ?? null,
  );
  const [editing, setEditing] = useState<{ start: Material; isNew: boolean } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [making, setMaking] = useState<Making>({ resin: 'vinylester', process: 'infusion' });
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [dialog, setDialog] = useState<'compare' | 'import' | null>(null);

  const ofKind = useMemo(() => items.filter((item) => item.material.kind === kind), [items, kind]);
  const families = [...new Set(ofKind.map((item) => familyName(item.material)))];
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = ofKind.filter(
    ({ material }) =>
      (family === '' || familyName(material) === family) &&
      words.every((word) =>
        `${material.name} ${'code' in material ? material.code : ''} ${familyName(material)}`
          .toLowerCase()
          .includes(word),
      ),
  );
  const chosen = items.find((item) => item.material.id === chosenId);
  const shelf = useMemo(() => items.map((item) => item.material), [items]);
  const compared = picked.flatMap((id) =>
    shelf.filter((material): material is Fabric => material.id === id && material.kind === 'fabric'),
  );
  const pick = (id: string) =>
    setPicked(picked.includes(id) ? picked.filter((other) => other !== id) : [...picked, id].slice(-MOST_COMPARED));
  const fibreNames = useMemo(
    () =>
      new Map(
        items.filter((item) => item.material.kind === 'fibre').map((item) => [item.material.id, item.material.name]),
      ),
    [items],
  );

  const reload = () => client.refetchQueries({ queryKey: ['shelf'] });
  const save = async (material: Material, isNew: boolean): Promise<string | undefined> => {
    try {
      await api(isNew ? 'POST' : 'PUT', isNew ? '/api/shelf' : `/api/shelf/${material.id}`, material);
      await reload();
      setChosenId(material.id);
      setEditing(null);
    } catch (error) {
      return wordsOf(error);
    }
  };
  const drop = async (id: string) => {
    try {
      await api('DELETE', `/api/shelf/${id}`);
      await reload();
    } catch (error) {
      setTrouble(wordsOf(error));
    }
  };
  const copy = (material: Material) => {
    const name = `${material.name} (own)`.slice(0, 80);
    setEditing({ start: { ...material, id: slug(name), name }, isNew: true });
  };
  const saveNew = (material: Material) => {
    const base = slug(material.name);
    const taken = new Set(items.map((item) => item.material.id));
    let id = base;
    for (let n = 2; taken.has(id); n++) id = `${base}-${n}`;
    return save({ ...material, id }, true);
  };

  const choose = (id: string) => {
    setChosenId(id);
    setEditing(null);
  };
  const headFigure = kind === 'fabric' ? 'arealWeight' : 'density';
  const columns: DataColumn<ShelfItem>[] = [
    ...(kind === 'fabric'
      ? [
          {
            id: 'compare',
            head: <span className="visually-hidden">Compare</span>,
            cell: ({ material }: ShelfItem) => (
              <span onClick={(event) => event.stopPropagation()}>
                <Form.Check
                  aria-label={`Compare ${material.name}`}
                  checked={picked.includes(material.id)}
                  onChange={() => pick(material.id)}
                />
              </span>
            ),
          },
        ]
      : []),
    {
      id: 'code',
      head: 'Code',
      className: 'fw-semibold text-nowrap',
      by: ({ material }) => ('code' in material ? material.code : ''),
      cell: ({ material }) => ('code' in material ? material.code : ''),
    },
    {
      id: 'name',
      head: 'Name',
      by: ({ material }) => material.name,
      cell: ({ material }) => (
        <button type="button" className="reason-button" onClick={() => choose(material.id)}>
          {material.name}
        </button>
      ),
    },
    {
      id: 'family',
      head: 'Family',
      by: ({ material }) => familyName(material),
      cell: ({ material }) => familyName(material),
    },
    {
      id: 'figure',
      numeric: true,
      head: (
        <>
          {kind === 'fabric' ? 'Dry' : 'Density'} <span className="unit">{unit(headFigure)}</span>
        </>
      ),
      by: ({ material }) => knownBy(material).value,
      cell: ({ material }) => show(knownBy(material).value, knownBy(material).kind),
    },
    {
      id: 'figures',
      head: 'Figures',
      by: ({ material }) => ORIGINS[weakest(material)],
      cell: ({ material, own }) => (
        <>
          <span className="origin">{ORIGINS[weakest(material)]}</span>
          {own && <span className="origin ms-1">yard</span>}
        </>
      ),
    },
  ];

  return (
    <Frame
      head={
        <>
          <h1>
            Shelf <span className="soft fw-normal fs-6">what have we to build with?</span>
          </h1>
          <span className="spacer" />
          <UnitsSwitch />
        </>
      }
    >
      <Refusal text={trouble} onClose={() => setTrouble(null)} />
      <div className="layup">
        <div>
          <Nav
            variant="tabs"
            activeKey={kind}
            onSelect={(key) => {
              setKind(key as MaterialKind);
              setFamily('');
            }}
          >
            {(Object.keys(MATERIAL_KINDS) as MaterialKind[]).map((key) => (
              <Nav.Item key={key}>
                <Nav.Link eventKey={key} as="button" type="button">
                  {MATERIAL_KINDS[key]}{' '}
                  <span className="soft small">{items.filter((item) => item.material.kind === key).length}</span>
                </Nav.Link>
              </Nav.Item>
            ))}
          </Nav>
          <Card className="border-top-0 rounded-top-0">
            <Card.Body>
              <div className="d-flex gap-2 mb-2 align-items-center flex-wrap">
                {kind === 'fabric' && (
                  <Button size="sm" disabled={compared.length < 2} onClick={() => setDialog('compare')}>
                    Compare {compared.length > 1 ? compared.length : ''} side by side
                  </Button>
                )}
                <Button size="sm" variant="outline-primary" onClick={() => setDialog('import')}>
                  From a table…
                </Button>
                <a
                  className="btn btn-sm btn-outline-primary"
                  download
                  href={`/api/shelf/export?kind=${kind}&format=csv`}
                >
                  Save CSV
                </a>
                <a
                  className="btn btn-sm btn-outline-primary"
                  download
                  href={`/api/shelf/export?kind=${kind}&format=xlsx`}
                >
                  Save XLSX
                </a>
                {kind === 'fabric' && compared.length < 2 && (
                  <span className="small soft">tick two to four fabrics</span>
                )}
              </div>
              <div className="d-flex gap-2 mb-2">
                <Form.Control
                  aria-label="Find"
                  placeholder="Find by name, code or family"
                  value={sought}
                  onChange={(event) => setSought(event.target.value)}
                />
                <Form.Select
                  aria-label="Family"
                  className="w-auto"
                  value={family}
                  onChange={(event) => setFamily(event.target.value)}
                >
                  <option value="">All families</option>
                  {families.map((name) => (
                    <option key={name}>{name}</option>
                  ))}
                </Form.Select>
              </div>
              <div className="shelf-list">
                <DataTable
                  label={MATERIAL_KINDS[kind]}
                  rows={shown}
                  rowId={({ material }) => material.id}
                  columns={columns}
                  empty="Nothing matches."
                  rowClass={({ material }) => (material.id === chosenId ? 'chosen' : '')}
                  onRow={({ material }) => choose(material.id)}
                />
              </div>
            </Card.Body>
          </Card>
        </div>
        {editing && (
          <MaterialForm
            key={`${editing.start.id}-${editing.isNew}`}
            start={editing.start}
            isNew={editing.isNew}
            fibres={fibreNames}
            shelf={shelf}
            onSave={(material) => (editing.isNew ? saveNew(material) : save(material, false))}
            onCancel={() => setEditing(null)}
          />
        )}
        {!editing && chosen && (
          <div className="d-grid gap-2 align-content-start">
            <MaterialCard
              item={chosen}
              fibreNames={fibreNames}
              shelf={shelf}
              making={making}
              onMaking={setMaking}
              onEdit={() => setEditing({ start: chosen.material, isNew: false })}
              onCopy={() => copy(chosen.material)}
              onDrop={() => void drop(chosen.material.id)}
            />
            <HeldByBoats
              key={chosen.material.id}
              url={`/api/shelf/${chosen.material.id}/boats`}
              of={chosen.material}
              none="No boat has it."
              why="A boat keeps its own copy of every material: a figure corrected here reaches it when taken over."
            />
          </div>
        )}
        {!editing && !chosen && (
          <Card>
            <Card.Body className="soft">Choose a material to see its figures.</Card.Body>
          </Card>
        )}
      </div>
      {dialog === 'compare' && compared.length > 1 && (
        <CompareDialog
          fabrics={compared}
          materials={shelf}
          making={making}
          onMaking={setMaking}
          onClose={() => setDialog(null)}
        />
      )}
      {dialog === 'import' && (
        <ImportDialog shelf={shelf} kind={kind} onClose={() => setDialog(null)} onDone={reload} />
      )}
    </Frame>
  );
}
