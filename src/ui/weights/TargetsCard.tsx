import { Card } from 'react-bootstrap';
import { briefSchema, type Boat } from '@/core/document';
import { formFields, writeAt } from '@/core/field';
import type { QuantityKind } from '@/core/quantity';
import { chanceOver, loadingOf, type Mass } from '@/core/weight';
import { EntityForm } from '../shared/EntityForm';
import { QuantityField } from '../shared/QuantityField';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';
import type { StateOf } from './ConditionsTable';
import { oddsOver } from './odds';

interface Against {
  name: string;
  is: number;
  target: number;
  kind: QuantityKind;
  /** Whether the least is what is wanted; otherwise to be near. */
  least: boolean;
  chance: number | null;
}

/** How far a trim may be off its target and still meet it (degrees). */
const NEAR = 0.25;

/** What the boat is meant to come to, entered here and set against what she does. */
export function TargetsCard({
  boat,
  masses,
  states,
}: {
  boat: Boat;
  masses: readonly Mass[];
  states: readonly StateOf[];
}) {
  const edit = useEdit();
  const { targets } = boat.brief;
  const light = loadingOf(masses, 'light');
  const full = states.find(({ condition }) => condition === 'full')?.state;
  const against: Against[] = [];
  if (targets.displacement !== null && light)
    against.push({
      name: 'Light',
      is: light.mass,
      target: targets.displacement,
      kind: 'mass',
      least: true,
      chance: chanceOver(light.band, targets.displacement),
    });
  if (full && !('reason' in full)) {
    against.push({
      name: 'Full load, against the loaded mass that the proofs stand on',
      is: full.loading.mass,
      target: boat.brief.loadedMass,
      kind: 'mass',
      least: true,
      chance: chanceOver(full.loading.band, boat.brief.loadedMass),
    });
    const { centreHeight, trimDeg } = targets;
    if (centreHeight !== null)
      against.push({
        name: 'Height of the centre in full load',
        is: full.loading.centre[2],
        target: centreHeight,
        kind: 'length',
        least: true,
        chance: null,
      });
    if (trimDeg !== null)
      against.push({
        name: 'Trim in full load, bow up',
        is: full.trimDeg,
        target: trimDeg,
        kind: 'angle',
        least: false,
        chance: null,
      });
  }
  for (const part of boat.parts) {
    if (part.weightTarget === null) continue;
    const is = masses.reduce((sum, { group, mass }) => sum + (group === part.id ? mass : 0), 0);
    against.push({ name: part.name, is, target: part.weightTarget, kind: 'mass', least: true, chance: null });
  }
  const setTarget = (key: string, value: unknown) =>
    edit({ type: 'brief.set', patch: { targets: writeAt(targets, key, value) as typeof targets } });
  return (
    <Card>
      <Card.Body>
        <h2>Targets</h2>
        <ul className="list-unstyled d-grid gap-1 mb-2" aria-label="Against the targets">
          {against.map((one) => (
            <TargetLine key={one.name} {...one} />
          ))}
          {against.length === 0 && <li className="soft">None yet.</li>}
        </ul>
        <div className="no-print">
          <EntityForm
            fields={formFields(
              briefSchema.shape.targets.unwrap().pick({ displacement: true, centreHeight: true, trimDeg: true }),
              '',
              [],
              targets,
            )}
            value={targets}
            optionsOf={() => []}
            additionTo={() => null}
            onSet={setTarget}
          />
          <div className="detail-fields mt-2">
            {boat.parts.map(({ id, name, weightTarget }) => (
              <QuantityField
                key={id}
                label={`Target of ${name}`}
                kind="mass"
                value={weightTarget}
                minimum={0.1}
                maximum={200_000}
                optional
                onCommit={(value) => edit({ type: 'part.set', partId: id, patch: { weightTarget: value } })}
              />
            ))}
          </div>
        </div>
      </Card.Body>
    </Card>
  );
}

function TargetLine({ name, is, target, kind, least, chance }: Against) {
  const { full } = useUnits();
  const off = is - target;
  const meets = least ? off <= 0 : Math.abs(off) <= NEAR;
  const word = meets ? '✓ meets' : '✕ misses';
  const words = off > 0 ? 'over' : 'under';
  return (
    <li>
      <span className={`verdict ${meets ? 'meets' : 'fails'}`}>{word}</span> {name}: {full(is, kind)} against{' '}
      {full(target, kind)}, {full(Math.abs(off), kind)} {words}
      {chance !== null && `; ${oddsOver(chance)}`}
    </li>
  );
}
