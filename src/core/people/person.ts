import { z } from 'zod';
import { ALL_ROLES, type Role } from './roles';

export const personName = z
  .string({ error: 'Give a name' })
  .trim()
  .min(2, 'Name: at least 2 characters')
  .max(60, 'Name: at most 60 characters');
/** What is typed to sign in: small letters, figures, dots and dashes. */
export const loginName = z
  .string({ error: 'Give a name to sign in by' })
  .trim()
  .toLowerCase()
  .regex(/^[a-z0-9][a-z0-9.-]{1,39}$/, 'Signs in as: 2 to 40 small letters, figures, dots or dashes');
/** Long beats odd: any characters, no rule about their kind. */
export const passwordText = z
  .string({ error: 'Give a password' })
  .min(10, 'Password: at least 10 characters; a few words do well')
  .max(200, 'Password: at most 200 characters');
export const pinText = z.string({ error: 'Give a PIN' }).regex(/^\d{4,8}$/, 'PIN: 4 to 8 figures');
export const rolesOf = z
  .array(z.enum(ALL_ROLES as [Role, ...Role[]]))
  .min(1, 'Choose at least one role')
  .max(ALL_ROLES.length)
  .transform((roles) => ALL_ROLES.filter((role) => roles.includes(role)));

/** A new account. */
export const newPerson = z.strictObject({
  name: personName,
  login: loginName,
  password: passwordText,
  roles: rolesOf,
});
export type NewPerson = z.output<typeof newPerson>;

/** What is changed of an account; what is left out stays. */
export const personChange = z.strictObject({
  name: personName.optional(),
  roles: rolesOf.optional(),
  /** No longer here: cannot sign in, stays on every record. */
  left: z.boolean().optional(),
  password: passwordText.optional(),
  pin: pinText.nullable().optional(),
});
export type PersonChange = z.output<typeof personChange>;

/** An account as everybody in the yard may see it. */
export interface Person {
  id: string;
  name: string;
  login: string;
  roles: Role[];
  left: boolean;
  hasPin: boolean;
  hasBadge: boolean;
  createdAt: string;
  /** When the person last did something; ISO 8601; null before the first time. */
  seenAt: string | null;
}

/** Whoever is signed in. */
export interface Who {
  id: string;
  name: string;
  roles: Role[];
}

/** A PIN that everybody tries first: one figure, or figures in a row. */
export function isEasyPin(pin: string): boolean {
  const steps = [...pin].slice(1).map((figure, i) => Number(figure) - Number(pin[i]));
  return steps.every((step) => step === steps[0]) && Math.abs(steps[0] ?? 0) <= 1;
}
