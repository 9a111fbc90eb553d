import { nanoid } from 'nanoid';
import { Button } from 'react-bootstrap';
import { STAGES } from '@/core/document';
import { formatNumber } from '@/core/quantity';
import { standing, type Explained, type KeptWeighIn, type WeighIn } from '@/core/weight';
import { useUnits } from '../shared/units';

/** A difference as rare as this asks for another cause than what scatters. */
const SURPRISING = 2;

/** Every weighing that stands, with what its difference is put down to; what was corrected stands below. */
export function WeighInList({
  weighIns,
  explained,
  nameOf,
  onTakeBack,
}: {
  weighIns: readonly KeptWeighIn[];
  explained: readonly Explained[];
  nameOf: (subject: string) => string;
  onTakeBack: (weighIn: WeighIn) => void;
}) {
  const { full } = useUnits();
  const now = standing(weighIns);
  const gone = weighIns.length - now.length;
  const signed = (mass: number) => `${mass >= 0 ? '+' : '−'}${full(Math.abs(mass), 'mass')}`;
  if (now.length === 0)
    return (
      <p className="soft mb-0">Nothing was weighed yet. The first mouldings on the scales say most of the rest.</p>
    );
  return (
    <>
      <ul className="list-unstyled d-grid gap-2 mb-1" aria-label="Weighings">
        {now.map((one) => {
          const why = explained.find(({ weighIn }) => weighIn.id === one.id);
          return (
            <li key={one.id}>
              <div className="d-flex justify-content-between gap-2">
                <span>
                  <strong>{nameOf(one.subject)}</strong>, {STAGES[one.stage].toLowerCase()}: {full(one.mass, 'mass')}
                  {why && ` (${signed(why.difference)} against the plan)`}
                </span>
                <Button
                  size="sm"
                  variant="outline-primary"
                  onClick={() => {
                    const { author: _author, at: _at, ...rest } = one;
                    onTakeBack({ ...rest, id: nanoid(10), corrects: one.id, void: true, note: 'taken back' });
                  }}
                >
                  Take back
                </Button>
              </div>
              <span className="small soft">
                {one.day}
                {one.hull && `, hull ${one.hull}`}
                {one.author && `, ${one.author}`}
                {one.note && `: ${one.note}`}
              </span>
              {why && (
                <div className="small">
                  {why.causes.slice(0, 4).map(({ cause, name, mass }) => (
                    <span key={cause} className="me-2">
                      {signed(mass)} {name}
                    </span>
                  ))}
                  {Math.abs(why.surprise) > SURPRISING && (
                    <span className="verdict fails">
                      ✕ {formatNumber(Math.abs(why.surprise), 1)} times what scatters: look for something that was laid
                      and is not in the plan, or the other way round
                    </span>
                  )}
                </div>
              )}
            </li>
          );
        })}
      </ul>
      {gone > 0 && <p className="small soft mb-0">{gone} more corrected or taken back; they are kept.</p>}
    </>
  );
}
