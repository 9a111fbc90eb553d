import { readFileSync } from 'node:fs';
import type { Content, TableCell } from 'pdfmake/interfaces';
import { MEASURED, type MeasuredQuantity } from '@/core/instrument';
import type { BoatBook, Edition } from '@/core/log';
import { formatReserve, said, type UnitSystem } from '@/core/quantity';
import { proofWords } from '@/core/record';
import { head, pageStyle, printPdf, RULES } from './pdfStyle';

const NONE = '–';
/** A figure in a cell, never parted from its unit. */
const right = (text: string): TableCell => ({ text, alignment: 'right', noWrap: true });
const when = (iso: string | null) => (iso === null ? NONE : iso.slice(0, 16).replace('T', ' '));
const who = (one: { person: string; at: string } | null) => (one === null ? NONE : `${one.person}, ${when(one.at)}`);

/** A table of text and figures; left out where it has no rows. */
function table(heads: string[], rows: TableCell[][], wide = heads.length - 1): Content[] {
  if (rows.length === 0) return [];
  const widths = heads.map((_, i) => (i === wide ? '*' : 'auto'));
  return [
    {
      layout: RULES,
      margin: [0, 2, 0, 6],
      table: { headerRows: 1, widths, body: [heads.map((one) => head(one)), ...rows] },
    },
  ];
}
const titled = (title: string, content: Content[]): Content[] =>
  content.length === 0 ? [] : [{ text: title, style: 'h3' }, ...content];

function front(book: BoatBook, edition: Edition): Content[] {
  const { revision } = book;
  return [
    { text: `${book.boat}, hull ${book.hull}`, style: 'h1' },
    { text: `The boat’s book, ${edition} edition, written ${when(book.written)} UTC`, margin: [0, 0, 0, 8] },
    ...table(
      ['Built by', ''],
      [
        ['Revision', `${revision.label}, issued by ${revision.author} on ${when(revision.issuedAt)}: ${revision.note}`],
        ['Fingerprint of the schedule', revision.hash],
        ['Engine', revision.engine ?? NONE],
        ['Begun', `${book.begun.by}, ${when(book.begun.at)}`],
        ['Times', 'UTC'],
      ],
    ),
    ...titled(
      'Not settled, or not checked',
      book.open.length > 0
        ? [{ ul: book.open.map((text) => text) }]
        : [
            {
              text: 'Every step is done and signed, every defect settled. What no check covers stands with each zone.',
            },
          ],
    ),
    ...titled(
      'Revisions that it went on by',
      table(
        ['From', 'To', 'Signed by', 'Why, and what changed'],
        book.amendments.map(({ from, to, author, at, reason, changes }) => [
          from,
          to,
          `${author}, ${when(at)}`,
          `${reason}${changes.length > 0 ? `: ${changes.join('; ')}` : ''}`,
        ]),
      ),
    ),
  ];
}

const zonesOf = (book: BoatBook): Content[] =>
  titled(
    'What it was designed to, and what was not checked',
    table(
      ['Part', 'Zone', 'Thick', 'Weight', 'Least reserve', 'Governed by', 'Not checked'],
      book.zones.map((zone) => [
        zone.part,
        zone.zone,
        right(said(zone.thickness, 'thickness')),
        right(said(zone.arealWeight, 'laminateWeight')),
        right(zone.reserveFactor === null ? 'not checked' : formatReserve(zone.reserveFactor)),
        zone.governs ?? NONE,
        zone.notChecked.join('; ') || NONE,
      ]),
    ),
  );

const cautionsOf = (book: BoatBook): Content[] =>
  titled(
    'Cautions that somebody answered for',
    table(
      ['Caution', 'About', 'Accepted by', 'Why'],
      book.cautions.map(({ rule, subject, by, at, note }) => [rule, subject, `${by}, ${when(at)}`, note]),
    ),
  );

const pastLotsOf = (book: BoatBook): Content[] =>
  titled(
    'Used after its last day',
    table(
      ['Lot', 'Of', 'Last day', 'Used', 'In', 'By'],
      book.pastLots.map(({ lot, material, expires, first, last, steps, people }) => [
        lot,
        material,
        expires,
        [...new Set([first, last].map(when))].join(' to '),
        steps.join(', '),
        people.join(', '),
      ]),
    ),
  );

function weightsOf(book: BoatBook): Content[] {
  const rows = book.parts
    .filter(({ mass }) => mass.planned > 0)
    .map(({ name, mass, causes }) => [
      name,
      right(said(mass.planned, 'mass')),
      right(mass.weighed === null ? 'not weighed' : said(mass.weighed, 'mass')),
      mass.day ?? NONE,
      causes?.causes.map(({ says }) => says).join('; ') || NONE,
    ]);
  return titled('On the scales', table(['Part', 'Planned', 'Weighed', 'Day', 'What was read that explains it'], rows));
}

