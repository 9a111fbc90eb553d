export * from './person';
export * from './roles';
