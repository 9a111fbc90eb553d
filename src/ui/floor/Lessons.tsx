'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { lessonsFor, lessonSchema, type LaidPiece, type Lesson, type LessonTold, type Step } from '@/core/build';
import { Moment } from '../shared/Moment';
import { Ask } from './Ask';
import { useFloor } from './useFloor';

/** Lessons of the yard and of this device that hold for a step, or for a piece of it. */
function useLessons(step: Step, piece: LaidPiece | null): LessonTold[] {
  const { build, state, records } = useFloor();
  const own = state.lessons.map(({ id, person, at, body }) => ({ ...body, id, person, at, hull: build.hull }));
  const gone = new Set(records.map(({ record }) => record.corrects));
  const known = new Set(own.map(({ id }) => id));
  const others = build.lessons.filter(({ id }) => !known.has(id) && !gone.has(id));
  const kind = state.plan.parts.find(({ id }) => id === step.partId)?.kind ?? '';
  return lessonsFor([...own, ...others], { boat: build.boat, kind, step: step.name, piece });
}

/** What was learned the last times, where it comes again. */
export function LessonsFor({ step, piece = null }: { step: Step; piece?: LaidPiece | null }) {
  const lessons = useLessons(step, piece);
  if (lessons.length === 0) return null;
  return (
    <ul className="floor-lessons" aria-label="Learned before">
      {lessons.map(({ id, text, person, at, hull }) => (
        <li key={id}>
          <strong>◆ {text}</strong>{' '}
          <span className="soft">
            {person}, hull {hull}, <Moment iso={at} />
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Write down what was learned, tied to what is at hand. */
export function AskLesson({ step, onLeave }: { step: Step; onLeave: () => void }) {
  const { build, state, note } = useFloor();
  const [text, setText] = useState('');
  const [ties, setTies] = useState({ step: true, kind: false, boat: false, cloth: '', layer: '' });
  const part = state.plan.parts.find(({ id }) => id === step.partId);
  const pieces = step.pieces.flatMap((code) => state.pieces.get(code) ?? []);
  const cloths = [...new Set(pieces.map(({ cloth }) => cloth))];
  const layers = [...new Set(pieces.map(({ layerNumber }) => layerNumber))].filter((n) => n > 0);
  const lesson: Lesson = {
    text: text.trim(),
    step: ties.step ? step.name : '',
    cloth: ties.cloth,
    kind: ties.kind || ties.layer !== '' ? (part?.kind ?? '') : '',
    boat: ties.boat || ties.layer !== '' ? build.boat : '',
    layer: ties.layer === '' ? null : Number(ties.layer),
  };
  const wrong = lessonSchema.safeParse(lesson).error?.issues[0]?.message ?? null;
  const tick = (key: 'step' | 'kind' | 'boat', label: string) => (
    <Form.Check
      id={`lesson-${key}`}
      label={label}
      checked={ties[key]}
      onChange={(event) => setTies({ ...ties, [key]: event.target.checked })}
    />
  );
  return (
    <Ask
      title="What was learned"
      act="Keep the lesson"
      disabled={wrong !== null}
      onAct={() => note('lesson', lesson)}
      onLeave={onLeave}
    >
      <Form.Group controlId="lesson-text">
        <Form.Label className="mb-0">In a sentence, for whoever comes next</Form.Label>
        <Form.Control
          as="textarea"
          rows={2}
          value={text}
          maxLength={300}
          onChange={(event) => setText(event.target.value)}
        />
      </Form.Group>
      <p className="mt-2 mb-1">Shown when it comes again:</p>
      {tick('step', `the step “${step.name}”`)}
      {part && tick('kind', `on every ${part.kind}`)}
      {tick('boat', `on ${build.boat} only`)}
      {cloths.length > 0 && (
        <Form.Select
          className="mb-2"
          aria-label="Fabric or core"
          value={ties.cloth}
          onChange={(event) => setTies({ ...ties, cloth: event.target.value })}
        >
          <option value="">with any fabric or core</option>
          {cloths.map((cloth) => (
            <option key={cloth} value={cloth}>
              with {cloth}
            </option>
          ))}
        </Form.Select>
      )}
      {layers.length > 0 && (
        <Form.Select
          aria-label="Layer"
          value={ties.layer}
          onChange={(event) => setTies({ ...ties, layer: event.target.value })}
        >
          <option value="">in any layer</option>
          {layers.map((layer) => (
            <option key={layer} value={layer}>
              layer {layer} of {build.boat}’s {part?.kind}
            </option>
          ))}
        </Form.Select>
      )}
      {text.trim().length >= 3 && wrong !== null && <p className="soft mt-2">{wrong}</p>}
    </Ask>
  );
}
