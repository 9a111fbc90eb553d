'use client';
import { Form } from 'react-bootstrap';
import { formatReserve } from '@/core/quantity';
import { OPEN_STANDS, type OpenPoint, type OpenStand } from '@/core/revision';

const MARKS: Readonly<Record<OpenStand, string>> = {
  fails: '✕',
  notChecked: '–',
  notProven: '?',
  heavier: '△',
  thin: '△',
  unverified: '△',
};
const CLASSES: Readonly<Record<OpenStand, string>> = {
  fails: 'fails',
  notChecked: 'ample',
  notProven: 'unproven',
  heavier: 'thin',
  thin: 'thin',
  unverified: 'thin',
};
const SHOWN = 8;

/** A point in words: 'Tow post fails 0.54'. */
export const saidPoint = ({ name, stands, reserveFactor }: OpenPoint): string =>
  `${name} ${OPEN_STANDS[stands]}${reserveFactor === null ? '' : ` ${formatReserve(reserveFactor)}`}`;

/** The points that stand open, the worst first; the first few where there are many. */
export const PointList = ({ points }: { points: readonly OpenPoint[] }) => (
  <ul className="list-unstyled d-flex flex-wrap gap-1 mb-2" aria-label="Open points">
    {points.slice(0, SHOWN).map((point) => (
      <li key={`${point.of} ${point.name}`} className={`verdict ${CLASSES[point.stands]}`}>
        {MARKS[point.stands]} {saidPoint(point)}
      </li>
    ))}
    {points.length > SHOWN && <li className="soft">and {points.length - SHOWN} more, see Check</li>}
  </ul>
);

/** What the boat is issued with, and the question why. */
export function OpenPoints({
  points,
  given,
  onGiven,
}: {
  points: readonly OpenPoint[];
  given: string;
  onGiven: (given: string) => void;
}) {
  return (
    <div className="mb-2">
      <p className="mb-1">
        It would be issued with {points.length === 1 ? 'this open' : `these ${points.length} open`}:
      </p>
      <PointList points={points} />
      <Form.Group controlId="issue-answer">
        <Form.Label className="mb-0">Why it is issued all the same</Form.Label>
        <Form.Control maxLength={600} value={given} onChange={(event) => onGiven(event.target.value)} />
      </Form.Group>
    </div>
  );
}
