import type { z } from 'zod';

/** What the schema library says of an issue that nobody gave words to. */
const UNWORDED = /^(Invalid|Too small|Too big|Unrecognized)\b/;
/** What was expected, by the library's name for it. */
const KINDS: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  tuple: 'a list',
  object: 'an object with its fields',
  record: 'an object with its fields',
  null: 'nothing',
};
const COUNTED: Readonly<Record<string, string>> = { string: ' characters', array: ' entries', set: ' entries' };
const list = (values: readonly unknown[]) => values.slice(0, 12).map(String).join(', ');

/**
 * An issue of the schema library in plain words: its own where somebody wrote them, ours for the rest.
 *
 * @param given what stood there; undefined where nothing did.
 * @example plainWords(issue, undefined) // 'is missing: a number is needed'
 */
export function plainWords(issue: z.core.$ZodIssue, given: unknown): string {
  if (!UNWORDED.test(issue.message)) return issue.message;
  switch (issue.code) {
    case 'invalid_type': {
      const kind = KINDS[issue.expected] ?? issue.expected;
      return given === undefined ? `is missing: ${kind} is needed` : `must be ${kind}`;
    }
    case 'too_small':
      return `must ${COUNTED[issue.origin] ? 'have' : 'be'} at least ${issue.minimum}${COUNTED[issue.origin] ?? ''}`;
    case 'too_big':
      return `must ${COUNTED[issue.origin] ? 'have' : 'be'} at most ${issue.maximum}${COUNTED[issue.origin] ?? ''}`;
    case 'invalid_value':
      return `must be ${issue.values.length > 1 ? 'one of: ' : ''}${list(issue.values)}`;
    case 'unrecognized_keys':
      return `has no field ${list(issue.keys)}`;
    default:
      return 'is not what belongs here';
  }
}
