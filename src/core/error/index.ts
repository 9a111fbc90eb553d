/**
 * Errors that a person or a program can act upon: which field, what was given, what is allowed.
 * Every border (form, API, command line, file) turns these into its own form of refusal.
 */
import type { z } from 'zod';

/** What kind of refusal it is; each border maps it to its own code (HTTP status, exit code). */
export type ErrorCode = 'malformed' | 'invalid' | 'conflict' | 'notFound' | 'tooLarge' | 'forbidden';

export class KeramosError extends Error {
  constructor(
    readonly code: ErrorCode,
    message: string,
    /** Dotted path of the offending field, empty when the whole input is meant. */
    readonly path: string = '',
    /** Facts a border may pass on, such as the current version in a conflict. */
    readonly details?: Record<string, unknown>,
  ) {
    super(message);
    this.name = 'KeramosError';
  }
}

/** The input is understood but a value is impossible or out of its allowed range. */
export function invalid(path: string, message: string): KeramosError {
  return new KeramosError('invalid', message, path);
}

/** The first issue of a failed Zod parse as a typed error that names the field and what is allowed. */
export function fromZod(error: z.ZodError, root = ''): KeramosError {
  const issue = error.issues[0]!;
  const path = [root, ...issue.path.map(String)].filter(Boolean).join('.');
  const more = error.issues.length > 1 ? ` (and ${error.issues.length - 1} more)` : '';
  return new KeramosError('invalid', `${path || 'input'}: ${issue.message}${more}`, path);
}

/** Parse with a Zod schema or throw the typed error. */
export function parseOrThrow<T>(schema: z.ZodType<T>, value: unknown, root = ''): T {
  const result = schema.safeParse(value);
  if (!result.success) throw fromZod(result.error, root);
  return result.data;
}
