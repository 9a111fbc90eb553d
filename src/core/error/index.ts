/**
 * Errors that a person or a program can act upon: which field, what was given, what is allowed.
 * Every border (form, API, command line, file) turns these into its own form of refusal.
 */
import type { z } from 'zod';
import { wordsIn } from '../quantity';
import { plainWords } from './plainWords';

/** What kind of refusal it is; each border maps it to its own code (HTTP status, exit code). */
export type ErrorCode =
  'malformed' | 'invalid' | 'conflict' | 'notFound' | 'tooLarge' | 'signIn' | 'forbidden' | 'busy' | 'unavailable';

export class KeramosError extends Error {
  /**
   * The refusal with its quantities left open (`wordsIn` puts in the units of the reader); `message` has them in
   * metric.
   */
  readonly text: string;

  constructor(
    readonly code: ErrorCode,
    text: string,
    /** Dotted path of the offending field, empty when the whole input is meant. */
    readonly path: string = '',
    /** Facts a border may pass on, such as the current version in a conflict. */
    readonly details?: Record<string, unknown>,
  ) {
    super(wordsIn(text, 'metric'));
    this.text = text;
    this.name = 'KeramosError';
  }
}

/** What was given and what would have been allowed, as data; SI. */
export interface Allowed {
  given?: unknown;
  minimum?: number;
  maximum?: number;
  allowed?: readonly unknown[];
}

/** The input is understood but a value is impossible or out of its allowed range. */
export function invalid(path: string, message: string, data?: Allowed): KeramosError {
  return new KeramosError('invalid', message, path, data && { ...data });
}

/**
 * The first issue of a failed Zod parse as a typed error that names the field, what was given and what is allowed.
 * @param value what was parsed.
 */
export function fromZod(error: z.ZodError, root = '', value?: unknown): KeramosError {
  const issue = error.issues[0]!;
  const path = [root, ...issue.path.map(String)].filter(Boolean).join('.');
  const more = error.issues.length > 1 ? ` (and ${error.issues.length - 1} more)` : '';
  const words = plainWords(issue, valueAt(value, issue.path));
  return new KeramosError('invalid', `${path || 'input'}: ${words}${more}`, path, {
    ...allowedBy(issue),
    ...givenAt(value, issue.path),
  });
}

/** What a refused value was and what would have been allowed, as data. */
function allowedBy(issue: z.core.$ZodIssue): Record<string, unknown> {
  const { code } = issue;
  if (code === 'too_small') return { rule: code, minimum: issue.minimum };
  if (code === 'too_big') return { rule: code, maximum: issue.maximum };
  if (code === 'invalid_value') return { rule: code, allowed: issue.values };
  return { rule: code };
}

const valueAt = (value: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((at, key) => (at as Record<PropertyKey, unknown> | null | undefined)?.[key], value);

/** What stood at a path, where it is a plain value that can be said again. */
function givenAt(value: unknown, path: readonly PropertyKey[]): { given?: unknown } {
  const given = valueAt(value, path);
  if (typeof given === 'string') return { given: given.slice(0, 120) };
  return given === null || typeof given === 'number' || typeof given === 'boolean' ? { given } : {};
}

/** Parse with a Zod schema or throw the typed error. */
export function parseOrThrow<T>(schema: z.ZodType<T>, value: unknown, root = ''): T {
  const result = schema.safeParse(value);
  if (!result.success) throw fromZod(result.error, root, value);
  return result.data;
}

export { cleaned, cleanText, refuseBrokenText } from './wholeText';
