'use client';
import { useState } from 'react';
import { Card, Form } from 'react-bootstrap';
import type { Revision } from '@/core/revision';
import { useBoat } from '../shared/boat';
import { useUnits } from '../shared/units';
import { Contents } from './Contents';
import { KeepTemplate } from './KeepTemplate';
import { PrintLink } from './PrintLink';

const FILES = [
  {
    format: 'pdf',
    edition: 'short',
    name: 'Laminate schedule, short',
    kind: 'short PDF',
    says:
      'Drawing with zones and limits, layers by zone, stiffeners and details with dimensions, materials, cautions, ' +
      'lines to sign; no workings. For the wall.',
  },
  {
    format: 'pdf',
    edition: 'full',
    name: 'Laminate schedule with workings',
    kind: 'PDF',
    says:
      'Layers by zones for each part with sections to scale, results, checks, weights, and ' +
      'every working. For the surveyor. Of a revision: the very print it was issued with.',
  },
  {
    format: 'csv',
    edition: null,
    name: 'Laminate schedule',
    kind: 'CSV',
    says: 'Layers by zones with their results, stiffeners, details, materials and the revision, in one plain table.',
  },
  {
    format: 'xlsx',
    edition: null,
    name: 'Laminate schedule',
    kind: 'XLSX',
    says: 'The same as a workbook: a sheet for each part, for stiffeners, details and materials.',
  },
  {
    format: 'json',
    edition: null,
    name: 'The whole boat',
    kind: 'JSON',
    says:
      'Everything: brief, materials with their figures, zones, layers. ' +
      'Importing it gives the same boat, byte for byte.',
  },
] as const;

/** Where a file of the boat is fetched from. */
const fileOf = (boatId: string, asked: Record<string, string>) =>
  `/api/boats/${boatId}/export?${new URLSearchParams(asked)}`;

/** A file is saved at once; a print is made first. */
const Save = ({ print, href, children }: { print: boolean; href: string; children: React.ReactNode }) =>
  print ? (
    <PrintLink href={href}>{children}</PrintLink>
  ) : (
    <a className="btn btn-primary" download href={href}>
      {children}
    </a>
  );

/** What leaves the desk? */
export function PackScreen({ revisions }: { revisions: Revision[] }) {
  const { id, boat, save } = useBoat();
  const { system } = useUnits();
  const [state, setState] = useState(revisions[0]?.label ?? '');
  const ready = state !== '' || save === 'saved';
  return (
    <>
      <p className="question">What leaves the desk?</p>
      <Form.Group className="d-flex align-items-center gap-2 mb-3" controlId="pack-state">
        <Form.Label className="mb-0">Print</Form.Label>
        <Form.Select className="w-auto" value={state} onChange={(event) => setState(event.target.value)}>
          {revisions.map((revision) => (
            <option key={revision.id} value={revision.label}>
              Revision {revision.label}, {revision.author}, {revision.issuedAt.slice(0, 10)}
            </option>
          ))}
          <option value="">Draft, not issued</option>
        </Form.Select>
        {state === '' && <span className="verdict thin">△ a draft says DRAFT on every page</span>}
      </Form.Group>
      <Contents revision={revisions.find(({ label }) => label === state)} />
      <div className="row g-3">
        {FILES.map(({ format, edition, name, kind, says }) => (
          <div className="col-md-6 col-xl" key={kind}>
            <Card className="h-100">
              <Card.Body className="d-flex flex-column">
                <h2>
                  {name} <span className="origin">{kind}</span>
                </h2>
                <p className="flex-grow-1">{says}</p>
                <div>
                  {ready ? (
                    <Save
                      print={format === 'pdf'}
                      href={fileOf(id, {
                        format,
                        units: system,
                        ...(edition && { edition }),
                        ...(state && { revision: state }),
                      })}
                    >
                      Save {kind}
                    </Save>
                  ) : (
                    <span className="soft">Wait until the draft is saved.</span>
                  )}
                </div>
              </Card.Body>
            </Card>
          </div>
        ))}
      </div>
      <KeepTemplate boatId={id} name={boat.name} ready={save === 'saved'} />
      <p className="small soft mt-3">
        {boat.name} rests on generic or yard figures as each zone says. Printed results are decision support: the
        standard's own text, local codes, survey and class, and a licensed naval architect or engineer decide.
      </p>
    </>
  );
}
