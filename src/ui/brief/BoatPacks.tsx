'use client';
import Link from 'next/link';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { craftOf, methodOf } from '@/core/document';
import type { Edit } from '@/core/edit';
import { PACK_KINDS, packDifference, packLimits, packStatus, type StandardPack } from '@/core/standard';
import { Term } from '../help/Term';
import { useDesign } from '../shared/boat';
import { useUnits } from '../shared/units';
import { useEdit } from '../shared/useEdit';
import { Refusal } from '../shared/Refusal';

/**
 * The packs the boat is checked against: its own copies, what differs from the library's, and where the method ends.
 */
export function BoatPacks({ library }: { library: StandardPack[] }) {
  const { boat } = useDesign();
  const edit = useEdit();
  const { words } = useUnits();
  const [refusal, setRefusal] = useState<string | null>(null);
  const act = (...edits: Edit[]) => setRefusal(edit(...edits) ?? null);
  const used = new Set(boat.packs.map(({ id }) => id));
  const methods = library.filter(({ kind }) => kind === 'smallCraft');
  const others = library.filter(({ id, kind }) => kind !== 'smallCraft' && !used.has(id));
  const changeMethod = (id: string) => {
    const next = library.find((pack) => pack.id === id);
    if (next && next.id !== boat.packs[0]!.id)
      act({ type: 'pack.add', item: next, index: 0 }, { type: 'pack.remove', id: boat.packs[0]!.id });
  };
  return (
    <div className="d-grid gap-2">
      <h2 className="mb-0">
        Build standards, as <Term of="pack">packs</Term>
      </h2>
      <Refusal text={refusal} onClose={() => setRefusal(null)} className="mb-0" />
      <Form.Group controlId="method">
        <Form.Label className="mb-0">Method that gives the pressures</Form.Label>
        <Form.Select value={boat.packs[0]!.id} onChange={(event) => changeMethod(event.target.value)}>
          {[...(methods.some(({ id }) => id === boat.packs[0]!.id) ? [] : [boat.packs[0]!]), ...methods].map((pack) => (
            <option key={pack.id} value={pack.id}>
              {pack.title}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <ul className="list-unstyled mb-0 d-grid gap-1">
        {boat.packs.map((pack, index) => {
          const there = library.find(({ id }) => id === pack.id);
          const moved =
            there !== undefined &&
            (packDifference(pack, there).length > 0 ||
              JSON.stringify(there.signOff) !== JSON.stringify(pack.signOff) ||
              there.title !== pack.title);
          return (
            <li key={pack.id} className="small">
              <strong>{pack.title}</strong>{' '}
              <span className={`verdict ${pack.signOff ? 'meets' : 'thin'}`}>
                {pack.signOff ? '✓' : '△'} {packStatus(pack)}
              </span>
              {index > 0 && (
                <Button
                  size="sm"
                  variant="outline-primary"
                  className="py-0 ms-2"
                  onClick={() => act({ type: 'pack.remove', id: pack.id })}
                  aria-label={`Drop ${pack.title}`}
                >
                  Drop
                </Button>
              )}
              {moved && (
                <div>
                  The library's copy has moved on.{' '}
                  <Button
                    size="sm"
                    variant="outline-primary"
                    className="py-0"
                    onClick={() => act({ type: 'pack.set', item: there })}
                  >
                    Take it
                  </Button>
                </div>
              )}
            </li>
          );
        })}
      </ul>
      {others.length > 0 && (
        <Form.Select
          size="sm"
          aria-label="Add a pack"
          value=""
          onChange={(event) => {
            const next = library.find(({ id }) => id === event.target.value);
            if (next) act({ type: 'pack.add', item: next, index: boat.packs.length });
          }}
        >
          <option value="">Add a pack…</option>
          {others.map((pack) => (
            <option key={pack.id} value={pack.id}>
              {pack.title} ({PACK_KINDS[pack.kind].toLowerCase()})
            </option>
          ))}
        </Form.Select>
      )}
      <ul className="small mb-0 ps-3" aria-label="Limits of the method">
        {packLimits(methodOf(boat), craftOf(boat.brief)).map(({ severity, text }) => (
          <li key={text}>
            {severity === 'refuse' && <span className="verdict fails">✕ not covered</span>} {words(text)}.
          </li>
        ))}
      </ul>
      <p className="small soft mb-0">
        Coefficients, copies and sign-off are under{' '}
        <Link prefetch={false} href="/packs">
          Standards
        </Link>
        . The Yard rule's factor over direct analysis is asked in Panel and Check.
      </p>
    </div>
  );
}
