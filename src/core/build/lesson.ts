import { z } from 'zod';

/** What was learned, and what it is tied to: empty ties hold for everything. */
export const lessonSchema = z
  .strictObject({
    text: z.string().trim().min(3, 'Say in a few words what was learned').max(300, 'At most 300 characters'),
    /** A step by its name, cloth or core as it stands on the roll, kind of part (hull, deck…), name of a boat. */
    step: z.string().trim().max(120),
    cloth: z.string().trim().max(120),
    kind: z.string().trim().max(40),
    boat: z.string().trim().max(120),
    /** Layer from the mould; of one boat's kind of part. */
    layer: z.int().min(1).max(400).nullable(),
  })
  .refine(({ step, cloth, kind, layer }) => step !== '' || cloth !== '' || kind !== '' || layer !== null, {
    message: 'Tie it to a step, a layer, a fabric or a part: else it is never shown',
  })
  .refine(({ layer, kind, boat }) => layer === null || (kind !== '' && boat !== ''), {
    message: 'A layer is one of a boat’s part: say which',
    path: ['layer'],
  });
export type Lesson = z.output<typeof lessonSchema>;

/** A lesson with who learned it, when, on which hull. */
export interface LessonTold extends Lesson {
  id: string;
  person: string;
  at: string;
  hull: string;
}

/** What is at hand when lessons are looked for. */
interface AtHand {
  boat: string;
  kind: string;
  step: string;
  /** The piece that is laid; null before any is. */
  piece: { cloth: string; layerNumber: number } | null;
}

/**
 * The lessons that hold for what is at hand: every tie of them fits. One that is tied to a cloth or a layer is told
 * with the piece, one that is tied to a step or part with the step.
 * @example lessonsFor(lessons, { boat: 'Merrow 84', kind: 'hull', step: 'Outer skin', piece: null })
 */
export const lessonsFor = <L extends Lesson>(lessons: readonly L[], { boat, kind, step, piece }: AtHand): L[] =>
  lessons.filter(
    (one) =>
      (one.boat === '' || one.boat === boat) &&
      (one.kind === '' || one.kind === kind) &&
      (one.step === '' || one.step.toLowerCase() === step.toLowerCase()) &&
      (one.cloth !== '' || one.layer !== null) === (piece !== null) &&
      (one.cloth === '' || one.cloth === piece?.cloth) &&
      (one.layer === null || one.layer === piece?.layerNumber),
  );
