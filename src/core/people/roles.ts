import { KeramosError } from '../error';

/** What a person of the yard is there for; one person may be several. */
export const ROLES = {
  manager: 'Yard manager: keeps accounts, tablets and copies',
  designer: 'Designer: specifies, proves, issues',
  lead: 'Laminating lead: plans builds, gives out work, signs',
  cutter: 'Cutter: kits and the store',
  laminator: 'Laminator: lays and records',
  inspector: 'Inspector: approves, signs, decides on defects',
  reader: 'Reader: looks at everything, changes nothing',
} as const;
export type Role = keyof typeof ROLES;
export const ROLE_NAMES: Record<Role, string> = {
  manager: 'manager',
  designer: 'designer',
  lead: 'laminating lead',
  cutter: 'cutter',
  laminator: 'laminator',
  inspector: 'inspector',
  reader: 'reader',
};
export const ALL_ROLES = Object.keys(ROLES) as Role[];

/** What may be done, in words that follow "to", and by whom. Looking is for everybody who has an account. */
export const RIGHTS = {
  design: { words: 'change boats, the shelf and what the yard works by', roles: ['designer'] },
  issue: { words: 'issue a revision or decide on a change', roles: ['designer', 'inspector'] },
  store: { words: 'book the store and freeze kits', roles: ['designer', 'lead', 'cutter'] },
  measure: { words: 'weigh and test', roles: ['designer', 'lead', 'cutter', 'laminator', 'inspector'] },
  plan: { words: 'plan builds: begin, amend and close them, set the steps and the shop', roles: ['designer', 'lead'] },
  record: { words: 'record work on the floor', roles: ['lead', 'cutter', 'laminator', 'inspector'] },
  sign: { words: 'sign a hold point', roles: ['lead', 'inspector'] },
  dispose: { words: 'decide what becomes of a defect', roles: ['designer', 'lead', 'inspector'] },
  tablets: { words: 'enrol or withdraw a tablet', roles: ['manager', 'lead'] },
  people: { words: 'keep the accounts', roles: ['manager'] },
  keep: { words: 'restore a copy or say where copies are kept', roles: ['manager'] },
} as const satisfies Record<string, { words: string; roles: readonly Role[] }>;
export type Right = keyof typeof RIGHTS;

/** Whether somebody with these roles may; `null` is the server itself, or a yard without accounts: everything. */
export const may = (roles: readonly Role[] | null, right: Right): boolean =>
  roles === null || (RIGHTS[right].roles as readonly Role[]).some((role) => roles.includes(role));

const listed = (names: readonly string[]) =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} or ${names.at(-1)}`;

/**
 * @throws KeramosError `forbidden`: what is asked, who may, and what the person is.
 */
export function needRight(roles: readonly Role[] | null, right: Right): void {
  if (may(roles, right)) return;
  const { words, roles: allowed } = RIGHTS[right];
  const own = (roles ?? []).map((role) => ROLE_NAMES[role]);
  throw new KeramosError(
    'forbidden',
    `To ${words} you must be ${listed(allowed.map((role) => ROLE_NAMES[role]))}; ` +
      `you are ${own.length > 0 ? listed(own).replace(' or ', ' and ') : 'signed in without a role'}`,
    '',
    { right, allowed },
  );
}