function defectsOf(book: BoatBook): Content[] {
  const listed = (...texts: (string | null)[]) => texts.filter((text) => text !== null && text !== '').join(', ');
  const rows = book.defects.map((one, i) => [
    String(i + 1),
    listed(one.part, one.zone, one.kind, said(one.size, 'shortLength'), one.note),
    who(one.found),
    one.decided
      ? listed(`${one.decided.what}: ${one.decided.reason}`, one.decided.check, who(one.decided))
      : 'not decided',
    one.repaired ? `${one.repaired.note}, ${who(one.repaired)}` : NONE,
    one.open ? 'OPEN' : 'closed',
  ]);
  return titled('Defects and repairs', table(['', 'What', 'Found', 'Decided', 'Repaired', ''], rows, 3));
}

const straightness = (book: BoatBook): Content[] =>
  titled(
    'How it stands',
    table(
      ['What', 'Measured', 'Found'],
      book.alignments.map(({ name, found, ...by }) => [
        name,
        who(by),
        [
          found.centreline && `centreline turned ${found.centreline.turnDeg.toFixed(2)}°`,
          found.lean &&
            `leans ${found.lean.leanDeg.toFixed(2)}°, twists ${found.lean.twistDegPerMetre.toFixed(3)}° a metre`,
        ]
          .filter(Boolean)
          .join('; '),
      ]),
    ),
  );

const proofsOf = (book: BoatBook): Content[] =>
  titled(
    'Proof pulls',
    table(
      ['Detail', 'Asked', 'Stop load', 'Reached', 'Permanent set', 'Result', 'By'],
      book.proofs.map((one) => [
        one.name,
        right(said(one.load, 'force')),
        right(said(one.stopLoad, 'force')),
        right(said(one.reached, 'force')),
        right(said(one.set, 'thickness')),
        one.passed
          ? [proofWords(one), ...one.notChecked.map((text) => `not checked: ${text}`)].join('; ')
          : 'NOT PASSED',
        who(one),
      ]),
    ),
  );

/** A figure of a trace in the unit of its quantity. */
function measured(value: number | null, quantity: string): string {
  if (value === null) return NONE;
  const shown = Object.hasOwn(MEASURED, quantity) ? MEASURED[quantity as MeasuredQuantity].shown : null;
  return shown ? said(value, shown) : `${value.toFixed(0)} %`;
}
const tracesOf = (book: BoatBook): Content[] =>
  titled(
    'Over hours, by instruments',
    table(
      ['What', 'Instrument', 'From', 'To', 'Readings', 'Least', 'Most'],
      book.traces.map((one) => [
        one.name,
        one.channel,
        when(one.at),
        one.endedAt === null ? 'running' : when(one.endedAt),
        right(String(one.count)),
        right(measured(one.least, one.quantity)),
        right(measured(one.most, one.quantity)),
      ]),
      0,
    ),
  );

const trialsOf = (book: BoatBook): Content[] =>
  book.trials.flatMap(({ series, says, samples }) =>
    titled(`Trials: ${series}`, [
      ...table(
        ['Sample', 'Day', 'Must bear', 'Should bear', 'Bore', 'How it broke', ''],
        samples.map((one) => [
          `${one.name}, ${one.layers} layers`,
          one.on,
          right(said(one.target, 'force')),
          right(one.should === null ? NONE : said(one.should, 'force')),
          right(said(one.bore, 'force')),
          one.broke ?? 'not broken',
          one.standing,
        ]),
        5,
      ),
      { ul: says.map((text) => text), style: 'small' },
    ]),
  );

const signedOf = ({ signed, wantsSignature }: BoatBook['parts'][number]['steps'][number]) =>
  signed === null && wantsSignature ? 'NOT SIGNED' : who(signed);

function stepsOf({ parts }: BoatBook): Content[] {
  return parts.flatMap(({ name, mould, team, steps }): Content[] => [
    { text: name, style: 'h3' },
    { text: [mould && `Mould ${mould}`, team].filter(Boolean).join(' · '), style: 'small' },
    ...table(
      ['Step', 'Begun', 'Done', 'Signed', 'What was noted'],
      steps.map((step) => [
        step.name,
        who(step.begun),
        who(step.done),
        signedOf(step),
        [
          step.done?.note,
          step.signed?.note,
          step.prepared && `bond: ${step.prepared}`,
          ...step.released.map(({ person, reason }) => `let go on by ${person}: ${reason}`),
          step.missing.length > 0 && step.begun ? `${step.missing.length} pieces not recorded` : '',
        ]
          .filter(Boolean)
          .join('; '),
      ]),
    ),
  ]);
}

