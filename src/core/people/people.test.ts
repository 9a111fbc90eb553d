import { describe, expect, it } from 'vitest';
import { KeramosError } from '../error';
import { ALL_ROLES, isEasyPin, loginName, may, needRight, newPerson, RIGHTS, rolesOf, type Right } from '.';

const rights = Object.keys(RIGHTS) as Right[];

describe('roles and rights', () => {
  it('let a reader do nothing, and the server itself everything', () => {
    for (const right of rights) {
      expect(may(['reader'], right)).toBe(false);
      expect(may([], right)).toBe(false);
      expect(may(null, right)).toBe(true);
    }
  });
  it('give each right to somebody, and each role but the reader’s something to do', () => {
    for (const right of rights) expect(RIGHTS[right].roles.length).toBeGreaterThan(0);
    for (const role of ALL_ROLES) expect(rights.some((right) => may([role], right))).toBe(role !== 'reader');
  });
  it('add up: two roles may what either may', () => {
    for (const right of rights)
      expect(may(['designer', 'laminator'], right)).toBe(may(['designer'], right) || may(['laminator'], right));
  });
  it('keep hold points and approval from whoever lays, and accounts from whoever designs', () => {
    expect(
      ['sign', 'dispose', 'issue', 'people', 'keep'].filter((right) => may(['laminator'], right as Right)),
    ).toEqual([]);
    expect(may(['designer'], 'people')).toBe(false);
  });
  it('say who may, and what the person is', () => {
    const refusal = (() => {
      try {
        needRight(['laminator', 'cutter'], 'sign');
        return null;
      } catch (error) {
        return error as KeramosError;
      }
    })();
    expect(refusal?.code).toBe('forbidden');
    expect(refusal?.message).toBe(
      'To sign a hold point you must be laminating lead or inspector; you are laminator and cutter',
    );
  });
});

describe('an account', () => {
  const good = { name: ' Ida Hallin ', login: 'Ida.H', password: 'salt and cedar', roles: ['inspector', 'designer'] };
  it('is read with its spaces taken off, its login in small letters, its roles in order', () => {
    expect(newPerson.parse(good)).toEqual({
      ...good,
      name: 'Ida Hallin',
      login: 'ida.h',
      roles: ['designer', 'inspector'],
    });
  });
  it.each([
    ['password', { password: 'short' }],
    ['login', { login: 'ida hallin' }],
    ['roles', { roles: [] }],
    ['roles', { roles: ['owner'] }],
    ['name', { name: ' ' }],
  ])('is refused for its %s', (field, bad) => {
    const { error } = newPerson.safeParse({ ...good, ...bad });
    expect(error?.issues[0]?.path[0]).toBe(field);
  });
  it('takes a role once', () => expect(rolesOf.parse(['lead', 'lead'])).toEqual(['lead']));
  it('has no login that reads as another', () => expect(loginName.parse(' IDA ')).toBe('ida'));
  it.each(['0000', '1234', '8765', '111111'])('knows the PIN %s as the first that is tried', (pin) =>
    expect(isEasyPin(pin)).toBe(true),
  );
  it.each(['1235', '2580', '1357', '9091'])('lets %s pass', (pin) => expect(isEasyPin(pin)).toBe(false));
});
