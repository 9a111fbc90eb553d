'use client';
import { useDeferredValue, useMemo } from 'react';
import { Card } from 'react-bootstrap';
import { CONDITIONS, type Condition } from '@/core/document';
import { floatIn } from '@/core/weight';
import { SmallChoice } from '../shared/SmallChoice';
import { useEdit } from '../shared/useEdit';
import { useKept } from '../shared/useKept';
import { ConditionsTable } from './ConditionsTable';
import { FloatPicture } from './FloatPicture';
import { HeightChart } from './HeightChart';
import { MoveCard } from './MoveCard';
import { TargetsCard } from './TargetsCard';
import { useMasses } from './useMasses';

const WATERS = [
  ['sea', 'salt'],
  ['fresh', 'fresh'],
] as const;
const CHOICES = Object.entries(CONDITIONS) as [Condition, string][];

/** How the boat lies in the water in each condition, and what her weights do to it. */
export function FloatTab() {
  const { boat, masses } = useMasses();
  const edit = useEdit();
  const [condition, setCondition] = useKept<Condition>('weights.condition', 'full', (one) => one in CONDITIONS);
  // What is typed shows at once; the water follows.
  const settled = useDeferredValue(masses);
  const states = useMemo(
    () => CHOICES.map(([name]) => ({ condition: name, state: floatIn(boat, settled, name) })),
    [boat, settled],
  );
  const { state } = states.find((one) => one.condition === condition)!;
  return (
    <>
      <Card className="mb-3">
        <Card.Body>
          <div className="d-flex flex-wrap gap-3 no-print">
            <SmallChoice
              beside
              id="condition"
              label="Loaded"
              value={condition}
              options={CHOICES}
              onChoose={(one) => setCondition(one)}
            />
            <SmallChoice
              beside
              id="water"
              label="Water"
              value={boat.brief.water}
              options={WATERS}
              onChoose={(water) => edit({ type: 'brief.set', patch: { water } })}
            />
          </div>
          {'reason' in state ? (
            <p className="mb-0">
              <span className="verdict fails">✕ not known</span> {state.reason}.
            </p>
          ) : (
            <FloatPicture boat={boat} masses={settled} condition={condition} state={state} />
          )}
        </Card.Body>
      </Card>
      <div className="weights-columns mb-3">
        <Card>
          <Card.Body className="p-0 table-responsive">
            <ConditionsTable states={states} />
          </Card.Body>
        </Card>
        <TargetsCard boat={boat} masses={settled} states={states} />
      </div>
      <div className="weights-columns">
        <MoveCard boat={boat} masses={settled} condition={condition} />
        <Card>
          <Card.Body>
            <h2>Weight by height</h2>
            <HeightChart masses={settled} condition={condition} />
          </Card.Body>
        </Card>
      </div>
      <p className="small soft mt-2 mb-0">
        At rest on the shape drawn under Zones, closed at the deck edge: camber, houses and the rake of the transom are
        left out, and so is the water a planing hull climbs on. The metacentric height is an aid for small angles: it
        says nothing of large heels, of downflooding, wind or crew on one side. A tank takes from it by its free surface
        where it is entered under Buoyancy and tanks; contents entered as an item have none. Not checked: stability
        criteria of any rule; they are for a naval architect and the survey.
      </p>
    </>
  );
}