function fullPages(book: BoatBook): Content[] {
  const pages = book.parts.flatMap(({ name, steps, readings }): Content[] => {
    const laid = steps.flatMap((step) => step.laid);
    const batches = steps.flatMap((step) => step.batches.map((batch) => ({ step: step.name, ...batch })));
    const drops = steps.flatMap((step) => step.drops);
    return [
      ...titled(
        `${name}: who laid what, with which lot`,
        table(
          ['Layer', 'Cloth', 'Angle', 'Piece', 'Lot', 'Laid by'],
          laid.map((one) => [
            String(one.layer || NONE),
            one.cloth,
            right(`${one.angleDeg}°`),
            one.piece,
            one.lot || NONE,
            who(one),
          ]),
          3,
        ),
      ),
      ...titled(
        `${name}: batches`,
        table(
          ['Step', 'Resin', 'Hardener', 'Lots', 'Mixed by'],
          batches.map((one) => [
            one.step,
            right(said(one.resin, 'batchMass')),
            right(one.hardener > 0 ? said(one.hardener, 'smallMass') : 'not weighed'),
            one.lots || NONE,
            who(one),
          ]),
        ),
      ),
      ...titled(
        `${name}: bag`,
        table(
          ['Start', 'End', 'Minutes', 'By'],
          drops.map((one) => [
            right(said(one.start, 'pressure')),
            right(said(one.end, 'pressure')),
            right(String(one.minutes)),
            who(one),
          ]),
        ),
      ),
      ...titled(
        `${name}: readings`,
        table(
          ['What', 'Zone', 'Value (SI)', 'Instrument', 'By'],
          readings.map((one) => [
            one.what,
            one.zone || NONE,
            right(String(Number(one.value.toPrecision(4)))),
            one.instrument || 'by hand',
            who(one),
          ]),
        ),
      ),
    ];
  });
  return [
    ...pages,
    ...titled(
      'Records that clash with others',
      table(
        ['Record', 'Why'],
        book.clashes.map(({ says, why }) => [says, why]),
      ),
    ),
    ...titled(
      'Taken back',
      table(
        ['Record', 'By', 'Why'],
        book.takenBack.map(({ says, reason, ...by }) => [says, who(by), reason]),
        0,
      ),
    ),
  ];
}

/** What a picture is, by its first byte. */
const TYPES: Readonly<Record<number, string>> = { 0xff: 'jpeg', 0x89: 'png' };

/** Photographs of the defects, as files; those that are no JPEG or PNG are left to the JSON. */
function photosOf({ defects }: BoatBook, files: Readonly<Record<string, string>>): Content[] {
  const images = defects.flatMap(({ photos }, i) =>
    photos.flatMap((photo): Content[] => {
      const file = files[photo];
      const bytes = file === undefined ? null : readFileSync(/* turbopackIgnore: true */ file);
      const type = bytes && TYPES[bytes[0]!];
      if (!bytes || !type) return [];
      const image = `data:image/${type};base64,${bytes.toString('base64')}`;
      return [
        {
          stack: [
            { image, width: 240 },
            { text: `Defect ${i + 1}`, style: 'small' },
          ],
          margin: [0, 4, 0, 4],
        },
      ];
    }),
  );
  return titled('Photographs', images);
}

export interface BookOptions {
  edition: Edition;
  units: UnitSystem;
  /** Where each photograph is kept, by its id. */
  files: Readonly<Record<string, string>>;
}

/** The boat's book as a PDF, in the units of the reader. */
export function bookPdf(book: BoatBook, { edition, units, files }: BookOptions): Promise<Buffer> {
  const content: Content[] = [
    ...front(book, edition),
    ...zonesOf(book),
    ...cautionsOf(book),
    ...pastLotsOf(book),
    ...weightsOf(book),
    ...defectsOf(book),
    ...proofsOf(book),
    ...straightness(book),
    ...tracesOf(book),
    ...trialsOf(book),
    { text: 'Step by step', style: 'h2', margin: [0, 10, 0, 0] },
    ...stepsOf(book),
    ...(edition === 'full' ? fullPages(book) : []),
    ...photosOf(book, files),
  ];
  return printPdf({ ...pageStyle(`${book.boat}, hull ${book.hull}: the boat’s book`), content }, units);
}
